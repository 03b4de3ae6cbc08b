import { DatingEvidence } from '../assessment/assessment.entity.ts';
import { randomInt, randomUUID } from 'node:crypto';
import type { Movement as Shape, ParsedBodyOf } from '@eclat/contract';
import { api, MARK_PLACES } from '@eclat/contract';
import { arrangementFor, arrangementProblem, AS_USUAL, descriptionProblem, FAMILIES } from '@eclat/core/movement';
import type { z } from 'zod';
import type { newMovement } from '@eclat/contract';
import { fetchAll, rows, type RowsOf } from '../platform/database/rows.ts';
import { findOrRefuse, signature, viewSigned, type Context } from '../platform/http/context.ts';
import { badField, lostRace, notFound } from '../platform/http/problems.ts';
import { sql } from '../platform/http/app-context.ts';
import { likely } from '../owners/owners.service.ts';
import { bookEntries, viewEntries } from './history.service.ts';
import { keysOf } from './keys.ts';
import { goneFrom, placesOf } from './log.service.ts';
import { clockNow } from './clock-book.service.ts';
import { photosAway } from './photos-of.ts';
import { publicPageOf } from './public-page-of.ts';
import { proofsOf } from './proof.ts';
import { viewEvidence } from '../assessment/assessment.service.ts';
import { MarkTakenOut, Movement, MovementAbsent, MovementDescription, MovementMark } from './movements.entity.ts';

/** Letters and figures that are not taken for one another when read off a slip. */
const ALPHABET = '23456789ABCDEFGHJKMNPQRSTVWXYZ';
const newCode = () => `M-${Array.from({ length: 6 }, () => ALPHABET[randomInt(ALPHABET.length)]).join('')}`;

export const movementRows = (movementId: string) => ({
  movements: rows(Movement, 'where id = ?', movementId),
  movementMarks: rows(MovementMark, 'where movement_id = ? order by place, text', movementId),
  marksTakenOut: rows(MarkTakenOut, 'where movement_id = ? order by at', movementId),
  dating: rows(DatingEvidence, 'where movement_id = ? order by at', movementId),
  descriptions: rows(MovementDescription, 'where movement_id = ? order by number desc', movementId),
  absent: rows(MovementAbsent, 'where movement_id = ? order by at', movementId),
});

const viewMark = (k: { place: string; text: string }) => ({
  place: k.place as (typeof MARK_PLACES)[number],
  text: k.text,
});

export function viewMovement({
  movements: [m],
  movementMarks,
  marksTakenOut,
  dating,
  absent,
}: RowsOf<ReturnType<typeof movementRows>>): Shape {
  if (!m) throw notFound('movement');
  return {
    id: m.id,
    code: m.code,
    name: m.name,
    familyId: m.familyId,
    maker: m.maker,
    traits: m.traits,
    plates: arrangementFor(m.traits, m.plates),
    version: m.version,
    dating: dating.map(viewEvidence),
    absent: absent.map((a) => ({ what: a.what, ...viewSigned(a) })),
    marks: movementMarks.map(viewMark),
    marksTakenOut: marksTakenOut.map((k) => ({ ...viewMark(k), ...viewSigned(k) })),
  };
}
export const loadMovement = async (ctx: Context, m: Movement): Promise<Shape> =>
  viewMovement(await fetchAll(ctx.em, movementRows(m.id)));

/** The family fills in the traits; what was found on this one is added, or it is described whole. */
export function makeMovement(ctx: Context, given: z.output<typeof newMovement>): Movement {
  const family = FAMILIES.find((f) => f.id === given.familyId);
  if (!family) throw badField('movement.familyId', 'Choose one of the families.');
  const fittings = [...new Set([...family.traits.fittings, ...given.fittings])];
  const traits = given.traits ?? { ...family.traits, fittings };
  const problem = descriptionProblem(traits, []);
  if (problem) throw badField(`movement.traits.${problem.field}`, problem.message);
  const movement = ctx.em.create(Movement, {
    id: randomUUID(),
    code: newCode(),
    plates: AS_USUAL,
    name: given.name,
    familyId: family.id,
    maker: given.maker,
    traits,
  });
  ctx.em.create(MovementDescription, {
    movementId: movement.id,
    number: 1,
    familyId: family.id,
    traits,
    reason: given.traits ? 'As found when it was taken in.' : 'As such movements usually are.',
    ...signature(ctx),
  });
  for (const what of given.absent) ctx.em.create(MovementAbsent, { movementId: movement.id, what, ...signature(ctx) });
  for (const mark of given.marks) ctx.em.create(MovementMark, { movementId: movement.id, ...mark });
  return movement;
}

const PAGE = 30;

const SAME = 'select m.id union select b.id from movement b where b.merged_into = m.id';

