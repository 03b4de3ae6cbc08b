import { randomUUID } from 'node:crypto';
import type { Entry, Seal } from '@eclat/contract';
import { isEdtf, type ServiceRecord } from '@eclat/core/history';
import { findOrRefuse, type Context } from '../platform/http/context.ts';
import { sql } from '../platform/http/app-context.ts';
import { theShop } from '../people/shop.service.ts';
import { HistoryEntry } from './history.entity.ts';
import { sealOf } from './seal.ts';
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
  amends?: string;
  takenOver?: Entry['takenOver'];
}

/** A date that is none was once let in with a book: the entry stands as it was sealed, and says so. */
const dated = ({ date, text }: HistoryEntry): Pick<Entry, 'date' | 'text'> =>
  isEdtf(date) ? { date, text } : { date: 'XXXX', text: `${text} (Its date is written “${date}”.)`.trim() };

export const viewEntry = (e: HistoryEntry, seal: Seal): Entry => ({
  id: e.id,
  kind: e.kind,
  ...dated(e),
  title: e.title,
  place: e.place,
  shop: e.shop,
  signedBy: e.signedBy,
  record: e.record ?? null,
  amends: e.amends ?? null,
  hash: e.hash,
  seal,
  writtenAt: e.writtenAt.toISOString(),
  takenOver: e.takenOver ?? null,
});

/**
 * Adds an entry to a movement's book. Each carries the hash of the one before, so that a missing or changed page shows.
 * There is no way to change one: the database refuses it.
 */
export async function writeEntry(ctx: Context, given: NewEntry): Promise<Entry> {
  // one writer at a time keeps the chain straight
  await sql(ctx.em, 'select 1 from movement where id = ? for update', [given.movementId]);
  const [last] = await ctx.em.find(
    HistoryEntry,
    { movementId: given.movementId },
    { orderBy: { writtenAt: 'desc', id: 'desc' }, limit: 1 },
  );
  const shop = given.shop ?? (await theShop(ctx)).name;
  // Two entries in one millisecond would have no order in the chain.
  const writtenAt = new Date(Math.max(ctx.now.getTime(), last ? last.writtenAt.getTime() + 1 : 0));
  const body = {
    movementId: given.movementId,
    kind: given.kind,
    date: given.date,
    title: given.title,
    text: given.text,
    place: given.place ?? '',
    shop,
    signedBy: given.signedBy ?? ctx.person.name,
    record: given.record ?? null,
    amends: given.amends ?? null,
    previousHash: last?.hash ?? null,
    writtenAt,
    takenOver: given.takenOver ?? null,
  };
  const hash = sealOf(body);
  const entry = ctx.em.create(HistoryEntry, { id: randomUUID(), visitId: given.visitId ?? null, ...body, hash });
  await ctx.em.flush();
  return viewEntry(entry, 'holds');
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
