import type { RouteRef, Visit } from '@eclat/contract';
import type { WayBack } from '@eclat/contract/way-back';
import type { QueryClient } from '@tanstack/react-query';
import { api } from './api.ts';
import { say, useAppState } from './app-state.ts';
import { call, Refusal } from './call.ts';
import { whyOf } from './outbox.ts';
import { newId } from './new-id.ts';
import { visitQuery } from './queries.ts';
import { afterCommand } from './refresh.ts';
import { answerOf, Kept, sendChange, soon, type Command } from './send-change.ts';
import { visitNow } from './waiting-in-visit.ts';

/** One step back of one person at one visit. */
export interface Undo {
  key: string;
  personId: string;
  visitId: string;
  /** What was done: “Step: hands”. */
  text: string;
  way: WayBack;
}

/** So many steps back are remembered. */
const MOST = 100;

type Ways = typeof import('@eclat/contract/way-back');
let ways: Ways | null = null;
/** Loaded with the frame of a visit: the bench does without it. */
export const loadWaysBack = async (): Promise<Ways> => (ways ??= await import('@eclat/contract/way-back'));

const state = useAppState.getState;
const stack = (change: (undos: readonly Undo[]) => Undo[]): void => state().set({ undos: change(state().undos) });

/** The last of this person here that can be taken back. */
export const lastOf = (undos: readonly Undo[], visitId: string | undefined, personId: string): Undo | undefined =>
  undos.findLast((u) => u.visitId === visitId && u.personId === personId);

/**
 * A change was made: how it is taken back is remembered.
 * @param before the visit as it stood when it was sent
 * @returns takes this one back; undefined where it is final
 */
export function remember(
  queries: QueryClient,
  { before, behind, route, command, reply, what, personId }: Made,
): (() => void) | undefined {
  const { method, path } = route;
  const params = command.params as Record<string, string>;
  const visitId = params['visitId'];
  if (!before || !ways || visitId === undefined) return undefined;
  const way = ways.wayBack(before, { method, path, params, body: command.body, reply });
  if (!way) return undefined;
  const text = way.name === '' || way.name === what ? what : `${what}: ${way.name}`;
  const last = lastOf(state().undos, visitId, personId)?.way;
  const undo = { key: newId(), personId, visitId, text, way: behind && last ? sinceLast(way, last) : way };
  stack((undos) => [...undos, undo].slice(-MOST));
  return () => void takeBack(queries, undo.key);
}
interface Made {
  before: Visit | undefined;
  /** What was on screen then was behind what the server had. */
  behind: boolean;
  route: RouteRef;
  command: Command<RouteRef>;
  reply: unknown;
  what: string;
  personId: string;
}

/** Two changes of the same in a breath: the second goes back to what the first left, though it was not yet seen. */
function sinceLast(way: WayBack, last: WayBack): WayBack {
  const isSame = way.route === way.of.route && JSON.stringify(way.of) === JSON.stringify(last.of);
  if (!isSame || !last.left || !way.body) return way;
  return { ...way, body: { ...way.body, ...pick(last.left, Object.keys(way.body)) } };
}
const pick = (from: Readonly<Record<string, unknown>>, names: readonly string[]) =>
  Object.fromEntries(names.filter((n) => n in from).map((n) => [n, from[n]]));

const routeNamed = (name: string): RouteRef => {
  const [feature, command] = name.split('.') as [string, string];
  return (api as unknown as Record<string, Record<string, RouteRef>>)[feature]![command]!;
};

async function make(queries: QueryClient, name: string, command: Command<RouteRef>, what: string): Promise<unknown> {
  const route = routeNamed(name);
  const reply = await sendChange(queries, route, command, { what });
  if (!(reply instanceof Kept)) afterCommand(queries, route, command.params, reply);
  return answerOf(reply);
}

/** Takes one change back, as long as nobody changed it since and nothing depends on it. */
export async function takeBack(queries: QueryClient, key: string): Promise<void> {
  const undo = state().undos.find((u) => u.key === key);
  if (!undo) return;
  const { visitId, text, way } = undo;
  const not = (why: string) => say(`Not undone. ${text}: ${why}`, 'danger');
  const rules = await loadWaysBack().catch(() => null);
  if (!rules) return not('the server is away.');
  const { inTheWayOf, toSend, renamedIn } = rules;
  stack((undos) => undos.filter((u) => u.key !== key));
  state().set({ notice: null });
  // What the last answer did not tell is asked for first; of the server alone: a copy may be older than what is here.
  const fresh = await soon(call(api.visit.get, { params: { visitId } }));
  if (fresh) queries.setQueryData(visitQuery(visitId).queryKey, fresh);
  const visit = visitNow(queries, visitId);
  if (!visit) return not('the server is away.');
  const trouble = inTheWayOf(visit, way);
  if (trouble) return not(trouble);
  try {
    const { route, params, body } = toSend(visit, way);
    const answer = await make(queries, route, { params, ...(body ? { body } : {}) }, text);
    const id = (answer as { id?: string } | undefined)?.id;
    if (id !== undefined)
      for (const next of way.then ?? [])
        await make(queries, next.route, { params: { visitId, [next.param]: id }, body: next.body }, text);
    const was = way.left === null ? Object.values(way.of.params).at(-1) : undefined;
    if (id !== undefined && was !== undefined && was !== id && was !== visitId)
      stack((undos) => undos.map((u) => ({ ...u, way: renamedIn(u.way, was, id) })));
    state().set({ undone: way });
    say(`Undone. ${text}.`);
  } catch (error) {
    if (!(error instanceof Refusal)) throw error;
    not(error.problem.type === 'urn:eclat:lost-race' ? 'it was changed since.' : whyOf(error));
  }
}
