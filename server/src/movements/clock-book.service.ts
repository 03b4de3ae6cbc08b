import type { ClockBook } from '@eclat/contract';
import type { EntityManager } from '@mikro-orm/postgresql';
import { findOrRefuse, type Context } from '../platform/http/context.ts';
import { sql } from '../platform/http/app-context.ts';
import { shopDay } from '../people/shop.service.ts';
import { HistoryEntry } from './history.entity.ts';
import { bookEntries, viewEntries } from './history.service.ts';
import { keysOf } from './keys.ts';
import { placesOf } from './log.service.ts';
import { Clock, ClockMovement } from './movements.entity.ts';
import { photosAway } from './photos-of.ts';
import { proofsOf } from './proof.ts';
import { allIds, clockBehind, otherClocks } from './same-clock.service.ts';

/** The clock that a movement is in now. */
export async function clockNow(em: EntityManager, movementId: string): Promise<ClockBook['clock'] | null> {
  const [clock] = await sql<ClockBook['clock']>(
    em,
    `select c.id, c.description from clock_movement cm join clock c on c.id = cm.clock_id
      where cm.movement_id = ? and cm.until is null order by cm.since desc limit 1`,
    [movementId],
  );
  return clock ?? null;
}

/**
 * Movements whose books may tell of this clock: those with an entry of it, and those that this shop has had in it. A
 * visit that was signed before entries named a clock says it itself.
 */
const OF_ITS_MOVEMENTS = `select coalesce(m.merged_into, m.id) as id from history_entry e
    join movement m on m.id = e.movement_id left join visit v on v.id = e.visit_id
    where coalesce(e.clock_id, v.clock_id) = any(?)
  union select coalesce(m.merged_into, m.id) from clock_movement cm
    join movement m on m.id = cm.movement_id where cm.clock_id = any(?)
  order by id`;

const pgArray = (ids: readonly string[]): string => `{${ids.join(',')}}`;

/** Of each entry that is of one, the clock: as it says itself, or as the visit here had it. */
async function clocksOf(em: EntityManager, entries: readonly HistoryEntry[]): Promise<Map<string, string>> {
  const ofVisits = new Map(
    (
      await sql<{ id: string; clockId: string }>(em, 'select id, clock_id as "clockId" from visit where id = any(?)', [
        pgArray(entries.flatMap((e) => e.visitId ?? [])),
      ])
    ).map((v) => [v.id, v.clockId]),
  );
  return new Map(
    entries.flatMap((e): [string, string][] => {
      const clock = e.clockId ?? ofVisits.get(e.visitId ?? '');
      return clock ? [[e.id, clock]] : [];
    }),
  );
}

/**
 * Entries of this clock, each proved in the book in which it stands. What somebody unknown says of a clock counts where
 * this shop has had that movement in it: else any record could write into any clock.
 */
async function entriesOf(ctx: Context, ids: string[]) {
  const noted = new Set((await ctx.em.find(ClockMovement, { clockId: ids })).map((m) => m.movementId));
  const keys = await keysOf(ctx.em);
  const found: ClockBook['entries'] = [];
  const rows: HistoryEntry[] = [];
  const visits: { clockId: string; shop: string; date: string }[] = [];
  for (const { id: movementId } of await sql<{ id: string }>(ctx.em, OF_ITS_MOVEMENTS, [pgArray(ids), pgArray(ids)])) {
    const book = await bookEntries(ctx, movementId);
    const proofs = await proofsOf(book, keys);
    const places = await placesOf(ctx.em, book);
    const counts = (e: HistoryEntry) => noted.has(movementId) || proofs.get(e.id)!.proof === 'proved';
    const clocks = await clocksOf(ctx.em, book);
    const mine = new Set(book.filter((e) => ids.includes(clocks.get(e.id) ?? '') && counts(e)).map((e) => e.id));
    for (const e of book)
      if (e.kind === 'visit' && clocks.has(e.id))
        visits.push({ clockId: clocks.get(e.id)!, shop: e.shop, date: e.date });
    const ofTheClock = book.filter((b) => mine.has(b.id) || mine.has(b.amends ?? ''));
    rows.push(...ofTheClock);
    for (const e of viewEntries(ofTheClock, proofs, places)) found.push({ ...e, movementId });
  }
  return { found, visits, away: await photosAway(ctx.em, rows) };
}

/** A movement counts from the first entry that names this clock to the last, or as long as this shop had noted it. */
async function staysOf(ctx: Context, ids: string[], entries: ClockBook['entries']): Promise<ClockBook['stays']> {
  const noted = await sql<{ movementId: string; since: string; until: string | null }>(
    ctx.em,
    `select coalesce(m.merged_into, m.id) as "movementId", cm.since, cm.until from clock_movement cm
      join movement m on m.id = cm.movement_id where cm.clock_id = any(?)`,
    [pgArray(ids)],
  );
  const days = new Map<string, { days: string[]; now: boolean }>();
  const count = (movementId: string, ...of: string[]) => {
    const stay = days.get(movementId) ?? { days: [], now: false };
    days.set(movementId, stay);
    stay.days.push(...of);
    return stay;
  };
  // The date of what is written on a clock is older than its movement may be.
  for (const e of entries) if (e.kind !== 'inscription') count(e.movementId, e.date);
  for (const { movementId, since, until } of noted) {
    const stay = count(movementId, await shopDay(ctx, new Date(since)));
    if (until === null) stay.now = true;
    else stay.days.push(await shopDay(ctx, new Date(until)));
  }
  const movements = await sql<ClockBook['stays'][number]['movement']>(
    ctx.em,
    'select id, code, name from movement where id = any(?)',
    [pgArray([...days.keys()])],
  );
  return movements
    .map((movement) => {
      const { days: of, now } = days.get(movement.id)!;
      const sorted = of.filter((d) => !d.includes('X')).sort();
      return { movement, from: sorted[0] ?? 'XXXX', until: now ? null : (sorted.at(-1) ?? 'XXXX') };
    })
    .sort((a, b) => Number(b.until === null) - Number(a.until === null) || (a.from < b.from ? 1 : -1));
}

/** The clock by itself: what is known of case, dial and glass, whatever movement was in it. */
export async function clockBook(ctx: Context, clockId: string): Promise<ClockBook> {
  const one = await clockBehind(ctx.em, clockId);
  const ids = allIds(one);
  const { id, description } = await findOrRefuse(ctx, Clock, { id: one.id }, 'clock');
  const { found: entries, visits, away } = await entriesOf(ctx, ids);
  const [here] = await sql<{ visitId: string; claim: string }>(
    ctx.em,
    'select id as "visitId", claim from visit where clock_id = any(?) and closed_at is null',
    [pgArray(ids)],
  );
  const named = new Map((await ctx.em.find(Clock, { id: ids })).map((c) => [c.id, c.description]));
  return {
    clock: { id, description },
    stays: await staysOf(ctx, ids, entries),
    entries,
    photosAway: away,
    inTheShop: here ?? null,
    also: one.also.map((c) => ({ ...c, description: named.get(c.id) ?? null })),
    others: await otherClocks(ctx.em, one, visits),
  };
}
