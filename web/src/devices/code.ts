import type { Frame } from './code.worker.ts';

/** A label held before the camera fills a good part of the picture: this many pixels across are enough to read it. */
const ACROSS = 720;
/** Of a photo, which is looked at once: a code with many words may be small on it. */
export const PHOTO_ACROSS = 1800;

const ID = '[0-9a-f]{8}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{12}';
const PLACE = new RegExp(`^(?:https?://[^/]+)?(/(?:visits|movements)/${ID})(?:[/?#]|$)`, 'i');

/** The last line of the words on a slip. */
const MOVEMENT = new RegExp(`^Movement (${ID})$`, 'im');

/**
 * Where a label or a slip leads, on this page’s own address whatever host was printed on it; null where it is no code
 * of Eclat.
 */
export function placeOfCode(text: string): string | null {
  const path = PLACE.exec(text.trim())?.[1];
  const movement = MOVEMENT.exec(text)?.[1];
  return (path ?? (movement ? `/movements/${movement}` : null))?.toLowerCase() ?? null;
}

/** Reads codes in pictures, one after another, in a worker of its own. */
export class CodeReader {
  private readonly worker = new Worker(new URL('./code.worker.ts', import.meta.url), { type: 'module' });
  private readonly canvas = document.createElement('canvas');
  private busy = false;

  /** @returns what the code says; null where none is seen, or while the picture before is still looked at */
  async read(picture: CanvasImageSource, width: number, height: number, across = ACROSS): Promise<string | null> {
    if (this.busy || width === 0) return null;
    this.busy = true;
    const scale = Math.min(1, across / width);
    [this.canvas.width, this.canvas.height] = [Math.round(width * scale), Math.round(height * scale)];
    const context = this.canvas.getContext('2d', { willReadFrequently: true })!;
    context.drawImage(picture, 0, 0, this.canvas.width, this.canvas.height);
    const { data } = context.getImageData(0, 0, this.canvas.width, this.canvas.height);
    const frame: Frame = { data, width: this.canvas.width, height: this.canvas.height };
    try {
      return await new Promise((resolve, reject) => {
        this.worker.onmessage = (e: MessageEvent<string | null>) => resolve(e.data);
        this.worker.onerror = (e) => reject(new Error(e.message));
        this.worker.postMessage(frame, [data.buffer]);
      });
    } finally {
      this.busy = false;
    }
  }

  close(): void {
    this.worker.terminate();
  }
}
