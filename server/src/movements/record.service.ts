import { benchRoles, type MovementBook, type TravelledEntry } from '@eclat/contract';
import { theShop } from '../people/shop.service.ts';
import { sql } from '../platform/http/app-context.ts';
import { badField, HttpProblem } from '../platform/http/problems.ts';
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

/** As two names are compared: whatever their case, spaces and punctuation. */
const plainName = (name: string): string =>
  name
    .normalize('NFKC')
    .toLowerCase()
    .replace(/[^\p{L}\p{N}]/gu, '');

/**
 * Nobody brings work of this very shop in from outside: what it signed stands in its own books.
 * @throws 422 with the code of the book where such an entry stands, or that it stands in none
 */
async function notOurs(ctx: Context, history: readonly TravelledEntry[]): Promise<void> {
  const { name } = await theShop(ctx);
  const [ours] = history.filter((e) => plainName(e.shop) === plainName(name));
  if (!ours) return;
  const [known] = await sql<{ code: string }>(
    ctx.em,
    'select m.code from history_entry e join movement m on m.id = e.movement_id where e.hash = ? and ' +
      'e.taken_over is null',
    [ours.hash],
  );
  throw badField(
    'movement.history',
    known
      ? `“${ours.title}” was signed here and stands in the book of ${known.code}: choose that movement instead.`
      : `“${ours.title}” carries the name of this shop, and stands in none of its books. Take the clock in without it.`,
  );
}

/**
 * Entries that came with the movement: under their own shops and names, sealed anew in this book, and marked as taken
 * over. Whoever takes them in answers for it.
 */
export async function takeOver(
  ctx: Context,
  movementId: string,
  history: readonly TravelledEntry[],
  from: string,
): Promise<void> {
  if (history.length === 0) return;
  if (!benchRoles.includes(ctx.person.role))
    throw new HttpProblem(403, 'Your role may not do this.', {
      detail: 'A record of another shop is taken in by those who may sign.',
    });
  await notOurs(ctx, history);
  const takenOver = { by: ctx.person.name, at: ctx.now.toISOString(), from };
  const written: string[] = [];
  for (const { kind, date, title, text, place, shop, signedBy, record, amends } of history) {
    const amended = amends === null ? undefined : written[amends];
    const entry = await writeEntry(ctx, {
      ...{ movementId, kind, date, title, text, place, shop, signedBy, takenOver },
      ...(record ? { record } : {}),
      ...(amended ? { amends: amended } : {}),
    });
    written.push(entry.id);
  }
}
