import type { BookLog, Entry, KeyChange, SaidOfChange, TravelledEntry } from '@eclat/contract';
import { grown, isConsistent, isIncluded, Log, logTroubles, rootOf, type Hash } from '@eclat/core/proof';
import type { EntityManager } from '@mikro-orm/postgresql';
import { sql } from '../platform/http/app-context.ts';
import type { Context } from '../platform/http/context.ts';
import { badField } from '../platform/http/problems.ts';
import { digest } from '../platform/sha256.ts';
import { HistoryEntry } from './history.entity.ts';
import { keysOf, type Keys, type SigningKey } from './keys.ts';
import { changesTo, changeWarnings, endOf, keepChanges, readChanges } from './key-change.ts';
import { LogEntry, LogHead, LogPlace, SeenHead } from './log.entity.ts';
import { readHead, readSigned, signHead } from './signed.ts';

const hash: Hash = digest;
const bytes = (hex: string) => new Uint8Array(Buffer.from(hex, 'hex'));
const hex = (of: Uint8Array) => Buffer.from(of).toString('hex');

/** One writer of the log at a time, on however many servers. */
const LOG_LOCK = 6_438_008;

/**
 * Puts an entry of this shop into the log of its key, and signs the new head over it. A log that is empty takes first
 * what the key had signed before there was one.
 */
export async function logEntry(
  em: EntityManager,
  key: SigningKey,
  entry: Pick<HistoryEntry, 'hash' | 'movementId'>,
  { now, shop }: { now: Date; shop: string },
): Promise<NonNullable<Entry['log']>> {
  await sql(em, 'select pg_advisory_xact_lock(?)', [LOG_LOCK]);
  const { kid } = key;
  const [last] = await em.find(LogHead, { kid }, { orderBy: { size: 'desc' }, limit: 1 });
  let size = last?.size ?? 0;
  let peaks: Uint8Array[] = (last?.peaks ?? []).map(bytes);
  const grow = (of: string) => {
    peaks = grown(hash, size, peaks, bytes(of));
    size++;
  };
  // What no head covers, where one was lost: the log itself goes on.
  for (const of of await hashesFrom(em, kid, size)) grow(of);
  const before = size > 0 ? [] : await signedBefore(em, kid, entry.hash);
  for (const { hash: of, movementId } of [...before, entry]) {
    em.create(LogEntry, { kid, number: size, hash: of, movementId });
    grow(of);
  }
  const root = hex(rootOf(hash, peaks));
  const at = now.toISOString();
  const { jws } = await signHead(key, { format: 'eclat-log-head', version: 1, shop, key: kid, size, root, at });
  em.create(LogHead, { kid, size, root, peaks: peaks.map(hex), jws, at: now, givenAt: null });
  await em.flush();
  // A head that never left the shop holds it to nothing that the newest does not.
  await sql(em, 'delete from log_head where kid = ? and size < ? and given_at is null', [kid, size]);
  return { number: size - 1, size };
}

/** Hashes of a log in their order, from this number on. */
async function hashesFrom(em: EntityManager, kid: string, number: number): Promise<string[]> {
  const rows = await sql<{ hash: string }>(
    em,
    'select hash from log_entry where kid = ? and number >= ? order by number',
    [kid, number],
  );
  return rows.map((r) => r.hash);
}

async function signedBefore(em: EntityManager, kid: string, but: string) {
  const rows = await em.find(
    HistoryEntry,
    { jws: { $ne: null }, hash: { $ne: but } },
    { orderBy: { writtenAt: 'asc', hash: 'asc' } },
  );
  const own: HistoryEntry[] = [];
  for (const row of rows) if ((await readSigned(row.jws!))?.kid === kid) own.push(row);
  return own;
}

/** Where the entries of a book stand in the logs of their keys, by hash: those that a signed head covers. */
export async function placesOf(em: EntityManager, entries: readonly HistoryEntry[]) {
  const hashes = entries.map((e) => e.hash);
  const places = new Map<string, NonNullable<Entry['log']>>();
  const own = await sql<{ hash: string; number: number; size: number }>(
    em,
    'select e.hash, e.number, max(h.size) as size from log_entry e join log_head h on h.kid = e.kid ' +
      'where e.hash = any(?) and h.size > e.number group by 1, 2',
    [`{${hashes.join(',')}}`],
  );
  for (const { hash: of, number, size } of own) places.set(of, { number, size });
  for (const place of await em.find(LogPlace, { hash: hashes })) {
    // Of its own log this shop has the newest head itself.
    if (places.has(place.hash)) continue;
    const seen = await em.findOne(SeenHead, { kid: place.kid, size: place.size, root: place.root });
    const head = seen && (await readHead(seen.jws));
    if (head && holds(head, place)) places.set(place.hash, { number: place.number, size: head.size });
  }
  return places;
}

