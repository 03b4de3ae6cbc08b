import { useEffect } from 'react';
import { useQueryClient } from '@tanstack/react-query';
import { createStore, del, set as put, values } from 'idb-keyval';
import { say, useAppState, type Unsent } from './app-state.ts';
import { inPresentForm } from './old-forms.ts';
import { Away, Refusal, request } from './call.ts';

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

async function store(item: Unsent): Promise<void> {
  try {
    await put(item.key, { ...item, stored: true } satisfies Unsent, device);
    patch(item.key, (u) => ({ ...u, stored: true }));
    tell();
  } catch {
    if (isFile(item)) say(`${item.what}: this device has no room to keep it. Leave this page open.`, 'danger');
  }
}

/**
 * Keeps a change on this device until the server is back. Its key makes sure that it is done once, however often it is
 * sent.
 */
export function keepUnsent(given: Omit<Unsent, 'madeAt'>): void {
  const { unsent, set } = state();
  const item = { ...given, madeAt: Math.max(Date.now(), ...unsent.map((u) => (u.madeAt ?? 0) + 1)) };
  set({ unsent: [...unsent, item] });
  void store(item);
}

/** Sent or thrown away by this page: a list that was read before that does not bring it back. */
const removed = new Set<string>();

export function removeUnsent(key: string): void {
  removed.add(key);
  state().set({ unsent: state().unsent.filter((u) => u.key !== key) });
  // Where there is no database, asking for it throws at once.
  void (async () => del(key, device))().then(tell, () => undefined);
}

function mark(key: string, refused: string | undefined): void {
  patch(key, ({ refused: _before, ...rest }) => (refused ? { ...rest, refused } : rest));
  const item = state().unsent.find((u) => u.key === key);
  if (item) void store(item);
}

export const retryUnsent = (key: string): void => mark(key, undefined);

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
  for (const item of here) if (!item.stored) void store(item);
}

const isPhoto = ({ body }: Unsent): boolean => body instanceof Blob && body.type.startsWith('image/');

/** A photo can be long on its way, and no change names it before the server has: none waits for it. */
const LANES = { changes: (u: Unsent) => !isPhoto(u), photos: isPhoto } as const;
type Lane = keyof typeof LANES;
const underWay: Partial<Record<Lane, Promise<Outcome>>> = {};

interface Outcome {
  sent: boolean;
  stopped: 'away' | 'signed out' | null;
}

/** Sends what is kept, in order, for the person who entered it. What the server refuses stays, with its reason. */
const sendKept = (personId: string, lane: Lane): Promise<Outcome> =>
  (underWay[lane] ??= sendLane(personId, lane).finally(() => delete underWay[lane]));

const waiting = (personId: string, lane: Lane): Unsent[] =>
  state().unsent.filter((u) => u.personId === personId && !u.refused && LANES[lane](u));

async function sendLane(personId: string, lane: Lane): Promise<Outcome> {
  let sent = false;
  for (const item of waiting(personId, lane)) {
    try {
      await request(item.method, item.url, inPresentForm(item), item.key);
      removeUnsent(item.key);
      sent = true;
    } catch (error) {
      if (error instanceof Away) return { sent, stopped: 'away' };
      if (error instanceof Refusal && error.status === 401) return { sent, stopped: 'signed out' };
      mark(item.key, whyOf(error));
    }
  }
  return { sent, stopped: null };
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

export function useOutbox(personId: string): void {
  const queries = useQueryClient();
  useEffect(() => {
    void loadUnsent();
    const others = new BroadcastChannel(CHANNEL);
    others.onmessage = () => void loadUnsent();
    const timer = setInterval(() => {
      for (const lane of Object.keys(LANES) as Lane[])
        if (waiting(personId, lane).length > 0 && !underWay[lane])
          void sendKept(personId, lane).then(({ sent }) => {
            if (!sent) return;
            void queries.invalidateQueries();
            if (state().unsent.every((u) => u.personId !== personId)) say('Sent what was kept on this device.');
          });
    }, RETRY_MS);
    return () => {
      clearInterval(timer);
      others.close();
    };
  }, [personId, queries]);
}
