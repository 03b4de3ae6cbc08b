import { namesGiven } from '@eclat/contract/names-given';
import { useEffect } from 'react';
import { useQueryClient, type QueryClient } from '@tanstack/react-query';
import { createStore, del, set as put, values } from 'idb-keyval';
import { say, useAppState, type Unsent } from './app-state.ts';
import { inPresentForm } from './old-forms.ts';
import { Away, Refusal, request } from './call.ts';
import { putAnswer, putAnswersInto } from './waiting-in-visit.ts';

const RETRY_MS = 3_000;
/** The device’s own database: it holds photos and sound too, and each change stands alone, whichever page made it. */
const device = createStore('eclat', 'unsent');
/** Pages of this browser tell each other that the list has changed. */
const CHANNEL = 'eclat.unsent';
const tell = (): void => {
  const others = new BroadcastChannel(CHANNEL);
  others.postMessage('changed');
  others.close();
};

const state = useAppState.getState;
const patch = (key: string, change: (item: Unsent) => Unsent): void =>
  state().set({ unsent: state().unsent.map((u) => (u.key === key ? change(u) : u)) });

const isFile = ({ body }: Pick<Unsent, 'body'>): boolean => body instanceof Blob;

/** What is being written on this device now: nothing else may read what waits before it is there. */
const writes = new Set<Promise<void>>();
async function written(): Promise<void> {
  while (writes.size > 0) await Promise.all(writes);
}
function writing(work: Promise<void>): void {
  writes.add(work);
  void work.finally(() => writes.delete(work));
}

const store = (item: Unsent): void => writing(write(item));
async function write(item: Unsent): Promise<void> {
  try {
    await put(item.key, { ...item, stored: true } satisfies Unsent, device);
    patch(item.key, (u) => ({ ...u, stored: true }));
    tell();
  } catch {
    if (isFile(item)) say(`${item.what}: this device has no room to keep it. Leave this page open.`, 'danger');
  }
}

/** Asks the browser not to clear what is kept here when its disk is full. Some ask the person; some say no. */
export async function askToKeep(): Promise<void> {
  if (state().promised) return;
  const { storage } = navigator as { storage?: StorageManager };
  const promised = await storage?.persist?.().catch(() => false);
  state().set({ promised: promised ?? false });
}

/**
 * Keeps a change on this device until the server is back. Its key makes sure that it is done once, however often it is
 * sent.
 */
export function keepUnsent(given: Omit<Unsent, 'madeAt'>): void {
  const { unsent, set } = state();
  const item = { ...given, madeAt: Math.max(Date.now(), ...unsent.map((u) => (u.madeAt ?? 0) + 1)) };
  set({ unsent: [...unsent, item] });
  store(item);
  void askToKeep();
}

/** Sent or thrown away by this page: a list that was read before that does not bring it back. */
const removed = new Set<string>();

function remove(key: string): void {
  removed.add(key);
  state().set({ unsent: state().unsent.filter((u) => u.key !== key) });
  // Where there is no database, asking for it throws at once.
  writing((async () => del(key, device))().then(tell, () => undefined));
}

/** Written anew on this device, after something in it became known. */
function rewrite(key: string, change: (item: Unsent) => Unsent): void {
  patch(key, change);
  const item = state().unsent.find((u) => u.key === key);
  if (item) store(item);
}

/** What the server is expected to answer became known. */
export const expectOf = (key: string, expects: unknown): void => rewrite(key, (u) => ({ ...u, expects }));

const mark = (key: string, refused: string | undefined, current?: unknown): void =>
  rewrite(key, ({ refused: _before, current: _seen, ...rest }) => ({
    ...rest,
    ...(refused === undefined ? {} : { refused }),
    ...(current === undefined ? {} : { current }),
  }));

export const retryUnsent = (key: string): void => mark(key, undefined);

type Fields = Record<string, unknown>;
const fieldsOf = ({ body }: Pick<Unsent, 'body'>): Fields =>
  typeof body === 'object' && body !== null && !(body instanceof Blob) ? (body as Fields) : {};
const basedOn = (item: Unsent, version: unknown): Unsent => ({ ...item, body: { ...fieldsOf(item), version } });

