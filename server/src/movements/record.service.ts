import {
  travelledEntry,
  type api,
  type Book,
  type BookLog,
  type MovementBook,
  type ParsedBodyOf,
  type ReplyOf,
  type SignedEntry,
  type TravelledEntry,
} from '@eclat/contract';
import { canonical } from '@eclat/core/history';
import { clockOf } from '@eclat/core/record';
import { theShop } from '../people/shop.service.ts';
import { sql } from '../platform/http/app-context.ts';
import { badField } from '../platform/http/problems.ts';
import type { Context } from '../platform/http/context.ts';
import { booksNamed, hashesIn } from './books-named.ts';
import { plainName } from './plain-name.ts';
import { bookEntries, keepEntry, mayWrite, writeEntry } from './history.service.ts';
import { Clock } from './movements.entity.ts';
import { movementBook, movementNow } from './movements.service.ts';
import { keysOf } from './keys.ts';
import { keepLogs, logsOf, logWarnings, readLogs } from './log.service.ts';
import { photosAway } from './photos-of.ts';
import { plainOf, proofBy } from './proof.ts';
import { linksOf, readSigned } from './signed.ts';

/**
 * The book as a file. An amendment says which entry of the list it amends. What was changed
 * does not go along, nor an amendment of what is gone.
 */
export const recordOf = async (ctx: Context, movementId: string): Promise<MovementBook> =>
  (await bookAndRecord(ctx, movementId)).record;

/** The book as it is shown here, of what stands as it was signed, and as it travels. */
export async function bookAndRecord(ctx: Context, movementId: string): Promise<{ book: Book; record: MovementBook }> {
  const shownHere = await movementBook(ctx, movementId);
  const { movement, entries: shown } = shownHere;
  const { id, code, name, familyId, maker, marks } = movement;
  const signed = new Map((await bookEntries(ctx, movement.id)).map((e) => [e.id, e.jws]));
  const whole = shown.filter((e) => e.proof !== 'changed');
  const entries = whole.filter((e) => e.amends === null || whole.some((of) => of.id === e.amends));
  const record: MovementBook = {
    format: 'eclat-movement-book',
    version: 1,
    movement: { id, code, name, familyId, maker, marks },
    logs: await logsOf(
      ctx.em,
      entries.map((e) => e.hash),
      ctx.now,
    ),
    entries: entries.map(
      ({ id: own, kind, date, title, text, place, shop, signedBy, record, amends, hash, writtenAt }) => ({
        ...{ kind, date, title, text, place, shop, signedBy, record },
        amends: amends === null ? null : entries.findIndex((e) => e.id === amends),
        ...{ hash, writtenAt },
        ...(signed.get(own) ? { signed: signed.get(own)! } : {}),
      }),
    ),
  };
  return { book: { ...shownHere, entries }, record };
}

/** What a file says of an entry, and what was signed of it. */
interface Read {
  given: TravelledEntry;
  signed: { said: SignedEntry; hash: string; jws: string } | null;
}

/**
 * Reads what was signed of each, and holds what stands beside it against it.
 * @throws 422 that names each that is not what was signed
 */
async function readAll(history: readonly TravelledEntry[]): Promise<Read[]> {
  const broken: string[] = [];
  const all: Read[] = [];
  for (const given of history) {
    const read = given.signed === undefined ? null : await readSigned(given.signed);
    const amended = given.amends === null ? null : history[given.amends]!;
    if (given.signed !== undefined && !(read && saysTheSame(given, read, amended))) broken.push(given.title);
    all.push({ given, signed: read && { said: read.said, hash: read.hash, jws: given.signed! } });
  }
  if (broken.length > 0)
    throw badField(
      'movement.history',
      `Not what was signed: ${broken.map((title) => `“${title}”`).join(', ')}. This file was changed after it was ` +
        'made. Ask for it again where it comes from.',
    );
  return all;
}

function saysTheSame(
  given: TravelledEntry,
  { said, hash }: { said: SignedEntry; hash: string },
  amended: TravelledEntry | null,
) {
  const { amends: _index, signed: _jws, ...plain } = given;
  const { amends, ...of } = plainOf(said);
  const names = amended && [amended.hash, linksOf({ jws: amended.signed ?? null }).was];
  if (names ? !names.includes(amends) : amends !== null) return false;
  const shape = travelledEntry.safeParse({ ...of, amends: null, hash });
  if (!shape.success) return false;
  const { amends: _none, ...signed } = shape.data;
  return canonical(signed) === canonical(plain);
}

const TAKE_OVER_LOCK = 6_438_007;

interface Here {
  id: string;
  code: string;
  /** Id of the book that it stands in. */
  book: string;
  hash: string;
  /** The hash that it had in the file that it came in, unsigned. */
  was: string | null;
}

/**
 * Which entries of a file stand in this book already: their ids, by their place in the file. No entry stands in two
 * books, and nobody brings in unsigned work of this very shop: what it did stands in its own.
 * @param into id of the book; null for one that begins with this file
 * @throws 422 with the code of the book where such an entry stands, or that it stands in none
 */
async function standingIn(
  ctx: Context,
  history: readonly Read[],
  into: string | null,
): Promise<readonly (string | null)[]> {
  const { name } = await theShop(ctx);
  const hashes = `{${hashesIn(history.map((e) => e.given.hash)).join(',')}}`;
  const known = await sql<Here>(
    ctx.em,
    `select e.id, m.code, coalesce(m.merged_into, m.id) as book, e.hash, e.taken_over->>'hash' as was
      from history_entry e join movement m on m.id = e.movement_id
      where e.hash = any(?) or e.taken_over->>'hash' = any(?)`,
    [hashes, hashes],
  );
  return history.map(({ given, signed }) => {
    const stands = known.find((k) => k.hash === given.hash);
    const asItCame = signed ? undefined : known.find((k) => k.was === given.hash && k.book === into);
    const here = stands?.book === into ? stands : asItCame;
    if (here) return here.id;
    const ours = plainName(given.shop) === plainName(name);
    if (!signed && !ours) return null;
    if (stands)
      throw badField(
        'movement.history',
        `“${given.title}” stands in the book of ${stands.code} here: bring the record into that book instead.`,
      );
    if (signed) return null;
    throw badField(
      'movement.history',
      `“${given.title}” carries the name of this shop, unsigned, and stands in none of its books. Take the clock ` +
        'in without it.',
    );
  });
}

