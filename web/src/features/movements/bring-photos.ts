import { counted } from '@eclat/core/units';
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

/**
 * Sends photos of a book file that is taken in. It goes on when its screen is left; whoever closes the page brings the
 * same file again, and only what is missing is sent.
 */
export async function bringPhotos(
  queries: QueryClient,
  movementId: string,
  photos: BookPhotos,
  onProgress: (done: number) => void = () => undefined,
): Promise<void> {
  const { good } = photos;
  const waiting = [...good];
  let [brought, refused] = [0, 0];
  const sendAll = async () => {
    for (let hash = waiting.shift(); hash; hash = waiting.shift()) {
      try {
        const key = newId();
        // Looked at again when all are here.
        ours.add(key);
        await call(api.movements.bringPhoto, { params: { movementId, hash }, file: await photos.bytes(hash), key });
        brought += 1;
      } catch (error) {
        if (error instanceof Away) throw error;
        refused += 1;
      }
      onProgress(brought + refused);
    }
  };
  try {
    await Promise.all(Array.from({ length: AT_ONCE }, sendAll));
    say(
      `${counted(brought, 'photo')} of the record ${brought === 1 ? 'is' : 'are'} here now.` +
        (refused > 0 ? ` ${refused} could not be taken in.` : ''),
      refused > 0 ? 'danger' : 'good',
    );
  } catch {
    waiting.length = 0;
    say(`The server went away: ${brought} of ${good.length} photos are here. Bring the same file again.`, 'danger');
  }
  refresh(queries, { topics: ['movements'], visits: [] });
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