/** A change of a state that a change before it left. */
const isOfSame = (a: Unsent, b: Unsent): boolean =>
  a.url === b.url && 'version' in fieldsOf(a) && 'version' in fieldsOf(b);
const SHORTEST_KEY = 20;
/** It speaks of what the other makes. */
const names = (item: Unsent, { key }: Unsent): boolean => {
  const made = key.slice(0, -4);
  if (made.length < SHORTEST_KEY) return false;
  return item.url.includes(made) || JSON.stringify(fieldsOf(item)).includes(made);
};
const after = (item: Unsent): Unsent[] => state().unsent.filter((u) => u.madeAt > item.madeAt && u.key !== item.key);

/**
 * It is not wanted any more. What was changed on top of it was seen by nobody else: it is chosen anew what counts.
 */
export function removeUnsent(key: string): void {
  const item = state().unsent.find((u) => u.key === key);
  for (const later of item ? after(item) : []) if (isOfSame(later, item!)) rewrite(later.key, (u) => basedOn(u, 0));
  remove(key);
}

/** Of two that changed the same, this one: it is sent again on top of the other. */
export function keepMine(key: string): void {
  const current = (state().unsent.find((u) => u.key === key)?.current ?? {}) as Fields;
  rewrite(key, (u) => basedOn(u, current['version'] ?? 0));
  mark(key, undefined);
}

/** Sent and answered: what waits behind it speaks of what the server made of it. */
function settle(item: Unsent, reply: unknown): void {
  // What nobody foresaw is one row at most, and may be shown by its key since.
  const given = namesGiven(item.expects ?? { id: item.key }, reply, item.key);
  const renamed = (text: string) => given.reduce((said, [from, to]) => said.replaceAll(from, to), text);
  const version = (reply as Fields | null)?.['version'];
  for (const later of after(item)) {
    if (given.length > 0 && names(later, item))
      rewrite(later.key, (u) => ({
        ...u,
        url: renamed(u.url),
        ...(isFile(u) || u.body === undefined ? {} : { body: JSON.parse(renamed(JSON.stringify(u.body))) as unknown }),
        ...(u.expects === undefined ? {} : { expects: JSON.parse(renamed(JSON.stringify(u.expects))) as unknown }),
      }));
    if (version !== undefined && isOfSame(later, item)) rewrite(later.key, (u) => basedOn(u, version));
  }
  if (given.length > 0)
    state().set({
      undos: state().undos.map((u) => ({ ...u, way: JSON.parse(renamed(JSON.stringify(u.way))) as typeof u.way })),
    });
  remove(item.key);
}

/** What is kept on this device, of this page and others. */
export async function loadUnsent(): Promise<void> {
  const before = new Set(
    state()
      .unsent.filter((u) => u.stored)
      .map((u) => u.key),
  );
  const read = await (async () => values<Unsent>(device))().catch(() => null);
  if (!read) return;
  const stored = read.filter((u) => !removed.has(u.key));
  const known = new Set(stored.map((u) => u.key));
  // What another page sent or threw away meanwhile is gone; what this page made while it read is not.
  const here = state()
    .unsent.filter((u) => !known.has(u.key) && !before.has(u.key))
    // What an earlier version kept has no moment: it was in order.
    .map((u, i) => ({ ...u, madeAt: u.madeAt ?? i }));
  state().set({ unsent: [...stored, ...here].toSorted((a, b) => a.madeAt - b.madeAt) });
  for (const item of here) if (!item.stored) store(item);
}

const isPhoto = ({ body }: Unsent): boolean => body instanceof Blob && body.type.startsWith('image/');

/** A photo can be long on its way: only a change that speaks of it waits for it. */
const LANES = { changes: (u: Unsent) => !isPhoto(u), photos: isPhoto } as const;
type Lane = keyof typeof LANES;
const underWay: Partial<Record<Lane, Promise<Outcome>>> = {};

interface Outcome {
  sent: boolean;
  stopped: 'away' | 'signed out' | null;
}

/** Sends what is kept, in order, for the person who entered it. What the server refuses stays, with its reason. */
const sendKept = (personId: string, lane: Lane): Promise<Outcome> =>
  (underWay[lane] ??= alone(lane, () => sendLane(personId, lane)).finally(() => delete underWay[lane]));

