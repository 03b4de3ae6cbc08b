import {
  MOST_CARRIED,
  travelledEntries,
  type CarriedBook,
  type MovementBook,
  type TravelledEntry,
} from '@eclat/contract';
import { hashesIn } from '../movements/books-named.ts';
import { bookEntries } from '../movements/history.service.ts';
import { bookAndRecord, recordOf } from '../movements/record.service.ts';
import { linksOf, movementNamed } from '../movements/signed.ts';
import type { Context } from '../platform/http/context.ts';
import { badField } from '../platform/http/problems.ts';

/** One reply stays below what a book may have as a file. */
const MOST_BYTES = 12_000_000;

/** By what another shop may know a book of this one: its entries, also as they came in, and ids of its movement. */
export async function namesOf(ctx: Context, movementId: string): Promise<{ ids: string[]; have: string[] }> {
  const entries = await bookEntries(ctx, movementId);
  const ids = entries.flatMap((e) => [e.movementId, movementNamed(e) ?? e.movementId]);
  const have = entries.flatMap((e) => [e.hash, linksOf(e).was ?? e.hash]);
  return { ids: [...new Set([movementId, ...ids])], have: hashesIn(have) };
}

/** What a book has beyond these entries; what is too much for once is counted in `more`. */
export async function carriedBeyond(ctx: Context, movementId: string, have: readonly string[]): Promise<CarriedBook> {
  const { record } = await bookAndRecord(ctx, movementId);
  const had = new Set(have);
  const missing = record.entries.filter((e) => !had.has(e.hash));
  const going: TravelledEntry[] = [];
  let bytes = 0;
  for (const e of missing.slice(0, MOST_CARRIED)) {
    bytes += JSON.stringify(e).length;
    if (going.length > 0 && bytes > MOST_BYTES) break;
    going.push(e);
  }
  const hashes = new Set(going.map((e) => e.hash));
  const logs = (record.logs ?? []).map((l) => ({ ...l, places: l.places.filter((p) => hashes.has(p.hash)) }));
  return {
    movement: record.movement,
    entries: going.map((e) => ({ ...e, amends: e.amends === null ? null : record.entries[e.amends]!.hash })),
    logs: logs.filter((l) => l.places.length > 0),
    more: missing.length - going.length,
  };
}

/**
 * What came from another shop, as a record of which each amendment names a place in the list: an entry of this book is
 * put before what amends it.
 * @param into the book here; null: none yet
 * @throws 422 where something is amended that is neither there nor here
 */
export async function asRecord(ctx: Context, into: string | null, carried: CarriedBook): Promise<MovementBook> {
  const here = new Map<string, TravelledEntry>();
  for (const e of into === null ? [] : (await recordOf(ctx, into)).entries) {
    here.set(e.hash, e);
    const { was } = linksOf({ jws: e.signed ?? null });
    if (was) here.set(was, e);
  }
  const history: TravelledEntry[] = [];
  const placeOf = (hash: string): number => {
    const there = history.findIndex((e) => e.hash === hash || e === here.get(hash));
    const own = here.get(hash);
    return there >= 0 || !own ? there : history.push(own) - 1;
  };
  for (const e of carried.entries) {
    const amends = e.amends === null ? null : placeOf(e.amends);
    if (amends === -1) throw badField('entries', `“${e.title}” amends an entry that did not come with it.`);
    history.push({ ...e, amends });
  }
  const entries = travelledEntries.safeParse(history);
  if (!entries.success) throw badField('entries', entries.error.issues[0]!.message);
  return {
    ...{ format: 'eclat-movement-book', version: 1, movement: carried.movement },
    entries: entries.data,
    logs: carried.logs,
  };
}