/** By what stands on it, and by what a book that was found to be the same was called. */
export async function searchMovements(ctx: Context, q: string, after = '') {
  const like = `%${likely(q)}%`;
  const rows = await sql<{
    id: string;
    code: string;
    name: string;
    family_id: string;
    maker: string;
    version: number;
    marks: Shape['marks'];
    entries: number;
    last_date: string | null;
  }>(
    ctx.em,
    `
    select m.id, m.code, m.name, m.family_id, m.maker, m.version,
      coalesce((select jsonb_agg(jsonb_build_object('place', k.place, 'text', k.text) order by k.place)
        from movement_mark k where k.movement_id = m.id), '[]') as marks,
      (select count(*)::int from history_entry h where h.movement_id in (${SAME})) as entries,
      (select max(h.date) from history_entry h
        where h.movement_id in (${SAME}) and h.date ~ '^[0-9]{3}[0-9X]') as last_date
    from movement m
    where m.merged_into is null and (m.name ilike ? or m.code ilike ? or m.maker ilike ?
      or exists (select 1 from movement_mark k where k.movement_id = m.id and k.text ilike ?)
      or exists (select 1 from movement b where b.merged_into = m.id and (b.name ilike ? or b.code ilike ?)))
        and m.code > ?
    order by m.code limit ${PAGE + 1}`,
    [like, like, like, like, like, like, after],
  );
  const sent = rows.slice(0, PAGE);
  return {
    items: sent.map((r) => ({
      id: r.id,
      code: r.code,
      name: r.name,
      familyId: r.family_id,
      maker: r.maker,
      version: r.version,
      marks: r.marks,
      entries: r.entries,
      lastDate: r.last_date,
    })),
    next: rows.length > PAGE ? sent.at(-1)!.code : null,
  };
}

/** A movement that was found to be another opens that one's book. */
export async function movementNow(ctx: Context, movementId: string): Promise<Movement> {
  const movement = await findOrRefuse(ctx, Movement, { id: movementId }, 'movement');
  return movement.mergedInto ? findOrRefuse(ctx, Movement, { id: movement.mergedInto }, 'movement') : movement;
}

/** Every movement whose history stands in this book: itself, and those that were merged into it. */
async function oneAndTheSame(ctx: Context, movementId: string): Promise<Movement[]> {
  return [
    await findOrRefuse(ctx, Movement, { id: movementId }, 'movement'),
    ...(await ctx.em.find(Movement, { mergedInto: movementId })),
  ];
}

export async function movementBook(ctx: Context, movementId: string) {
  const movement = await movementNow(ctx, movementId);
  const all = await oneAndTheSame(ctx, movement.id);
  const entries = await bookEntries(ctx, movement.id);
  const [here] = await sql<{ id: string; claim: string }>(
    ctx.em,
    'select id, claim from visit where movement_id = ? and closed_at is null',
    [movement.id],
  );
  const proofs = await proofsOf(entries, await keysOf(ctx.em));
  const places = await placesOf(ctx.em, entries);
  const ids = `{${all.map((m) => m.id).join(',')}}`;
  const gave = await sql<{ what: string; to: string; movementId: string; at: string }>(
    ctx.em,
    `
    select g.what, m.code as to, m.id as "movementId", g.at from (
      select what, visit_id, at from part_fitted where donor_id = any(?)
      union all select t.what, t.visit_id, t.at from case_task t join stock_item i on i.id = t.donor_id
        where i.movement_id = any(?)) g
      join visit v on v.id = g.visit_id join movement m on m.id = v.movement_id order by g.at`,
    [ids, ids],
  );
  return {
    movement: await loadMovement(ctx, movement),
    gave: gave.map((g) => ({ ...g, at: new Date(g.at).toISOString() })),
    also: all.slice(1).map(({ id, code }) => ({ id, code })),
    entries: viewEntries(entries, proofs, places),
    gone: await goneFrom(
      ctx.em,
      all.map((m) => m.id),
    ),
    photosAway: await photosAway(ctx.em, entries),
    publicPage: await publicPageOf(ctx.em, movement.id),
    inTheShop: here ? { visitId: here.id, claim: here.claim } : null,
    clock: await clockNow(ctx.em, movement.id),
  };
}

export async function layPlates(
  ctx: Context,
  movementId: string,
  { version, visitId, ...plates }: ParsedBodyOf<typeof api.movements.arrange>,
): Promise<Shape> {
  const movement = await findOrRefuse(ctx, Movement, { id: movementId }, 'movement');
  if (movement.version !== version) throw lostRace(await loadMovement(ctx, movement));
  const problem = arrangementProblem(movement.traits, plates);
  if (problem) throw badField(problem.field, problem.message);
  // Centres of what is not in the description any more are kept, and not shown.
  const shown = arrangementFor(movement.traits, movement.plates).centresMm;
  const hidden = Object.entries(movement.plates.centresMm).filter(([pair]) => !(pair in shown));
  movement.plates = { ...plates, centresMm: { ...Object.fromEntries(hidden), ...plates.centresMm } };
  if (visitId) ctx.touched.add(visitId);
  await ctx.em.flush();
  return loadMovement(ctx, movement);
}
