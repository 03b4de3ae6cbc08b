import type { QueryClient } from '@tanstack/react-query';
import { sessionQuery } from './queries.ts';

/** Signed out: nothing of the shop stays on the screen. */
export async function leave(queries: QueryClient): Promise<void> {
  queries.clear();
  await queries.invalidateQueries({ queryKey: sessionQuery.queryKey });
  window.location.assign('/');
}
