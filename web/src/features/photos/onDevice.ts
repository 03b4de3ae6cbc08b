import type { Picture } from '@eclat/core/photo';

/** Longest side on which a photo is measured, px: more costs time and tells no more. */
const MOST_PX = 1600;

export interface OnDevice {
  canvas: HTMLCanvasElement;
  picture: Picture;
}

/** A photo on this device, drawn and in shades of grey. It is sent nowhere. @throws where it is no picture */
export async function readPhoto(file: Blob): Promise<OnDevice> {
  const bitmap = await createImageBitmap(file);
  const by = Math.min(1, MOST_PX / Math.max(bitmap.width, bitmap.height));
  const canvas = document.createElement('canvas');
  canvas.width = Math.round(bitmap.width * by);
  canvas.height = Math.round(bitmap.height * by);
  const context = canvas.getContext('2d', { willReadFrequently: true })!;
  context.drawImage(bitmap, 0, 0, canvas.width, canvas.height);
  bitmap.close();
  const { width, height } = canvas;
  const { data } = context.getImageData(0, 0, width, height);
  const light = new Float32Array(width * height);
  // Luma of Rec. 709.
  for (let i = 0; i < light.length; i++)
    light[i] = (0.2126 * data[4 * i]! + 0.7152 * data[4 * i + 1]! + 0.0722 * data[4 * i + 2]!) / 255;
  return { canvas, picture: { width, height, light } };
}