/**
 * One tab at a time sends what this device keeps: what it sends changes what waits behind it, and another tab knows of
 * that once it is written. Over plain HTTP a browser has no such lock: a change is then sent by two tabs at worst, and
 * made once.
 */
async function alone(lane: Lane, send: () => Promise<Outcome>): Promise<Outcome> {
  const { locks } = navigator as { locks?: LockManager };
  if (!locks) return send();
  return locks.request(`eclat.send.${lane}`, async () => {
    await written();
    await loadUnsent();
    const outcome = await send();
    await written();
    return outcome;
  });
}

const waiting = (personId: string, lane: Lane): Unsent[] =>
  state().unsent.filter((u) => u.personId === personId && !u.refused && LANES[lane](u));

/** What has to be sent before it: a photo that it names, or a change of the same that was refused. */
const inTheWay = (item: Unsent): Unsent | undefined =>
  state().unsent.find((u) => u.madeAt < item.madeAt && (names(item, u) || (u.refused && isOfSame(item, u))));

async function sendLane(personId: string, lane: Lane): Promise<Outcome> {
  let sent = false;
  for (const { key } of waiting(personId, lane)) {
    const now = () => state().unsent.find((u) => u.key === key && !u.refused);
    const before = now() && inTheWay(now()!);
    if (before && !before.refused && isPhoto(before)) {
      const { stopped } = await sendKept(personId, 'photos');
      if (stopped) return { sent, stopped };
    }
    // Another page may have sent it meanwhile.
    const item = now();
    if (!item || inTheWay(item)) continue;
    try {
      const reply = await request(item.method, item.url, inPresentForm(item), item.key, { madeAt: item.at });
      putAnswer(item, reply);
      settle(item, reply);
      sent = true;
    } catch (error) {
      if (error instanceof Away) return { sent, stopped: 'away' };
      if (error instanceof Refusal && error.status === 401) return { sent, stopped: 'signed out' };
      refusedOf(item, error);
    }
  }
  return { sent, stopped: null };
}

/** Somebody else changed it: it is chosen. What stands there as it was entered needs no choice, it was this change. */
function refusedOf(item: Unsent, error: unknown): void {
  const raced = error instanceof Refusal && error.problem.type === 'urn:eclat:lost-race';
  if (!raced) return mark(item.key, whyOf(error));
  const current = (error.problem.current ?? {}) as Fields;
  const { version: seen, ...mine } = fieldsOf(item);
  const isThere = Object.entries(mine).every(
    ([name, value]) => JSON.stringify(current[name]) === JSON.stringify(value),
  );
  // What waits behind was built on this change, not on what somebody may have done to it since.
  if (isThere) settle(item, { ...current, version: Number(seen) + 1 });
  else mark(item.key, 'Somebody changed this as well.', current);
}

/** A refusal in words: its fields first, since they say what to do. */
export function whyOf(error: unknown): string {
  const fields = error instanceof Refusal ? error.problem.fields : undefined;
  return fields ? fields.map((f) => f.message).join(' ') : (error as Error).message;
}

/** Whether no change of this person, made before, is still on this device. */
export const nothingWaits = (personId: string): boolean => waiting(personId, 'changes').length === 0;

/** @returns whether the server can be asked for a change made now: what was made before it has gone, or was refused */
export const sentBefore = async (personId: string): Promise<boolean> =>
  (await sendKept(personId, 'changes')).stopped !== 'away';

async function sendAll(personId: string, lane: Lane, queries: QueryClient): Promise<void> {
  if (waiting(personId, lane).length === 0 || underWay[lane]) return;
  const { sent } = await sendKept(personId, lane);
  if (!sent) return;
  void queries.invalidateQueries();
  if (state().unsent.every((u) => u.personId !== personId)) say('Sent what was kept on this device.');
}

export function useOutbox(personId: string): void {
  const queries = useQueryClient();
  useEffect(() => {
    putAnswersInto(queries);
    void loadUnsent();
    const others = new BroadcastChannel(CHANNEL);
    others.onmessage = () => void loadUnsent();
    const timer = setInterval(() => {
      for (const lane of Object.keys(LANES) as Lane[]) void sendAll(personId, lane, queries);
    }, RETRY_MS);
    return () => {
      clearInterval(timer);
      others.close();
    };
  }, [personId, queries]);
}
