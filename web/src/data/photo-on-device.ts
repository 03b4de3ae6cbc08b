const SIZES = ['small', 'medium', 'large'] as const;
/** The same as the service worker looks in. */
const CACHE = 'photos';

const addressOf = (photoId: string, size: (typeof SIZES)[number]): string => `/api/photos/${photoId}/${size}`;

/** Only a page that a service worker keeps can be answered from what is on the device. */
export const keepsPhotos = (): boolean => Boolean(navigator.serviceWorker?.controller);

/** A photo that waits shows by the key of its change, as it will by its id. */
export async function photoOnDevice(key: string, file: Blob): Promise<void> {
  if (!keepsPhotos() || !file.type.startsWith('image/')) return;
  const cache = await caches.open(CACHE);
  for (const size of SIZES) await cache.put(addressOf(key, size), new Response(file));
}

/** Photos of a clock that is open, for when the server is away; one after another, behind all else. */
export async function fetchPhotos(photoIds: readonly string[], gone: AbortSignal): Promise<void> {
  if (!keepsPhotos()) return;
  for (const size of SIZES)
    for (const id of photoIds) {
      if (gone.aborted) return;
      const there = await caches.match(addressOf(id, size)).catch(() => undefined);
      if (!there) await fetch(addressOf(id, size), { signal: gone }).catch(() => undefined);
    }
}

/** How many photos can be seen while the server is away. */
export async function photosOnDevice(): Promise<number> {
  const kept = await (await caches.open(CACHE)).keys();
  return new Set(kept.map(({ url }) => url.split('/').at(-2))).size;
}
