import type { MovementBook, TravelledEntry } from '@eclat/contract';
import type { Context } from '../platform/http/context.ts';
import { writeEntry } from './history.service.ts';
import { movementBook } from './movements.service.ts';

/** The book as a file. An amendment says which entry of the list it amends. */
export async function recordOf(ctx: Context, movementId: string): Promise<MovementBook> {
  const {
    movement: { id, code, name, familyId, maker, marks },
    entries,
  } = await movementBook(ctx, movementId);
  return {
    format: 'eclat-movement-book',
    version: 1,
    movement: { id, code, name, familyId, maker, marks },
    entries: entries.map(({ kind, date, title, text, place, shop, signedBy, record, amends, hash, writtenAt }) => ({
      kind,
      date,
      title,
      text,
      place,
      shop,
      signedBy,
      record,
      amends: amends === null ? null : entries.findIndex((e) => e.id === amends),
      hash,
      writtenAt,
    })),
  };
}

/** Entries that came with the movement: under their own shops and names, sealed anew in this book. */
export async function takeOver(ctx: Context, movementId: string, history: readonly TravelledEntry[]): Promise<void> {
  const written: string[] = [];
  for (const { kind, date, title, text, place, shop, signedBy, record, amends } of history) {
    const amended = amends === null ? undefined : written[amends];
    const entry = await writeEntry(ctx, {
      movementId,
      kind,
      date,
      title,
      text,
      place,
      shop,
      signedBy,
      ...(record ? { record } : {}),
      ...(amended ? { amends: amended } : {}),
    });
    written.push(entry.id);
  }
}
