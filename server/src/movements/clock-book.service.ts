import type { ClockBook } from '@eclat/contract';
import type { EntityManager } from '@mikro-orm/postgresql';
import { findOrRefuse, type Context } from '../platform/http/context.ts';
import { sql } from '../platform/http/app-context.ts';
import { shopDay } from '../people/shop.service.ts';
import { HistoryEntry } from './history.entity.ts';
import { bookEntries, viewEntry } from './history.service.ts';
import { keysOf } from './keys.ts';
import { placesOf } from './log.service.ts';
import { Clock, ClockMovement } from './movements.entity.ts';
import { photosAway } from './photos-of.ts';
import { proofsOf } from './proof.ts';

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

/** Movements whose books have an entry of this clock. A visit that was signed before entries named it says it. */
const WITH_ENTRIES = `select distinct coalesce(m.merged_into, m.id) as id from history_entry e
  join movement m on m.id = e.movement_id left join visit v on v.id = e.visit_id
  where coalesce(e.clock_id, v.clock_id) = ? order by id`;

/**
 * Entries of this clock, each proved in the book in which it stands. What somebody unknown says of a clock counts where
 * this shop has had that movement in it: else any record could write into any clock.
 */
async function entriesOf(ctx: Context, clockId: string) {
  const visits = await sql<{ id: string }>(ctx.em, 'select id from visit where clock_id = ?', [clockId]);
  const ofVisits = new Set(visits.map((v) => v.id));
  const isOf = (e: HistoryEntry) => (e.clockId ?? (ofVisits.has(e.visitId ?? '') ? clockId : null)) === clockId;
  const noted = new Set((await ctx.em.find(ClockMovement, { clockId })).map((m) => m.movementId));
  const keys = await keysOf(ctx.em);
  const found: ClockBook['entries'] = [];
  const rows: HistoryEntry[] = [];
  for (const { id: movementId } of await sql<{ id: string }>(ctx.em, WITH_ENTRIES, [clockId])) {
    const book = await bookEntries(ctx, movementId);
    const proofs = await proofsOf(book, keys);
    const places = await placesOf(ctx.em, book);
    const counts = (e: HistoryEntry) => noted.has(movementId) || proofs.get(e.id)!.proof === 'proved';
    const mine = new Set(book.filter((e) => isOf(e) && counts(e)).map((e) => e.id));
    for (const e of book.filter((b) => mine.has(b.id) || mine.has(b.amends ?? ''))) {
      rows.push(e);
      found.push({ ...viewEntry(e, proofs.get(e.id)!, places.get(e.hash)), movementId });
    }
  }
  return { found, away: await photosAway(ctx.em, rows) };
}

/** A movement counts from the first entry that names this clock to the last, or as long as this shop had noted it. */
async function staysOf(ctx: Context, clockId: string, entries: ClockBook['entries']): Promise<ClockBook['stays']> {
  const noted = await sql<{ movementId: string; since: string; until: string | null }>(
    ctx.em,
    `select coalesce(m.merged_into, m.id) as "movementId", cm.since, cm.until from clock_movement cm
      join movement m on m.id = cm.movement_id where cm.clock_id = ?`,
    [clockId],
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
    [`{${[...days.keys()].join(',')}}`],
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
  const { id, description } = await findOrRefuse(ctx, Clock, { id: clockId }, 'clock');
  const { found: entries, away } = await entriesOf(ctx, clockId);
  const [here] = await sql<{ visitId: string; claim: string }>(
    ctx.em,
    'select id as "visitId", claim from visit where clock_id = ? and closed_at is null',
    [clockId],
  );
  return {
    clock: { id, description },
    stays: await staysOf(ctx, clockId, entries),
    entries,
    photosAway: away,
    inTheShop: here ?? null,
  };
}
