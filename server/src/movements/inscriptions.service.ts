import { readSections, type Entry, type ParsedBodyOf } from '@eclat/contract';
import type { api } from '@eclat/contract';
import { yearSpan } from '@eclat/core/history';
import {
  clockSection,
  inscriptionSection,
  keepSection,
  lettersOf,
  photosIn,
  thingTitle,
  SECTIONS,
  type KeptRow,
  type RowOf,
} from '@eclat/core/record';
import { stageName } from '@eclat/core/workflow';
import { shopDay } from '../people/shop.service.ts';
import { Photo } from '../photos/photos.entity.ts';
import type { Context } from '../platform/http/context.ts';
import { badField } from '../platform/http/problems.ts';
import { sql } from '../platform/http/app-context.ts';
import type { HistoryEntry } from './history.entity.ts';
import { bookEntries, writeEntry } from './history.service.ts';
import { ClockMovement } from './movements.entity.ts';
import { movementNow } from './movements.service.ts';
import { guardOwner } from './owners-words.service.ts';
import { readSigned } from './signed.ts';

type Given = ParsedBodyOf<typeof api.movements.inscribe>;

/** Adds an inscription to the book, signed as it is read: what it stands on, in which hand, and photos that show it. */
export async function inscribe(ctx: Context, movementId: string, given: Given): Promise<Entry> {
  const { id } = await movementNow(ctx, movementId);
  const { keep, date, text, place, photos, ...stands } = given;
  const { carrier, which, sameHandAs } = stands;
  const on = thingTitle(carrier, which) || place;
  if (!on) throw badField('which', 'Say what it stands on.');
  if ((yearSpan(date)?.[0] ?? 0) > (yearSpan(await shopDay(ctx))?.[1] ?? Infinity))
    throw badField('date', 'That day has not come yet.');
  const entries = await bookEntries(ctx, id);
  const shown = await rowsOf(ctx, id, entries, photos);
  // A caption is signed with the photo that it belongs to.
  const typed = [
    ...[text, lettersOf(text), which, place].map((t) => ({ where: 'the inscription', text: t })),
    ...shown.map(({ caption }) => ({ where: 'a caption', text: caption })),
  ];
  await guardOwner(ctx, id, typed, keep);
  if (sameHandAs !== null && !entries.some((e) => e.kind === 'inscription' && e.hash === sameHandAs))
    throw badField('sameHandAs', 'No inscription of this book is in that hand.');
  const clock = (await ctx.em.findOne(ClockMovement, { movementId: id, until: null }))?.clockId;
  const withPhotos = keepSection('photos', { photos: shown });
  return writeEntry(ctx, {
    movementId: id,
    kind: 'inscription',
    title: `Inscription on the ${on}`,
    ...{ date, text, place },
    sections: {
      ...(clock && clockSection(clock)),
      ...inscriptionSection(stands),
      ...(withPhotos && { photos: withPhotos }),
    },
  });
}

/**
 * Photos as an entry names them: of a visit of this movement, or of an entry of its book.
 * @throws 422 where one is neither
 */
async function rowsOf(ctx: Context, movementId: string, entries: readonly HistoryEntry[], hashes: readonly string[]) {
  if (hashes.length === 0) return [];
  const visits = await sql<{ id: string }>(
    ctx.em,
    'select id from visit where movement_id in (select id from movement where id = ? or merged_into = ?)',
    [movementId, movementId],
  );
  const taken = await ctx.em.find(Photo, { hash: [...hashes], visitId: visits.map((v) => v.id) });
  const rows = new Map<string, KeptRow>();
  for (const e of entries) for (const row of await photosSigned(e)) rows.set(row['hash'] as string, row);
  for (const p of taken) rows.set(p.hash, { ...p, stage: stageName(p.stage), at: p.at.toISOString() });
  return hashes.map((hash) => {
    const row = rows.get(hash);
    if (!row) throw badField('photos', 'One of these photos shows another movement.');
    return row as RowOf<(typeof SECTIONS)['photos']['tables']['photos']>;
  });
}

async function photosSigned({ jws }: HistoryEntry): Promise<KeptRow[]> {
  const read = jws ? await readSigned(jws) : null;
  const { sections } = readSections(read?.said.sections ?? {});
  const named = photosIn(sections).map((p) => p.hash);
  const rows = (sections.photos?.['photos'] ?? []) as KeptRow[];
  return rows.filter((row) => named.includes(row['hash'] as string));
}