/** Sixteen figures of a hash are enough to tell two apart, and few enough for a slip. */
const SHORT = 16;

/**
 * An entry and the head of the log over it, short enough for a slip: from then on this shop is held to that head. Null:
 * no head covers it.
 */
export async function shortProof(em: EntityManager, entryId: string, now: Date): Promise<string | null> {
  const [found] = await sql<{ hash: string; kid: string; number: number; size: number; root: string }>(
    em,
    'select l.hash, l.kid, l.number, h.size, h.root from history_entry e join log_entry l on l.hash = e.hash ' +
      'join log_head h on h.kid = l.kid and h.size > l.number where e.id = ? order by h.size desc limit 1',
    [entryId],
  );
  if (!found) return null;
  const { hash: of, kid, number, size, root } = found;
  await headGiven(em, kid, size, now);
  return `Entry ${of.slice(0, SHORT)}, number ${number + 1} of ${size}, root ${root.slice(0, SHORT)}`;
}

const headGiven = (em: EntityManager, kid: string, size: number, now: Date) =>
  sql(em, 'update log_head set given_at = ? where kid = ? and size = ? and given_at is null', [now, kid, size]);

/** Numbers, from 1, of entries that the log has in these movements and no book has any more. */
export async function goneFrom(em: EntityManager, movementIds: readonly string[]): Promise<number[]> {
  const gone = await sql<{ number: number }>(
    em,
    'select number from log_entry l where movement_id = any(?) ' +
      'and not exists (select from history_entry e where e.hash = l.hash) order by number',
    [`{${movementIds.join(',')}}`],
  );
  return gone.map((g) => g.number + 1);
}

type Place = BookLog['places'][number];
const holds = (head: { size: number; root: string }, { hash: of, number, path }: Place) =>
  isIncluded(hash, bytes(of), number, { size: head.size, root: bytes(head.root) }, path.map(bytes));

const MOST_SINCE = 20;

/** Logs of the keys that signed a book, as they go with its file. From then on this shop is held to its head. */
export async function logsOf(em: EntityManager, hashes: string[], now: Date): Promise<BookLog[]> {
  const logs: BookLog[] = [];
  const own = await em.find(LogEntry, { hash: hashes }, { orderBy: { number: 'asc' } });
  for (const kid of new Set(own.map((e) => e.kid))) {
    const all = await hashesFrom(em, kid, 0);
    const [head] = await em.find(LogHead, { kid }, { orderBy: { size: 'desc' }, limit: 1 });
    // A log that does not stand by its head proves nothing: the check of the store says so.
    if (!head || all.length !== head.size) continue;
    const log = new Log(hash, all.map(bytes));
    const given = await em.find(
      LogHead,
      { kid, size: { $lt: head.size }, givenAt: { $ne: null } },
      { orderBy: { size: 'desc' }, limit: MOST_SINCE },
    );
    logs.push({
      ...(await handedOn(em, kid)),
      head: head.jws,
      places: own
        .filter((e) => e.kid === kid)
        .map((e) => ({ hash: e.hash, number: e.number, path: log.inclusion(e.number).map(hex) })),
      since: given.map(({ size }) => ({ size, path: log.consistency(size).map(hex) })),
    });
    await headGiven(em, kid, head.size, now);
  }
  const places = await em.find(LogPlace, { hash: hashes });
  for (const seen of await em.find(SeenHead, { kid: places.map((p) => p.kid) })) {
    const under = places.filter((p) => p.kid === seen.kid && p.size === seen.size && p.root === seen.root);
    if (under.length === 0) continue;
    logs.push({
      ...(await handedOn(em, seen.kid)),
      head: seen.jws,
      places: under.map(({ hash: of, number, path }) => ({ hash: of, number, path })),
      since: [],
    });
  }
  return logs;
}

/** How a key came to sign, where it took over from another. */
async function handedOn(em: EntityManager, kid: string): Promise<Pick<BookLog, 'changes'>> {
  const changes = await changesTo(em, kid);
  return changes.length > 0 ? { changes } : {};
}

interface ReadLog extends Omit<BookLog, 'changes'> {
  chain: readonly KeyChange[];
  changes: readonly SaidOfChange[];
  said: NonNullable<Awaited<ReturnType<typeof readHead>>>;
}

/**
 * Reads the logs of a file and holds its entries against them.
 * @throws 422 where a head is not signed, or an entry is not where the file says
 */
