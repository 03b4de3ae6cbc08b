import type { RouteRef, Topic } from '@eclat/contract';
import { clear, createStore, delMany, entries, get, set as put } from 'idb-keyval';
import { useAppState } from './app-state.ts';
import { Away } from './call.ts';

/** What was fetched last, by its address: it is read while the server is away. */
const replies = createStore('eclat-copies', 'replies');
/** When each was fetched; and whose they all are. */
const about = createStore('eclat-copies-about', 'about');
const OWNER = 'owner';
const MOST = 400;
/** A server silent for so long is as good as away, where there is a copy; sooner once it is known to be. */
const SILENT_MS = 4_000;
const SILENT_AGAIN_MS = 1_000;

/** Of the bench and its clocks. Of accounts, other shops and searches no copy is kept. */
const KEPT: ReadonlySet<Topic> = new Set([
  'session',
  'bench',
  'timers',
  'visit',
  'movements',
  'stores',
  'baths',
  'rules',
  'prices',
  'causes',
]);

export const isCopied = ({ reads }: RouteRef, asked: { query?: unknown; body?: unknown }): boolean =>
  reads !== undefined && KEPT.has(reads) && asked.body === undefined && asked.query === undefined;

/** A database that does not answer is none. */
const STUCK_MS = 5_000;

/** A browser without a database of its own keeps no copies, and goes on. */
const quietly = <T>(work: () => Promise<T>): Promise<T | undefined> =>
  Promise.race([
    (async () => work())().catch(() => undefined),
    new Promise<undefined>((resolve) => setTimeout(() => resolve(undefined), STUCK_MS)),
  ]);

export function keepCopy(url: string, reply: unknown): void {
  void quietly(async () => {
    await put(url, reply, replies);
    await put(url, Date.now(), about);
  });
}

/** Copies are one person's: who comes after another finds none. */
export async function copiesAreOf(personId: string): Promise<void> {
  await quietly(async () => {
    if ((await get(OWNER, about)) === personId) return;
    await forgetCopies();
    await put(OWNER, personId, about);
  });
}

export async function forgetCopies(): Promise<void> {
  await quietly(() => clear(replies));
  await quietly(() => clear(about));
  await quietly(async () => caches.delete('photos'));
}

/** Forgets what was fetched longest ago. */
export async function pruneCopies(): Promise<void> {
  await quietly(async () => {
    const fetched = (await entries<string, unknown>(about)).filter(([url]) => url !== OWNER);
    const old = fetched.toSorted(([, a], [, b]) => Number(b) - Number(a)).slice(MOST);
    const urls = old.map(([url]) => url);
    await delMany(urls, replies);
    await delMany(urls, about);
  });
}

/** How many visits can be read while the server is away. */
export async function visitsCopied(): Promise<number> {
  const fetched = (await quietly(() => entries<string, unknown>(about))) ?? [];
  return fetched.filter(([url]) => /^\/api\/visits\/[^/]+$/.test(url)).length;
}

/**
 * Asks, and keeps what was answered. While the server is away, or silent, it is the copy.
 * @param late given what was answered after the copy was taken
 */
export async function orCopy<T>(url: string, ask: () => Promise<T>, late: (reply: T) => void): Promise<T> {
  let copied = false;
  const asked = ask().then((reply) => {
    keepCopy(url, reply);
    if (copied) late(reply);
    return reply;
  });
  const copy = async (): Promise<T | undefined> => {
    const kept = await quietly(() => get<T>(url, replies));
    copied = kept !== undefined;
    return kept;
  };
  const silentMs = useAppState.getState().liveOk ? SILENT_MS : SILENT_AGAIN_MS;
  let timer: ReturnType<typeof setTimeout> | undefined;
  const silent = new Promise<T>((resolve) => {
    timer = setTimeout(() => void copy().then((kept) => kept !== undefined && resolve(kept)), silentMs);
  });
  try {
    return await Promise.race([asked, silent]);
  } catch (error) {
    const kept = error instanceof Away ? await copy() : undefined;
    if (kept === undefined) throw error;
    return kept;
  } finally {
    clearTimeout(timer);
  }
}
