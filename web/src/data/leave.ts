import type { QueryClient } from '@tanstack/react-query';
import { api } from './api.ts';
import { say, useAppState } from './app-state.ts';
import { Away, call } from './call.ts';
import { forgetCopies } from './copies.ts';
import { sessionQuery } from './queries.ts';

/** Signed out: nothing of the shop stays on the screen, or on this device; what waits to be sent does. */
export async function leave(queries: QueryClient): Promise<void> {
  queries.clear();
  useAppState.getState().set({ undos: [] });
  await forgetCopies();
  await queries.invalidateQueries({ queryKey: sessionQuery.queryKey });
  window.location.assign('/');
}

/** Only the server can end a session. */
export async function signOut(queries: QueryClient): Promise<void> {
  try {
    await call(api.people.signOut, {});
  } catch (error) {
    if (!(error instanceof Away)) throw error;
    return say('The server is away: sign out when it is back.', 'danger');
  }
  await leave(queries);
}
