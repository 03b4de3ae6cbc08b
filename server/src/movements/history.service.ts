import { randomUUID } from 'node:crypto';
import { benchRoles, type Entry, type SignedEntry } from '@eclat/contract';
import { canonical, isEdtf, type ServiceRecord } from '@eclat/core/history';
import { headsOf, parentsFirst } from '@eclat/core/proof';
import { clockOf, type KeptSections } from '@eclat/core/record';
import { findOrRefuse, type Context } from '../platform/http/context.ts';
import { sql } from '../platform/http/app-context.ts';
import { theShop } from '../people/shop.service.ts';
import { HistoryEntry } from './history.entity.ts';
import { signingKey } from './keys.ts';
import { logEntry } from './log.service.ts';
import { RECORD, sectionsSaid, type Proven } from './proof.ts';
import { byName, linksOf, signEntry } from './signed.ts';
import { HttpProblem } from '../platform/http/problems.ts';
import { shopDay } from '../people/shop.service.ts';
import { guardOwner } from './owners-words.service.ts';

interface NewEntry {
  movementId: string;
  kind: Entry['kind'];
  date: string;
  title: string;
  text: string;
  place?: string;
  /** Where another shop did the work, and who signed it there; this shop and this person otherwise. */
  shop?: string;
  signedBy?: string;
  visitId?: string;
  record?: ServiceRecord;
  /** What was done in full, feature by feature. */
  sections?: KeptSections;
  amends?: string;
  takenOver?: Entry['takenOver'];
}

/** A date that is none was once let in with a book: the entry stands as it was sealed, and says so. */
const dated = ({ date, text }: HistoryEntry): Pick<Entry, 'date' | 'text'> =>
  isEdtf(date) ? { date, text } : { date: 'XXXX', text: `${text} (Its date is written “${date}”.)`.trim() };

export const viewEntry = (e: HistoryEntry, { proof, signature, said }: Proven, log: Entry['log'] = null): Entry => ({
  id: e.id,
  kind: e.kind,
  ...dated(e),
  title: e.title,
  place: e.place,
  shop: e.shop,
  signedBy: e.signedBy,
  record: e.record ?? null,
  ...sectionsSaid(said),
  amends: e.amends ?? null,
  hash: e.hash,
  proof,
  signature,
  log,
  writtenAt: e.writtenAt.toISOString(),
  takenOver: e.takenOver ?? null,
  copyOf: null,
});

/** What an entry says, whoever took it over: the hash that it had first, and its words. */
const saysWhat = (e: HistoryEntry): string => {
  const { kind, date, title, text, place, shop, signedBy, record } = e;
  return canonical({ first: linksOf(e).was ?? e.hash, kind, date, title, text, place, shop, signedBy, record });
};

/** Entries of one book. What came unsigned and was taken over by two shops stands there twice, and is one. */
export function viewEntries(
  entries: readonly HistoryEntry[],
  proofs: ReadonlyMap<string, Proven>,
  places: ReadonlyMap<string, Entry['log']>,
): Entry[] {
  const firsts = new Map<string, HistoryEntry>();
  const whats = new Map(entries.map((e) => [e.id, saysWhat(e)]));
  for (const e of entries) {
    const what = whats.get(e.id)!;
    // As it was before anybody took it over, if that is here; else whoever did it first.
    if (!firsts.has(what) || linksOf(e).was === null) firsts.set(what, e);
  }
  return entries.map((e) => {
    const first = firsts.get(whats.get(e.id)!)!;
    const seen = viewEntry(e, proofs.get(e.id)!, places.get(e.hash) ?? null);
    return first.id === e.id ? seen : { ...seen, copyOf: first.id };
  });
}

/** The entries of a book as a graph. */
function graphOf(entries: readonly HistoryEntry[]) {
  const named = byName(entries);
  return entries.map((entry) => ({
    entry,
    hash: entry.hash,
    parents: linksOf(entry).on.map((hash) => named.get(hash)?.hash ?? hash),
    at: entry.writtenAt.getTime(),
  }));
}

/**
 * Every entry of a book, each after those that it was written on: of this movement, of what was found to be it, and of
 * what it was found to be.
 */
export async function bookEntries({ em }: Pick<Context, 'em'>, movementId: string): Promise<HistoryEntry[]> {
  const same = await sql<{ id: string }>(
    em,
    'select b.id from movement b join movement m on m.id = ? ' +
      'where coalesce(b.merged_into, b.id) = coalesce(m.merged_into, m.id)',
    [movementId],
  );
  const entries = await em.find(HistoryEntry, { movementId: same.map((m) => m.id) });
  return parentsFirst(graphOf(entries)).map((n) => n.entry);
}

