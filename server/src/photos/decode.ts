import pLimit from 'p-limit';
import sharp from 'sharp';
import { sha256 } from '../platform/sha256.ts';
import { HttpProblem } from '../platform/http/problems.ts';

export const LARGEST_BYTES = 15 * 1024 * 1024;
/** A picture of a telephone has up to 50 million pixels; what a small file claims beyond that is no photo. */
const MOST_PIXELS = 64_000_000;
const LONGEST_S = 20;
const MOST_WAITING = 24;
const SIZES = { large: 2400, medium: 1100, small: 320 } as const;
const KINDS = ['jpeg', 'png', 'webp'];

export interface Decoded {
  width: number;
  height: number;
  /** Of the large picture. */
  hash: string;
  large: Buffer;
  medium: Buffer;
  small: Buffer;
}

// One picture takes one core, and what was decoded is not kept: the server has other things to do, and to hold.
sharp.concurrency(1);
sharp.cache(false);
/** At most two pictures are decoded at a time; the others wait their turn. */
const turn = pLimit(2);

/**
 * A photo is known by its content, not by what it is called: decoded once, turned upright, and written anew in three
 * sizes. What is written anew carries no position and no other data of the camera.
 * @throws 415 when it is not JPEG, PNG or WebP, has too many pixels, or takes too long; 503 when too many wait
 */
export async function decodePhoto(bytes: unknown): Promise<Decoded> {
  if (!Buffer.isBuffer(bytes) || bytes.length === 0) throw notAPhoto();
  if (turn.pendingCount >= MOST_WAITING)
    throw new HttpProblem(503, 'Many photos are coming in.', {
      detail: 'It is sent again by itself.',
      retryAfterS: 10,
    });
  return turn(() => decoded(bytes)).catch((error: unknown) => {
    throw error instanceof HttpProblem ? error : notAPhoto();
  });
}

async function decoded(bytes: Buffer): Promise<Decoded> {
  const read = () => sharp(bytes, { limitInputPixels: MOST_PIXELS, sequentialRead: true });
  const { format, width, height } = await read().metadata();
  if (!KINDS.includes(format) || width * height > MOST_PIXELS) throw notAPhoto();
  const { data, info } = await read()
    .autoOrient()
    .resize(SIZES.large, SIZES.large, { fit: 'inside', withoutEnlargement: true })
    .flatten({ background: '#ffffff' })
    .toColourspace('srgb')
    .timeout({ seconds: LONGEST_S })
    .raw()
    .toBuffer({ resolveWithObject: true });
  const raw = { width: info.width, height: info.height, channels: info.channels as 3 };
  const at = (size: 'medium' | 'small') =>
    sharp(data, { raw })
      .resize(SIZES[size], SIZES[size], { fit: 'inside', withoutEnlargement: true })
      .jpeg({ quality: 80, mozjpeg: true })
      .toBuffer();
  const large = await sharp(data, { raw }).jpeg({ quality: 86 }).toBuffer();
  return {
    width: info.width,
    height: info.height,
    hash: sha256(large),
    large,
    medium: await at('medium'),
    small: await at('small'),
  };
}

const notAPhoto = () =>
  new HttpProblem(415, 'This is not a photo that can be read.', {
    detail: 'JPEG, PNG or WebP, up to 15 MB and 64 million pixels.',
  });
