import { byCount, counted } from '@eclat/core/units';
import type { QueryClient } from '@tanstack/react-query';
import { api } from '../../data/api.ts';
import { say } from '../../data/app-state.ts';
import { Away, call } from '../../data/call.ts';
import { ours } from '../../data/live.ts';
import { newId } from '../../data/new-id.ts';
import { refresh } from '../../data/refresh.ts';
import type { BookPhotos } from './book-zip.ts';

/** While one is on its way the server makes smaller ones of another. */
const AT_ONCE = 2;

/** How many went through, and how many were refused. @throws Away where the server is */
async function each(
  hashes: readonly string[],
  send: (hash: string, key: string) => Promise<unknown>,
  onProgress: (done: number, good: number) => void,
): Promise<{ good: number; refused: number }> {
  const waiting = [...hashes];
  let [good, refused] = [0, 0];
  const inTurn = async () => {
    for (let hash = waiting.shift(); hash; hash = waiting.shift()) {
      try {
        const key = newId();
        // Looked at again when all are here.
        ours.add(key);
        await send(hash, key);
        good += 1;
      } catch (error) {
        if (error instanceof Away) {
          waiting.length = 0;
          throw error;
        }
        refused += 1;
      }
      onProgress(good + refused, good);
    }
  };
  await Promise.all(Array.from({ length: AT_ONCE }, inTurn));
  return { good, refused };
}

/**
 * Sends photos of a book file that is taken in, or has them fetched from the shop that has them. It goes on when its
 * screen is left; whoever closes the page brings the same book again, and only what is missing is sent.
 */
export async function bringPhotos(
  queries: QueryClient,
  movementId: string,
  photos: BookPhotos,
  onProgress: (done: number) => void = () => undefined,
): Promise<void> {
  const { good: hashes, from } = photos;
  let sofar = 0;
  const send = async (hash: string, key: string) =>
    from === undefined
      ? call(api.movements.bringPhoto, { params: { movementId, hash }, file: await photos.bytes(hash), key })
      : call(api.exchange.fetchPhoto, { params: { movementId, key: from, hash }, key });
  try {
    const { good, refused } = await each(hashes, send, (done, n) => {
      sofar = n;
      onProgress(done);
    });
    say(
      `${counted(good, 'photo')} of the record ${byCount(good, 'is', 'are')} here now.` +
        (refused > 0 ? ` ${refused} could not be taken in.` : ''),
      refused > 0 ? 'danger' : 'good',
    );
  } catch {
    say(
      `The server went away: ${sofar} of ${hashes.length} photos are here. ` +
        (from === undefined ? 'Bring the same file again.' : 'Ask that shop again.'),
      'danger',
    );
  }
  refresh(queries, { topics: ['movements'], visits: [] });
}

/** Sends photos that another shop wants. @returns what came of it, in words */
export async function sendPhotos(
  { movementId, key: shop, there }: { movementId: string; key: string; there: string },
  hashes: readonly string[],
  onProgress: (done: number) => void,
): Promise<string> {
  const send = (hash: string, key: string) =>
    call(api.exchange.sendPhoto, { params: { movementId, key: shop, hash }, body: { there }, key });
  try {
    const { good, refused } = await each(hashes, send, onProgress);
    return `${counted(good, 'photo')} sent.${refused > 0 ? ` ${refused} did not go through: send again later.` : ''}`;
  } catch {
    return 'The server went away before all photos were sent: send again.';
  }
}

/** Photos of the record that came with a clock, until it is taken in. The form keeps words, not files. */
let carried: BookPhotos | null = null;

export const carryPhotos = (photos: BookPhotos | null): void => {
  carried = photos;
};

/** Sends what was carried into the book of the movement that it came with. */
export function bringCarried(queries: QueryClient, movementId: string): void {
  const photos = carried;
  carried = null;
  if (photos && photos.good.length > 0) void bringPhotos(queries, movementId, photos);
}