/** Hashes of the entries of a book that no other has followed yet. */
export const lastOfBook = async (ctx: Context, movementId: string): Promise<string[]> =>
  headsOf(graphOf(await bookEntries(ctx, movementId)));

/**
 * Adds an entry to a movement's book, signed by the key of this shop. It names the entries that it is written on, so
 * that a missing one shows. There is no way to change one: the database refuses it, and the signature tells.
 */
export async function writeEntry(ctx: Context, given: NewEntry): Promise<Entry> {
  mayWrite(ctx);
  // one writer at a time keeps the order straight
  const [movement] = await sql<SignedEntry['movement']>(
    ctx.em,
    'select id, code, name from movement where id = ? for update',
    [given.movementId],
  );
  const before = await bookEntries(ctx, given.movementId);
  const last = Math.max(0, ...before.filter((e) => !e.takenOver).map((e) => e.writtenAt.getTime() + 1));
  const shop = (await theShop(ctx)).name;
  const { kind, date, title, text, record, visitId } = given;
  // Two entries in one millisecond would have no order.
  const writtenAt = new Date(Math.max(ctx.now.getTime(), last));
  const key = await signingKey(ctx.em, ctx.now);
  const said: SignedEntry = {
    format: 'eclat-entry',
    version: 2,
    movement: movement!,
    ...{ kind, date, title, text },
    place: given.place ?? '',
    shop: given.shop ?? shop,
    signedBy: given.signedBy ?? ctx.person.name,
    writtenAt: writtenAt.toISOString(),
    signer: { name: ctx.person.name, standing: ctx.person.role, shop, key: key.kid },
    amends: before.find((e) => e.id === given.amends)?.hash ?? null,
    parents: headsOf(graphOf(before)),
    takenOver: given.takenOver ?? null,
    sections: { ...(record && { [RECORD]: record }), ...given.sections },
  };
  const signed = await signEntry(key, said);
  const stands = { ...signed, movementId: given.movementId, visitId, amends: given.amends };
  const entry = await keepEntry(ctx, said, stands);
  return { ...entry, log: await logEntry(ctx.em, key, stands, { now: ctx.now, shop }) };
}

/** Counter accounts sign nothing. */
export function mayWrite(ctx: Context): void {
  if (benchRoles.includes(ctx.person.role)) return;
  throw new HttpProblem(403, 'Your role may not do this.', {
    detail: 'The history of a movement is written, and taken in, by those who may sign.',
  });
}

interface Stands {
  hash: string;
  jws: string;
  movementId: string;
  visitId?: string | undefined;
  /** Id of the row that it amends. */
  amends?: string | undefined;
}

/** Puts what was signed into its row. @param takenOver of an entry that came in a file */
export async function keepEntry(
  ctx: Context,
  said: SignedEntry,
  { visitId, amends, ...stands }: Stands,
  takenOver: Entry['takenOver'] = said.takenOver,
): Promise<Entry> {
  const { kind, date, title, text, place, shop, signedBy, sections, writtenAt } = said;
  const entry = ctx.em.create(HistoryEntry, {
    id: randomUUID(),
    visitId: visitId ?? null,
    ...{ kind, date, title, text, place, shop, signedBy, takenOver, ...stands },
    record: (sections[RECORD] as ServiceRecord | undefined) ?? null,
    clockId: clockOf(sections),
    amends: amends ?? null,
    previousHash: null,
    writtenAt: new Date(writtenAt),
  });
  await ctx.em.flush();
  const signature = { key: said.signer.key, knownAs: null, movement: said.movement.code };
  return viewEntry(entry, { proof: said.takenOver ? 'unsigned' : 'proved', signature, said });
}

export async function amend(ctx: Context, entryId: string, text: string, keep = ''): Promise<Entry> {
  const entry = await findOrRefuse(ctx, HistoryEntry, { id: entryId }, 'entry');
  const first = entry.amends ? await findOrRefuse(ctx, HistoryEntry, { id: entry.amends }, 'entry') : entry;
  await guardOwner(ctx, first.movementId, [{ where: 'the amendment', text }], keep);
  return writeEntry(ctx, {
    movementId: first.movementId,
    kind: 'amendment',
    date: await shopDay(ctx),
    title: `Amendment to “${first.title}”`,
    text,
    amends: first.id,
  });
}
