import pLimit from 'p-limit';
import sharp from 'sharp';
import { LARGEST_PHOTO } from '@eclat/contract';
import { sha256 } from '../platform/sha256.ts';
import { badField, HttpProblem } from '../platform/http/problems.ts';

export const LARGEST_BYTES = LARGEST_PHOTO;
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
export const decodePhoto = (bytes: unknown): Promise<Decoded> => inTurn(bytes, decoded);

/**
 * A photo that a signed entry names by its hash: its bytes are kept as they are, and two smaller ones made of it.
 * @throws 422 when it is another; otherwise as `decodePhoto`
 */
export const decodeNamed = (bytes: unknown, hash: string): Promise<Decoded> =>
  inTurn(bytes, async (given) => {
    if (sha256(given) !== hash) throw badField('photo', 'This is not the photo that the entry names.');
    const { raw, data } = await upright(given, ['jpeg']);
    return { width: raw.width, height: raw.height, hash, large: given, ...(await smaller(data, raw)) };
  });

async function inTurn(bytes: unknown, decode: (bytes: Buffer) => Promise<Decoded>): Promise<Decoded> {
  if (!Buffer.isBuffer(bytes) || bytes.length === 0) throw notAPhoto();
  if (turn.pendingCount >= MOST_WAITING)
    throw new HttpProblem(503, 'Many photos are coming in.', {
      detail: 'It is sent again by itself.',
      retryAfterS: 10,
    });
  return turn(() => decode(bytes)).catch((error: unknown) => {
    throw error instanceof HttpProblem ? error : notAPhoto();
  });
}

/** Pixels of a picture of one of these kinds, turned upright, no larger than the large size. */
async function upright(bytes: Buffer, kinds: readonly string[]) {
  const read = () => sharp(bytes, { limitInputPixels: MOST_PIXELS, sequentialRead: true });
  const { format, width, height } = await read().metadata();
  if (!kinds.includes(format) || width * height > MOST_PIXELS) throw notAPhoto();
  const { data, info } = await read()
    .autoOrient()
    .resize(SIZES.large, SIZES.large, { fit: 'inside', withoutEnlargement: true })
    .flatten({ background: '#ffffff' })
    .toColourspace('srgb')
    .timeout({ seconds: LONGEST_S })
    .raw()
    .toBuffer({ resolveWithObject: true });
  return { data, raw: { width: info.width, height: info.height, channels: info.channels as 3 } };
}

type Raw = Awaited<ReturnType<typeof upright>>['raw'];

async function smaller(data: Buffer, raw: Raw): Promise<Pick<Decoded, 'medium' | 'small'>> {
  const at = (size: 'medium' | 'small') =>
    sharp(data, { raw })
      .resize(SIZES[size], SIZES[size], { fit: 'inside', withoutEnlargement: true })
      .jpeg({ quality: 80, mozjpeg: true })
      .toBuffer();
  return { medium: await at('medium'), small: await at('small') };
}

async function decoded(bytes: Buffer): Promise<Decoded> {
  const { data, raw } = await upright(bytes, KINDS);
  const large = await sharp(data, { raw }).jpeg({ quality: 86 }).toBuffer();
  return { width: raw.width, height: raw.height, hash: sha256(large), large, ...(await smaller(data, raw)) };
}

const notAPhoto = () =>
  new HttpProblem(415, 'This is not a photo that can be read.', {
    detail: 'JPEG, PNG or WebP, up to 15 MB and 64 million pixels.',
  });
