import { ExpirationPlugin } from 'workbox-expiration';
import { cleanupOutdatedCaches, matchPrecache, precacheAndRoute, type PrecacheEntry } from 'workbox-precaching';
import { NavigationRoute, registerRoute } from 'workbox-routing';
import { CacheFirst, NetworkOnly } from 'workbox-strategies';

/** What is used of a service worker’s own surroundings. */
declare const self: {
  __WB_MANIFEST: (PrecacheEntry | string)[];
  skipWaiting(): Promise<void>;
  clients: { claim(): Promise<void> };
  addEventListener(type: 'message', heard: (event: MessageEvent) => void): void;
  addEventListener(type: 'activate', heard: (event: { waitUntil(work: Promise<unknown>): void }) => void): void;
};

/** A network that has not answered for so long is away. */
const SILENT_S = 3;
const MOST_PHOTOS = 4000;

// The page and all its scripts, of one version: an older page goes on with its own until it is closed.
precacheAndRoute(self.__WB_MANIFEST, { directoryIndex: '', cleanURLs: false });
cleanupOutdatedCaches();

/** The page comes from the server while it is there, so that it is of its version; else as it was kept. */
const page = new NetworkOnly({ networkTimeoutSeconds: SILENT_S });
registerRoute(
  new NavigationRoute(
    async (asked) => {
      const kept = async () => (await matchPrecache('/index.html')) ?? Response.error();
      try {
        const answer = await page.handle(asked);
        return answer.status >= 500 ? await kept() : answer;
      } catch {
        return kept();
      }
    },
    // What is no page of the shop: files, and what owners are shown.
    { denylist: [/^\/api\//, /^\/healthz/, /^\/for-owner\//, /\.\w+$/] },
  ),
);

/** A photo never changes. */
registerRoute(
  ({ url, sameOrigin }) => sameOrigin && /^\/api\/photos\/[^/]+\/\w+$/.test(url.pathname),
  new CacheFirst({
    cacheName: 'photos',
    plugins: [new ExpirationPlugin({ maxEntries: MOST_PHOTOS, purgeOnQuotaError: true })],
  }),
);

// A newer version waits until its person says so, or no page is open any more.
self.addEventListener('message', ({ data }) => {
  if (data === 'take over') void self.skipWaiting();
});
// The page that brought it is kept from now on.
self.addEventListener('activate', (event) => event.waitUntil(self.clients.claim()));
