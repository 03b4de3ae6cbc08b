import type { Notice, RouteRef, Visit } from '@eclat/contract';
import type { QueryClient, QueryFilters } from '@tanstack/react-query';
import { api } from './api.ts';
import { keyOf } from './fetched.ts';
import type { replyInVisit } from '@eclat/contract/reply-in-visit';
import { serverNow } from './app-state.ts';

/**
 * Everything that a notice says has changed is looked up again as soon as it is on screen.
 * @param known path of a list that has its change already
 */
export function refresh(
  queries: QueryClient,
  { topics, visits }: Pick<Notice, 'topics' | 'visits'>,
  known: string | null = null,
): void {
  for (const topic of topics)
    if (topic === 'visit' && visits.length > 0)
      for (const visitId of visits) lookAgain(queries, { queryKey: ['visit', visitId] });
    else
      lookAgain(queries, {
        queryKey: [topic],
        predicate: ({ queryKey }) => known === null || queryKey[2] !== known,
      });
}

/** Looks anew at what is on screen of these; at all of it, where none are named. */
export function lookAgain(queries: QueryClient, filters: QueryFilters = {}): void {
  // A first fetch that is under way may carry what was before, and is not begun anew by being told: it is looked at
  // again once it is there.
  for (const first of queries.getQueryCache().findAll({ ...filters, fetchStatus: 'fetching' }))
    if (first.state.data === undefined)
      void first.promise
        ?.catch(() => undefined)
        .then(() => queries.invalidateQueries({ queryKey: first.queryKey, exact: true }));
  void queries.invalidateQueries(filters);
}

/**
 * A reply that is a row of a list takes its place there.
 * @returns the path of that list; null where it was not fetched, or a fetch under way may carry what was before
 */
function intoList(queries: QueryClient, { row }: RouteRef, reply: unknown): string | null {
  if (!row) return null;
  const predicate = ({ queryKey }: { queryKey: readonly unknown[] }) => queryKey[2] === row.list;
  if (queries.isFetching({ predicate }) > 0) return null;
  const name = (r: unknown) => (r as Record<string, unknown>)[row.by];
  let there = false;
  queries.setQueriesData<unknown[]>({ predicate }, (rows) => {
    if (!rows) return rows;
    there = true;
    return rows.some((r) => name(r) === name(reply))
      ? rows.map((r) => (name(r) === name(reply) ? reply : r))
      : [...rows, reply];
  });
  return there ? row.list : null;
}

let intoVisit: typeof replyInVisit | null = null;
/** Told by the frame of a visit: the bench is there sooner without all that a visit is reckoned from. */
export const putRepliesBy = (put: typeof replyInVisit): void => {
  intoVisit = put;
};

/**
 * After a command of this page: its reply goes straight into the visit on screen, and what else the route declares as
 * changed is looked up again. The whole visit is fetched only where the declaration says that more of it changed.
 */
export function afterCommand(
  queries: QueryClient,
  route: RouteRef,
  params: Readonly<Record<string, string>>,
  reply: unknown,
): void {
  const { visitId } = params;
  const key = visitId === undefined ? null : keyOf(api.visit.get, { params: { visitId } });
  const visit = key && queries.getQueryData<Visit>(key);
  // A fetch that is under way may carry the state before this command: it is begun anew.
  const underWay = key !== null && queries.isFetching({ queryKey: key, exact: true }) > 0;
  const known = (visit && intoVisit?.(visit, route, params, reply, serverNow())) ?? null;
  if (key && known) queries.setQueryData(key, known.visit);
  const complete = known !== null && !known.again && !underWay;
  const changes = route.changes ?? [];
  const list = intoList(queries, route, reply);
  const look = () => {
    refresh(
      queries,
      {
        topics: complete ? changes.filter((t) => t !== 'visit') : changes,
        visits: visitId === undefined ? [] : [visitId],
      },
      list,
    );
    // What is reckoned from the visit, such as its promise, is asked for anew all the same.
    if (complete)
      void queries.invalidateQueries({
        queryKey: ['visit', visitId],
        predicate: ({ queryKey }) => queryKey[2] !== api.visit.get.path,
      });
  };
  if (known && !underWay) afterPaint(look);
  else look();
}

/** The answer is on the screen first: what else may have changed is asked for behind it. */
function afterPaint(look: () => void): void {
  if (document.hidden) look();
  else requestAnimationFrame(() => setTimeout(look));
}