type Checked = ReplyOf<typeof api.movements.checkRecord>;

/** The book here that a record is of: an entry of it stands there, or was written on one that does, or names its id. */
async function bookOfRecord(ctx: Context, history: readonly Read[]): Promise<Checked['book']> {
  const [id, ...others] = await booksNamed(ctx.em, {
    ids: history.flatMap(({ signed }) => (signed ? [signed.said.movement.id] : [])),
    have: history.flatMap(({ given, signed }) => [given.hash, ...(signed?.said.parents ?? [])]),
  });
  if (id === undefined || others.length > 0) return null;
  const { code, name } = await movementNow(ctx, id);
  return { id, code, name };
}

/** Whether one of these names an entry of this book as one that it was written on. */
async function writtenOn(ctx: Context, into: string | null, history: readonly Read[]): Promise<boolean> {
  const book = new Set(into === null ? [] : (await bookEntries(ctx, into)).map((e) => e.hash));
  return history.some(({ signed }) => signed?.said.parents.some((hash) => book.has(hash)));
}

/**
 * How the entries of a file would stand here.
 * @throws 422 as taking them in would
 */
export async function checkRecord(
  ctx: Context,
  { history, logs, movementId }: ParsedBodyOf<typeof api.movements.checkRecord>,
): Promise<Checked> {
  const all = await readAll(history);
  const read = await readLogs(logs, history);
  const book = movementId === undefined ? await bookOfRecord(ctx, all) : null;
  const into = movementId === undefined ? (book?.id ?? null) : (await movementNow(ctx, movementId)).id;
  const here = await standingIn(ctx, all, into);
  const keys = await keysOf(
    ctx.em,
    read.flatMap((l) => l.changes),
  );
  return {
    proofs: all.map(({ signed }) => (signed ? proofBy(signed.said, keys) : 'unsigned')),
    here: here.map((id) => id !== null),
    book,
    joins: here.some((id) => id !== null) || (await writtenOn(ctx, into, all)),
    log: await logWarnings(ctx.em, read, keys),
    photosAway: await photosAway(
      ctx.em,
      all.map(({ signed }) => signed ?? {}),
    ),
  };
}

/**
 * The clock that the latest entry of a record is of, so that its history goes on here. Null where none says it, or
 * where a clock of that name is here already: only the person who sees both can tell that they are one.
 */
export async function clockInRecord(ctx: Context, history: readonly TravelledEntry[]): Promise<string | null> {
  const signed = (await readAll(history)).flatMap((e) => (e.signed ? [e.signed.said] : []));
  const latest = signed
    .filter((said) => clockOf(said.sections) !== null)
    .sort((a, b) => (a.writtenAt < b.writtenAt ? 1 : -1))[0];
  const id = latest ? clockOf(latest.sections) : null;
  return id !== null && (await ctx.em.count(Clock, { id })) === 0 ? id : null;
}

/** What a file brought. */
interface Brought {
  history: readonly TravelledEntry[];
  logs: readonly BookLog[];
  historyFrom: string;
}

/**
 * Entries that came with the movement, or later into its book: those that stand in it already are passed over, so that
 * the same file may come in twice, and two books join to one set. What was signed stays as it was signed, byte for
 * byte; what was not is signed here as what the file says. Whoever takes them in answers for it.
 */
export async function takeOver(
  ctx: Context,
  movementId: string,
  { history, logs, historyFrom: from }: Brought,
): Promise<void> {
  if (history.length === 0) return;
  mayWrite(ctx);
  const all = await readAll(history);
  const read = await readLogs(logs, history);
  // One file after another: of two that bring the same, the second is told where it stands.
  await sql(ctx.em, 'select pg_advisory_xact_lock(?)', [TAKE_OVER_LOCK]);
  const here = await standingIn(ctx, all, movementId);
  await keepLogs(ctx, read, from);
  const takenOver = { by: ctx.person.name, at: ctx.now.toISOString(), from };
  const written: string[] = [];
  const twice = new Map<string, string>();
  for (const [i, { given, signed }] of all.entries()) {
    const before = here[i] ?? (signed && twice.get(signed.hash));
    if (before) {
      written.push(before);
      continue;
    }
    const amends = given.amends === null ? undefined : written[given.amends];
    const { kind, date, title, text, place, shop, signedBy, record } = given;
    const entry = signed
      ? await keepEntry(ctx, signed.said, { hash: signed.hash, jws: signed.jws, movementId, amends }, takenOver)
      : await writeEntry(ctx, {
          ...{ movementId, kind, date, title, text, place, shop, signedBy },
          takenOver: { ...takenOver, ...(given.hash ? { hash: given.hash } : {}) },
          ...(record ? { record } : {}),
          ...(amends ? { amends } : {}),
        });
    written.push(entry.id);
    if (signed) twice.set(signed.hash, entry.id);
  }
}

/** Joins a record into the book of its movement. */
export async function bringRecord(ctx: Context, movementId: string, brought: Brought) {
  const { id } = await movementNow(ctx, movementId);
  await takeOver(ctx, id, brought);
  return movementBook(ctx, id);
}
