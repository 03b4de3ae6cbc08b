import { openVisit } from '../visit/lock.ts';
import { DatingEvidence, Measurement, PlaceChecked } from './assessment.entity.ts';
import type { ParsedBodyOf, Visit as Shape } from '@eclat/contract';
import { api } from '@eclat/contract';
import { mayMeasure, walkOf, weighMeasurement, type PlaceState } from '@eclat/core/assess';
import type { Traits } from '@eclat/core/movement';
import { findOrRefuse, signature, viewSigned, type Context } from '../platform/http/context.ts';
import { notFound } from '../platform/http/problems.ts';
import { sql } from '../platform/http/app-context.ts';
import { Movement } from '../movements/movements.entity.ts';
import { Visit } from '../visit/visit.entity.ts';

import { Finding } from './findings.entity.ts';
import { rows, type RowsOf } from '../platform/database/rows.ts';
import { viewFinding } from './findings.service.ts';

const traitsOf = async (ctx: Context, movementId: string): Promise<Traits> =>
  (await findOrRefuse(ctx, Movement, { id: movementId }, 'movement')).traits;

export const assessmentRows = ({ id, movementId, openedAt }: Visit) => ({
  places: rows(PlaceChecked, 'where visit_id = ?', id),
  measurements: rows(Measurement, 'where visit_id = ? order by at', id),
  findings: rows(Finding, 'where visit_id = ? and removed_at is null order by at', id),
  handsOff: rows(
    Finding,
    `where do_not_disturb and overturned_at is null
      and visit_id in (select id from visit where movement_id = ? and opened_at <= ?)
      order by at desc`,
    movementId,
    openedAt,
  ),
});
export const viewAssessment = (found: RowsOf<ReturnType<typeof assessmentRows>>, traits: Traits) => ({
  places: found.places.map((p) => ({ place: p.place, state: p.state, ...viewSigned(p) })),
  measurements: found.measurements.map((m) => viewMeasurement(traits, m)),
  findings: found.findings.map(viewFinding),
  handsOff: found.handsOff.map((h) => ({ place: h.place, seen: h.seen, at: h.at.toISOString() })),
});

export async function setPlace(ctx: Context, visitId: string, place: string, state: PlaceState | null): Promise<void> {
  const visit = await openVisit(ctx, visitId);
  if (!walkOf(await traitsOf(ctx, visit.movementId)).some((p) => p.place === place))
    throw notFound('place on this clock');
  if (state === null) await ctx.em.nativeDelete(PlaceChecked, { visitId, place });
  else await ctx.em.upsert(PlaceChecked, { visitId, place, state, ...signature(ctx) });
}

export function viewMeasurement(traits: Traits, m: Measurement): Shape['measurements'][number] {
  const { within, text, good } = weighMeasurement(traits, m.kind, m.value, m.how);
  return {
    id: m.id,
    kind: m.kind,
    value: m.value,
    how: m.how,
    note: m.note,
    within,
    says: text,
    good,
    by: m.by,
    at: m.at.toISOString(),
  };
}

export async function addMeasurement(
  ctx: Context,
  visitId: string,
  given: ParsedBodyOf<typeof api.assessment.addMeasurement>,
) {
  const visit = await openVisit(ctx, visitId);
  const traits = await traitsOf(ctx, visit.movementId);
  mayMeasure(traits, given.kind);
  weighMeasurement(traits, given.kind, given.value, given.how);
  const made = ctx.em.create(Measurement, { visitId, ...given, ...signature(ctx) });
  await ctx.em.flush();
  return viewMeasurement(traits, made);
}

export async function removeMeasurement(ctx: Context, visitId: string, id: string): Promise<void> {
  await openVisit(ctx, visitId);
  ctx.em.remove(await findOrRefuse(ctx, Measurement, { id, visitId }, 'measurement'));
}

export const viewEvidence = (e: {
  id: string;
  notBefore?: number | null;
  notAfter?: number | null;
  why: string;
  by: string;
  at: Date;
}) => ({
  id: e.id,
  notBefore: e.notBefore ?? null,
  notAfter: e.notAfter ?? null,
  why: e.why,
  by: e.by,
  at: e.at.toISOString(),
});

/** Evidence belongs to the movement and stays with it, so every open visit of it is told. */
async function tellVisits(ctx: Context, movementId: string): Promise<void> {
  for (const v of await ctx.em.find(Visit, { movementId, closedAt: null }, { fields: ['id'] })) ctx.touched.add(v.id);
}

export async function addEvidence(
  ctx: Context,
  movementId: string,
  given: ParsedBodyOf<typeof api.assessment.addEvidence>,
) {
  await findOrRefuse(ctx, Movement, { id: movementId }, 'movement');
  const made = ctx.em.create(DatingEvidence, { movementId, ...given, ...signature(ctx) });
  await ctx.em.flush();
  await tellVisits(ctx, movementId);
  return viewEvidence(made);
}

export async function removeEvidence(ctx: Context, movementId: string, id: string): Promise<void> {
  ctx.em.remove(await findOrRefuse(ctx, DatingEvidence, { id, movementId }, 'evidence'));
  await tellVisits(ctx, movementId);
}

const MOST = 8;

/**
 * Other movements here of the same maker and name: what was found on more than one part of the type, and who could
 * stand as a pattern.
 */
export async function knownOfType(ctx: Context, movementId: string) {
  const { id, maker, name } = await findOrRefuse(ctx, Movement, { id: movementId }, 'movement');
  const type = 'lower(m.maker) = lower(?) and lower(m.name) = lower(?) and m.id <> ? and m.merged_into is null';
  const sisters = await sql<{ movementId: string; code: string; name: string; photos: number }>(
    ctx.em,
    `
    select m.id as "movementId", m.code, m.name, (select count(*)::int from photo ph
      join visit v on v.id = ph.visit_id where v.movement_id = m.id) as photos
    from movement m where ${type} order by photos desc, m.code limit ${MOST}`,
    [maker, name, id],
  );
  const weaknesses = await sql<{ place: string; seen: string[]; movements: number; of: number }>(
    ctx.em,
    `
    select f.place, (array_agg(distinct f.seen))[1:3] as seen, count(distinct m.id)::int as movements,
      (select count(*)::int from movement m where ${type}
        and exists (select 1 from visit v where v.movement_id = m.id)) as of
    from finding f join visit v on v.id = f.visit_id join movement m on m.id = v.movement_id
    where ${type} and f.removed_at is null and f.overturned_at is null and not f.earlier_repair
      and f.severity <> 'looks' group by f.place
      order by movements desc, f.place limit ${MOST}`,
    [maker, name, id, maker, name, id],
  );
  return { weaknesses, sisters };
}

export async function photosOfMovement(ctx: Context, movementId: string) {
  const rows = await sql<{ id: string; caption: string; claim: string; at: string; width: number; height: number }>(
    ctx.em,
    `
    select ph.id, ph.caption, v.claim, ph.at, ph.width, ph.height from photo ph join visit v on v.id = ph.visit_id
      where v.movement_id = ? order by ph.at desc limit 200`,
    [movementId],
  );
  return rows.map((r) => ({ ...r, at: new Date(r.at).toISOString() }));
}
