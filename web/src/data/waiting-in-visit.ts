import type { Visit } from '@eclat/contract';
import type { Foreseen, Waiting } from '@eclat/contract/foreseen';
import { useEffect, useMemo, useState } from 'react';
import type { QueryClient } from '@tanstack/react-query';
import { serverNow, useAppState, type Unsent } from './app-state.ts';
import { api } from './api.ts';
import { keyOf } from './fetched.ts';
import { keepsPhotos } from './photo-on-device.ts';
import { routeAt } from './route-at.ts';

/** What foresees is loaded when something waits: the first screen does without it. */
let rules: typeof import('@eclat/contract/foreseen') | null = null;
const foreseeing = async () => (rules ??= await import('@eclat/contract/foreseen'));

/** @returns null where it belongs to no visit, or its moment is not known */
function waitingOf(item: Unsent): (Waiting & { visitId: string }) | null {
  const at = routeAt(item.method, item.url);
  const visitId = at?.params['visitId'];
  if (!at || visitId === undefined || item.at === undefined || item.by === undefined) return null;
  const isFile = item.body instanceof Blob;
  if (isFile && !keepsPhotos()) return null;
  const { route, params, query } = at;
  const body = isFile ? undefined : item.body;
  const { key, by } = item;
  return { method: route.method, path: route.path, params, query, body, key, by, at: item.at, visitId };
}

function one(visit: Visit, item: Unsent): Foreseen | null {
  const waiting = waitingOf(item);
  return waiting?.visitId === visit.id ? (rules?.foresee(visit, waiting) ?? null) : null;
}

interface Made {
  item: Unsent;
  visit: Visit;
}
/** What was made of one visit so far, change by change: the next press adds to it. */
let chain: { from: Visit; made: Made[] } | null = null;
/** That it came into the device’s database changes nothing of it. */
const isSame = (a: Unsent, b: Unsent): boolean =>
  a.key === b.key && a.url === b.url && a.body === b.body && a.refused === b.refused;

/** The visit with all that waits on this device as if it were made. What was refused is not. */
function withWaiting(from: Visit, unsent: readonly Unsent[]): Visit {
  const before = chain?.from === from ? chain.made : [];
  const differs = unsent.findIndex((item, i) => !before[i] || !isSame(before[i].item, item));
  const made = before.slice(0, differs === -1 ? unsent.length : differs);
  for (const item of unsent.slice(made.length)) {
    const visit = made.at(-1)?.visit ?? from;
    made.push({ item, visit: item.refused ? visit : (one(visit, item)?.visit ?? visit) });
  }
  chain = { from, made };
  return made.at(-1)?.visit ?? from;
}

const keyOfVisit = (visitId: string) => keyOf(api.visit.get, { params: { visitId } });

/** The visit as it stands on this device: as the server told it last, with what waits. */
export function visitNow(queries: QueryClient, visitId: string): Visit | undefined {
  const visit = queries.getQueryData<Visit>(keyOfVisit(visitId));
  return visit && withWaiting(visit, useAppState.getState().unsent);
}

/** More of the visit changed than is here yet: it is being asked for. */
export function isBehind(queries: QueryClient, visitId: string): boolean {
  const held = queries.getQueryState(keyOfVisit(visitId));
  return held !== undefined && (held.isInvalidated || held.fetchStatus === 'fetching');
}

/** What the server will answer to a change that waits; undefined where it cannot be said. @throws without the rules */
export async function expectedOf(queries: QueryClient, key: string): Promise<unknown> {
  const item = useAppState.getState().unsent.find((u) => u.key === key);
  const waiting = item && waitingOf(item);
  const visit = waiting && queries.getQueryData<Visit>(keyOfVisit(waiting.visitId));
  if (!visit) return undefined;
  await foreseeing();
  const before = useAppState.getState().unsent.filter((u) => u.madeAt < item.madeAt);
  return one(withWaiting(visit, before), item)?.reply;
}

let answersGo: QueryClient | null = null;
/** Where the answers to what waited are put. */
export const putAnswersInto = (queries: QueryClient): void => void (answersGo = queries);

/** It was sent: what was foreseen gives way to what the server made of it. */
export function putAnswer(item: Unsent, reply: unknown): void {
  const waiting = waitingOf(item);
  if (waiting)
    answersGo?.setQueryData<Visit>(keyOfVisit(waiting.visitId), (visit) =>
      visit && rules ? rules.answered(visit, waiting, reply) : visit,
    );
}

/** The visit as the person made it: with what waits on this device. */
export function useWithWaiting(visit: Visit | undefined): Visit | undefined {
  const unsent = useAppState((s) => s.unsent);
  const [ready, setReady] = useState(rules !== null);
  const any = unsent.length > 0;
  useEffect(() => {
    if (any && !ready)
      void foreseeing().then(
        () => setReady(true),
        () => undefined, // away before it was fetched: it shows when it is made
      );
  }, [any, ready]);
  return useMemo(() => {
    const made = visit && rules && ready && any ? withWaiting(visit, unsent) : visit;
    // Reckoned once, from all of it.
    return made && made !== visit ? rules!.withNext(made, serverNow()) : visit;
  }, [visit, unsent, ready, any]);
}
