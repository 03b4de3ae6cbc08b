import type { api, Book, ParsedBodyOf } from '@eclat/contract';
import { linkedSection, partedSection } from '@eclat/core/record';
import type { EntityManager } from '@mikro-orm/postgresql';
import { DatingEvidence } from '../assessment/assessment.entity.ts';
import { PartFitted } from '../fitting/fitting.entity.ts';
import { shopDay } from '../people/shop.service.ts';
import { findOrRefuse, signature, type Context } from '../platform/http/context.ts';
import { badField, refused } from '../platform/http/problems.ts';
import { sql } from '../platform/http/app-context.ts';
import { Visit } from '../visit/visit.entity.ts';
import { bookEntries, lastOfBook, writeEntry } from './history.service.ts';
import { ClockMovement, MarkTakenOut, Movement, MovementLink, MovementMark, type Moved } from './movements.entity.ts';
import { movementBook, movementNow } from './movements.service.ts';

/** One after another: two that cross would lead each book into the other. */
const MERGER_LOCK = 6_438_004;

/** Gives what the other has to the one that stays, and says what that was. */
async function moveInto({ em, now }: Context, stays: Movement, other: Movement): Promise<Moved> {
  const marks = (await em.find(MovementMark, { movementId: other.id })).map(({ place, text }) => ({ place, text }));
  const had = new Set((await em.find(MovementMark, { movementId: stays.id })).map((m) => `${m.place}\n${m.text}`));
  const added = marks.filter((m) => !had.has(`${m.place}\n${m.text}`));
  for (const mark of added) em.create(MovementMark, { movementId: stays.id, ...mark });
  await em.nativeDelete(MovementMark, { movementId: other.id });
  // It stands in one clock: where it was last put.
  const places = await em.find(
    ClockMovement,
    { movementId: [stays.id, other.id], until: null },
    { orderBy: { since: 'desc' } },
  );
  const ended = places.slice(1);
  for (const place of ended) place.until = now;
  await em.flush();
  const of = { movementId: other.id };
  const ids = (rows: readonly { id: string }[]) => rows.map((r) => r.id);
  const moved: Moved = {
    ...{ marks, added, ended: ids(ended) },
    takenOut: ids(await em.find(MarkTakenOut, of)),
    places: ids(await em.find(ClockMovement, of)),
    visits: ids(await em.find(Visit, of)),
    donors: ids(await em.find(PartFitted, { donorId: other.id })),
    dating: ids(await em.find(DatingEvidence, of)),
    through: ids(await em.find(Movement, { mergedInto: other.id })),
  };
  await give(em, moved, other.id, stays.id);
  return moved;
}

/** Rows that are of one become the other’s; those that are of neither any more stay where they are. */
async function give(em: EntityManager, moved: Moved, from: string, to: string): Promise<void> {
  const those = (ids: string[] = []) => ({ id: ids, movementId: from });
  await em.nativeUpdate(MarkTakenOut, those(moved.takenOut), { movementId: to });
  await em.nativeUpdate(ClockMovement, those(moved.places), { movementId: to });
  await em.nativeUpdate(Visit, those(moved.visits), { movementId: to });
  await em.nativeUpdate(DatingEvidence, those(moved.dating), { movementId: to });
  await em.nativeUpdate(PartFitted, { id: moved.donors ?? [], donorId: from }, { donorId: to });
  await em.nativeUpdate(Movement, { id: moved.through ?? [], mergedInto: from }, { mergedInto: to });
}

/**
 * Two books that were found to be one movement's. The entries stay where they are, each with its seal; the book of the
 * one that stays shows both, and an entry of its own says why.
 * @throws 409 when both stand in the shop
 */
export async function merge(
  ctx: Context,
  movementId: string,
  { otherId, why }: ParsedBodyOf<typeof api.movements.merge>,
): Promise<Book> {
  await sql(ctx.em, 'select pg_advisory_xact_lock(?)', [MERGER_LOCK]);
  const movement = await movementNow(ctx, movementId);
  const other = await movementNow(ctx, otherId);
  if (other.id === movement.id) throw badField('otherId', 'They are the same movement already.');
  if ((await ctx.em.count(Visit, { movementId: [movement.id, other.id], closedAt: null })) > 1)
    throw refused('Both stand in the shop.', 'Sign one of the two visits first.');
  const heads = await lastOfBook(ctx, other.id);
  const moved = await moveInto(ctx, movement, other);
  other.mergedInto = movement.id;
  ctx.em.create(MovementLink, {
    ...{ movementId: movement.id, otherId: other.id, moved, ...signature(ctx) },
    ...{ partedBy: null, partedAt: null },
  });
  await ctx.em.flush();
  await writeEntry(ctx, {
    movementId: movement.id,
    kind: 'merger',
    date: await shopDay(ctx),
    title: `Found to be one with ${other.code}, ${other.name}`,
    text: why,
    sections: linkedSection({ movement: other.id, code: other.code, heads }),
  });
  return movementBook(ctx, movement.id);
}

const minus = (marks: Moved['marks'] = [], those: Moved['marks'] = []) =>
  marks.filter((m) => !those.some((t) => t.place === m.place && t.text === m.text));

/** Whoever took it along when it was found to be a third one has its marks no more. */
async function withoutItsMarks(em: EntityManager, { otherId, moved: { added } }: MovementLink): Promise<void> {
  for (const through of await em.find(MovementLink, { partedAt: null })) {
    const { moved } = through;
    if (moved.through?.includes(otherId))
      through.moved = { ...moved, marks: minus(moved.marks, added), added: minus(moved.added, added) };
  }
}

/**
 * They are two after all. Each has again what it had; what was written while they were one stays with the one that
 * stayed. An entry in either book says why, and which entries are the other’s, so that none is missed.
 * @throws 422 where the other does not stand in this book
 */
export async function part(
  ctx: Context,
  movementId: string,
  { otherId, why }: ParsedBodyOf<typeof api.movements.part>,
): Promise<Book> {
  const { em } = ctx;
  await sql(em, 'select pg_advisory_xact_lock(?)', [MERGER_LOCK]);
  const movement = await movementNow(ctx, movementId);
  const other = await findOrRefuse(ctx, Movement, { id: otherId }, 'movement');
  const link = await em.findOne(MovementLink, { otherId, partedAt: null });
  if (other.mergedInto !== movement.id || !link)
    throw badField('otherId', `${other.code} does not stand in the book of ${movement.code}.`);
  const { moved } = link;
  await give(em, moved, movement.id, other.id);
  for (const { place, text } of moved.added ?? [])
    await em.nativeDelete(MovementMark, { movementId: movement.id, place, text });
  for (const mark of moved.marks ?? []) em.create(MovementMark, { movementId: other.id, ...mark });
  await withoutItsMarks(em, link);
  other.mergedInto = null;
  Object.assign(link, { partedBy: ctx.person.name, partedAt: ctx.now });
  await em.flush();
  for (const place of await em.find(ClockMovement, { id: moved.ended ?? [] }))
    if ((await em.count(ClockMovement, { movementId: place.movementId, until: null })) === 0) place.until = null;
  await em.flush();
  for (const [of, from] of [
    [movement, other],
    [other, movement],
  ] as const) {
    const left = (await bookEntries(ctx, from.id)).map((e) => e.hash);
    await writeEntry(ctx, {
      movementId: of.id,
      kind: 'merger',
      date: await shopDay(ctx),
      title: `Parted again from ${from.code}, ${from.name}`,
      text: why,
      sections: partedSection({ movement: from.id, code: from.code, left }),
    });
  }
  return movementBook(ctx, movement.id);
}
