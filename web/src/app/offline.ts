import { useAppState } from '../data/app-state.ts';
import { pruneCopies } from '../data/copies.ts';

const AFTER_MS = 6_000;
/** So often a page that stays open asks for a newer version. */
const ASK_MS = 3_600_000;

let waiting: ServiceWorker | null = null;

/**
 * Once the first screen stands, keeps the page on this device: it opens while the server is away. A newer version is
 * fetched beside it and begins when its person says so.
 */
export function keepOffline(): void {
  // Over plain HTTP there is none: that is said where one looks what is on this device.
  if (!('serviceWorker' in navigator)) return;
  setTimeout(() => {
    void pruneCopies();
    navigator.serviceWorker.register('/offline.worker.js').then(
      (kept) => {
        const look = () => {
          waiting = kept.waiting;
          useAppState.getState().set({ newer: waiting !== null && navigator.serviceWorker.controller !== null });
        };
        look();
        kept.addEventListener('updatefound', () => kept.installing?.addEventListener('statechange', look));
        setInterval(() => void kept.update().catch(() => undefined), ASK_MS);
      },
      () => undefined, // the server went away meanwhile: next time
    );
  }, AFTER_MS);
}

/** The newer version begins: the page is loaded anew, and what is half typed is there again. */
export function beginNewer(): void {
  navigator.serviceWorker.addEventListener('controllerchange', () => window.location.reload(), { once: true });
  waiting?.postMessage('take over');
}

/** What a browser offers where Eclat can be installed and is not yet. */
interface Offer extends Event {
  prompt(): Promise<unknown>;
}
let offer: Offer | null = null;
window.addEventListener('beforeinstallprompt', (event) => {
  event.preventDefault();
  offer = event as Offer;
  useAppState.getState().set({ installable: true });
});
window.addEventListener('appinstalled', () => useAppState.getState().set({ installable: false }));

export const install = async (): Promise<void> => {
  await offer?.prompt();
  offer = null;
  useAppState.getState().set({ installable: false });
};
