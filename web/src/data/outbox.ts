import { useEffect } from 'react';
import { useQueryClient } from '@tanstack/react-query';
import { useAppState, type Unsent } from './app-state.ts';
import { inPresentForm } from './old-forms.ts';
import { Away, Refusal, request } from './call.ts';

const RETRY_MS = 3_000;

/**
 * Keeps a change on this device until the server is back. Its key makes sure that it is done once, however often it is
 * sent.
 */
export function keepUnsent(item: Unsent): void {
  const { unsent, set } = useAppState.getState();
  set({ unsent: [...unsent, item] });
}

export function removeUnsent(key: string): void {
  const { unsent, set } = useAppState.getState();
  set({ unsent: unsent.filter((u) => u.key !== key) });
}

function mark(key: string, refused: string | undefined): void {
  const { unsent, set } = useAppState.getState();
  set({
    unsent: unsent.map((u) => {
      if (u.key !== key) return u;
      const { refused: _before, ...rest } = u;
      return refused ? { ...rest, refused } : rest;
    }),
  });
}

export const retryUnsent = (key: string): void => mark(key, undefined);

/** Sends what is kept, in order, for the person who entered it. What the server refuses stays, with its reason. */
async function sendKept(personId: string): Promise<boolean> {
  let sent = false;
  for (const item of useAppState.getState().unsent.filter((u) => u.personId === personId && !u.refused)) {
    try {
      await request(item.method, item.url, inPresentForm(item), item.key);
      removeUnsent(item.key);
      sent = true;
    } catch (error) {
      if (error instanceof Away || (error instanceof Refusal && error.status === 401)) return sent;
      mark(item.key, (error as Error).message);
    }
  }
  return sent;
}

export function useOutbox(personId: string): void {
  const queries = useQueryClient();
  useEffect(() => {
    let busy = false;
    const timer = setInterval(() => {
      if (busy || useAppState.getState().unsent.every((u) => u.refused)) return;
      busy = true;
      void sendKept(personId)
        .then((sent) => (sent ? queries.invalidateQueries() : undefined))
        .finally(() => (busy = false));
    }, RETRY_MS);
    return () => clearInterval(timer);
  }, [personId, queries]);
}