export async function readLogs(logs: readonly BookLog[], history: readonly TravelledEntry[]): Promise<ReadLog[]> {
  const signers = new Map<string, string>();
  for (const e of history) if (e.signed) signers.set(e.hash, (await readSigned(e.signed))?.kid ?? '');
  const all: ReadLog[] = [];
  for (const log of logs) {
    const said = await readHead(log.head);
    const stands = (p: Place) => said !== null && holds(said, p) && signers.get(p.hash) === said.key;
    const { changes: chain = [], ...rest } = log;
    const changes = said && (await readChanges(chain, said.key));
    if (!said || !changes || !log.places.every(stands))
      throw badField(
        'movement.history',
        'The log in this file is not valid: it was changed after it was signed. Ask for the file again where it ' +
          'comes from.',
      );
    all.push({ ...rest, said, chain, changes });
  }
  return all;
}

/** What a log that is shown now says against one that was seen before: it must begin with it. */
export async function logWarnings(em: EntityManager, logs: readonly ReadLog[], keys: Keys): Promise<string[]> {
  const { own } = keys;
  const words = await changeWarnings(em, logs, keys);
  for (const { said, since } of logs) {
    if (own.has(said.key)) continue;
    for (const seen of await em.find(SeenHead, { kid: said.key }, { orderBy: { size: 'asc' } })) {
      if (!contradicts(seen, said, since)) continue;
      words.push(
        `The log of ${said.shop} is not the one that it showed before: with ${seen.size} entries it was another. ` +
          'Something in it was rewritten, or an old backup was put back. Ask there before you rely on it.',
      );
      break;
    }
  }
  return words;
}

function contradicts(seen: SeenHead, said: ReadLog['said'], since: BookLog['since']): boolean {
  if (seen.size === said.size) return seen.root !== said.root;
  const proof = since.find((s) => s.size === seen.size);
  // Of a size that the file says nothing of, nothing is known.
  if (!proof || seen.size > said.size) return false;
  const [older, newer] = [seen, said].map((h) => ({ size: h.size, root: bytes(h.root) }));
  return !isConsistent(hash, older!, newer!, proof.path.map(bytes));
}

/** Keeps the heads that came with a file, and where its entries stand under them. */
export async function keepLogs(ctx: Context, logs: readonly ReadLog[], cameIn: string): Promise<void> {
  const keys = await keysOf(ctx.em);
  for (const log of logs) {
    const { said, head, places } = log;
    await keepChanges(ctx, log, keys);
    const { key: kid, size, root, shop } = said;
    await sql(
      ctx.em,
      'insert into seen_head (kid, size, root, shop, jws, at, came_in) values (?, ?, ?, ?, ?, ?, ?) ' +
        'on conflict do nothing',
      [kid, size, root, shop, head, ctx.now, cameIn],
    );
    for (const { hash: of, number, path } of places)
      await sql(
        ctx.em,
        'insert into log_place (hash, kid, size, root, number, path) values (?, ?, ?, ?, ?, ?::jsonb) ' +
          'on conflict (hash) do update set size = excluded.size, root = excluded.root, path = excluded.path ' +
          'where log_place.size < excluded.size',
        [of, kid, size, root, number, JSON.stringify(path)],
      );
  }
}

/** What is wrong with the logs of this shop, and with those that others showed. */
export async function troublesOfLogs(em: EntityManager, { own }: Keys): Promise<string[]> {
  const words: string[] = [];
  const seen = await em.find(SeenHead, {});
  for (const kid of own) {
    const heads: { size: number; root: string }[] = [];
    for (const h of await em.find(LogHead, { kid })) {
      const said = await readHead(h.jws);
      if (said?.size === h.size && said.root === h.root && said.key === kid) heads.push(said);
      else words.push(`The head of this shop’s log at ${h.size} entries is not what was signed.`);
    }
    const entries = await sql<{ number: number; hash: string; book: string }>(
      em,
      'select l.number, l.hash, m.code as book from log_entry l left join movement m on m.id = l.movement_id ' +
        'where l.kid = ?',
      [kid],
    );
    const here = await sql<{ hash: string }>(
      em,
      'select e.hash from history_entry e join log_entry l on l.hash = e.hash where l.kid = ?',
      [kid],
    );
    // What was lost with an old backup is settled when the key was changed for it.
    const end = await endOf(em, kid);
    const settled = (h: SeenHead) => end !== null && h.size > end.size && h.at <= end.at;
    const held = [...heads, ...seen.filter((h) => h.kid === kid && !settled(h))];
    words.push(...logTroubles(hash, entries, held, new Set(here.map((e) => e.hash))));
  }
  const others = seen.filter((h) => !own.has(h.kid));
  for (const h of others)
    if (others.some((o) => o.kid === h.kid && o.size === h.size && o.root < h.root))
      words.push(`The log of ${h.shop} was shown in two ways with ${h.size} entries: it was rewritten.`);
  return words;
}
