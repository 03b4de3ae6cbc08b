import type { Photo as Shape } from '@eclat/contract';
import type { StageId } from '@eclat/core/stages';
import sharp from 'sharp';
import { openVisit, signature, type Context } from '../http/context.ts';
import { HttpProblem } from '../http/problems.ts';
import { Photo } from './photos.entity.ts';

export const LARGEST_BYTES = 15 * 1024 * 1024;
const MOST_PIXELS = 80_000_000;
const SIZES = { large: 2400, medium: 1100, small: 320 } as const;
export type PhotoSize = keyof typeof SIZES;
const KINDS = ['jpeg', 'png', 'webp'];

/**
 * A photo is known by its content, not by what it is called: decoded, turned upright, and written anew in three sizes.
 * What is written anew carries no position and no other data of the camera.
 * @throws 415 when it is not JPEG, PNG or WebP, or cannot be decoded
 */
export async function addPhoto(ctx: Context, visitId: string, bytes: unknown, { caption, stage }: { caption: string; stage: StageId }): Promise<Shape> {
  if (!Buffer.isBuffer(bytes) || bytes.length === 0) throw notAPhoto();
  const { format } = await sharp(bytes, { limitInputPixels: MOST_PIXELS }).metadata().catch(() => { throw notAPhoto(); });
  if (!KINDS.includes(format)) throw notAPhoto();
  const at = async (size: PhotoSize) => {
    const edge = SIZES[size];
    return sharp(bytes, { limitInputPixels: MOST_PIXELS }).autoOrient()
      .resize(edge, edge, { fit: 'inside', withoutEnlargement: true }).jpeg({ quality: size === 'large' ? 86 : 80, mozjpeg: size !== 'large' })
      .toBuffer({ resolveWithObject: true }).catch(() => { throw notAPhoto(); });
  };
  const [large, medium, small] = [await at('large'), await at('medium'), await at('small')];
  await openVisit(ctx, visitId);
  const { width, height } = large.info;
  const photo = ctx.em.create(Photo, { visitId, caption, stage, width, height, large: large.data, medium: medium.data, small: small.data, ...signature(ctx) });
  await ctx.em.flush();
  return { id: photo.id, caption, stage, width, height, by: photo.by, at: photo.at.toISOString() };
}

const notAPhoto = () => new HttpProblem(415, 'This is not a photo that can be read.', { detail: 'JPEG, PNG or WebP, up to 15 MB.' });
