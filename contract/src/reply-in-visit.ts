import { visitFacts } from '@eclat/core/visit';
import { nextAction } from '@eclat/core/workflow';
import type { InVisit, RouteRef } from './route.ts';
import type { Visit } from './visit.ts';

type Part = Record<string, unknown>;
type Row = Record<string, unknown>;

type Params = Readonly<Record<string, string>>;

/**
 * The visit with the reply of a command in its place, as the route declares it. What is next is not reckoned anew.
 * @returns null where the declaration names no place
 */
export function putReply(
  visit: Visit,
  { visit: place }: Pick<RouteRef, 'visit'>,
  params: Params,
  reply: unknown,
): Visit | null {
  if (place === undefined || place === 'again') return null;
  const path = ('put' in place ? place.put : place.remove).split('.').filter(Boolean);
  return at(visit, path, (part) => placed(part, place, params, reply)) as unknown as Visit;
}

/** A visit that changed, with what is next. @param now ms since 1970 */
export const withNext = (visit: Visit, now: number): Visit => ({
  ...visit,
  next: nextAction(visitFacts(visit, now), now),
});

/**
 * The same with what is next then.
 * @returns null where the declaration names no place; `again`: more of the visit changed than the reply tells
 * @param now ms since 1970, for its next action
 */
export function replyInVisit(
  visit: Visit,
  route: Pick<RouteRef, 'visit'>,
  params: Params,
  reply: unknown,
  now: number,
): { visit: Visit; again: boolean } | null {
  const changed = putReply(visit, route, params, reply);
  const again = typeof route.visit === 'object' && (route.visit.again ?? false);
  return changed && { visit: withNext(changed, now), again };
}

/** A copy of a tree in which one part is another. */
function at(tree: Part, path: readonly string[], change: (part: unknown) => unknown): Part {
  const [name, ...rest] = path;
  if (name === undefined) return change(tree) as Part;
  return { ...tree, [name]: rest.length === 0 ? change(tree[name]) : at(tree[name] as Part, rest, change) };
}

function placed(
  part: unknown,
  place: Exclude<InVisit, 'again'>,
  params: Readonly<Record<string, string>>,
  reply: unknown,
): unknown {
  if (place.by === undefined) return reply;
  const { by } = place;
  const rows = part as Row[];
  if ('remove' in place) return rows.filter((row) => String(row[by]) !== params[place.param]);
  const row = reply as Row;
  const changed = rows.some((r) => r[by] === row[by]) ? rows.map((r) => (r[by] === row[by] ? row : r)) : [...rows, row];
  const { sort } = place;
  return sort === undefined ? changed : changed.toSorted((a, b) => String(a[sort]).localeCompare(String(b[sort])));
}
