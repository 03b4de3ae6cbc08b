import type { ClockBook } from '@eclat/contract';
import type { EntityManager } from '@mikro-orm/postgresql';
import { findOrRefuse, signature, type Context } from '../platform/http/context.ts';
import { badField } from '../platform/http/problems.ts';
import { sql } from '../platform/http/app-context.ts';
import { Clock, ClockLink } from './movements.entity.ts';

/** One after another: two that cross would lead each clock into the other. */
const LINK_LOCK = 6_438_005;

/** A clock under all its ids: the one that its book is called by, and those that were found to be it. */
export interface OneClock {
  id: string;
  also: readonly { id: string; by: string; at: string }[];
}

/** The clock behind an id, as links lead; by itself where there are none. */
export async function clockBehind(em: EntityManager, id: string): Promise<OneClock> {
  const links = await em.find(ClockLink, { endedAt: null }, { orderBy: { at: 'asc' } });
  const into = new Map(links.map((l) => [l.otherId, l.clockId]));
  const first = (of: string): string => (into.has(of) ? first(into.get(of)!) : of);
  const one = first(id);
  return {
    id: one,
    also: links
      .filter((l) => first(l.otherId) === one)
      .map(({ otherId, by, at }) => ({ id: otherId, by, at: at.toISOString() })),
  };
}

export const allIds = ({ id, also }: OneClock): string[] => [id, ...also.map((c) => c.id)];

/**
 * Another clock is this one: what entries say of either stands in one book.
 * @throws 422 where no entry here knows the other, or both are one already
 */
export async function sameClock(ctx: Context, clockId: string, otherId: string): Promise<void> {
  await sql(ctx.em, 'select pg_advisory_xact_lock(?)', [LINK_LOCK]);
  await findOrRefuse(ctx, Clock, { id: clockId }, 'clock');
  const [one, other] = [await clockBehind(ctx.em, clockId), await clockBehind(ctx.em, otherId)];
  if (one.id === other.id) throw badField('otherId', 'They are the same one already.');
  const [known] = await sql(
    ctx.em,
    'select 1 from clock where id = ? union all select 1 from history_entry where clock_id = ? limit 1',
    [otherId, otherId],
  );
  if (!known) throw badField('otherId', 'No entry here is of such a clock.');
  ctx.em.create(ClockLink, { clockId: one.id, otherId: other.id, endedAt: null, endedBy: null, ...signature(ctx) });
  await ctx.em.flush();
}

/** They are two after all. */
export async function otherClock(ctx: Context, clockId: string, otherId: string): Promise<void> {
  const one = await clockBehind(ctx.em, clockId);
  const ids = allIds(one);
  const link = await findOrRefuse(ctx, ClockLink, { otherId, clockId: ids, endedAt: null }, 'link');
  ctx.em.assign(link, { endedAt: ctx.now, endedBy: ctx.person.name });
  await ctx.em.flush();
}

/**
 * Clocks that are not this one, and of which the books of its movements tell: mostly another case, sometimes the same
 * one under the id of another shop.
 * @param ofMovements clock and shop of each visit in the books of its movements
 */
export async function otherClocks(
  em: EntityManager,
  one: OneClock,
  ofMovements: readonly { clockId: string; shop: string; date: string }[],
): Promise<ClockBook['others']> {
  const ids = new Set(allIds(one));
  const others = new Map<string, { shops: Set<string>; dates: string[] }>();
  for (const { clockId, shop, date } of ofMovements) {
    if (ids.has(clockId)) continue;
    const of = others.get(clockId) ?? { shops: new Set(), dates: [] };
    others.set(clockId, of);
    of.shops.add(shop);
    of.dates.push(date);
  }
  const named = new Map((await em.find(Clock, { id: [...others.keys()] })).map((c) => [c.id, c.description]));
  return [...others].map(([id, { shops, dates }]) => ({
    ...{ id, description: named.get(id) ?? null, shops: [...shops].sort() },
    ...{ from: dates.sort()[0]!, until: dates.at(-1)!, visits: dates.length },
  }));
}
