import { openVisit } from '../visit/lock.ts';
import type {
  ParsedBodyOf,
  PartCondition as Look,
  PlatePhoto as PhotoShape,
  SurveyedHole as Shape,
  Visit,
} from '@eclat/contract';
import { api } from '@eclat/contract';
import { holesOf, PLATES, type Plate } from '@eclat/core/movement';
import {
  bushedHoles,
  forcedToBush,
  waysOf,
  holeOfPivot,
  judgeHole,
  measureProblem,
  partCanBe,
  partsToSurvey,
  pivotKey,
  PART_KINDS,
  playFits,
  turningProblem,
  type SurveyedPart,
} from '@eclat/core/pivots';
import { rows, type RowsOf } from '../platform/database/rows.ts';
import { Bush } from '../fitting/fitting.entity.ts';
import { expectVersion, findOrRefuse, signature, type Context } from '../platform/http/context.ts';
import { badField, lostRace, notFound } from '../platform/http/problems.ts';
import { Photo } from '../photos/photos.entity.ts';
import { Movement } from '../movements/movements.entity.ts';
import { PartCondition, PlatePhoto, SurveyedHole } from './survey.entity.ts';

export const viewHole = (h: SurveyedHole): Shape => ({
  key: h.key,
  pivotMm: h.pivotMm,
  holeLongMm: h.holeLongMm,
  holeShortMm: h.holeShortMm,
  verdict: h.verdict,
  computed: h.computed,
  note: h.note,
  size: h.play ?? { kind: 'measured', holeLongMm: h.holeLongMm, holeShortMm: h.holeShortMm },
  way: h.way,
  wearDeg: h.wearDeg ?? null,
  endShakeMm: h.endShakeMm ?? null,
  spins: h.spins ?? null,
  polished: h.polished,
  past: h.past,
  version: h.version,
  by: h.by,
  at: h.at.toISOString(),
});

const LAST =
  'visit_id = (select b.id from visit b where b.movement_id = ? and b.id <> ? and b.closed_at is not null and b.opened_at < ? and exists (select 1 from surveyed_hole s where s.visit_id = b.id) order by b.closed_at desc limit 1)';
/** What stands behind a survey: the last signed one of the same movement. */
const lastSurveyRows = (visit: { id: string; movementId: string; openedAt: Date }) => {
  const of = [visit.movementId, visit.id, visit.openedAt];
  return {
    lastHoles: rows(SurveyedHole, `where ${LAST}`, ...of),
    lastBushes: rows(Bush, `where ${LAST} order by at`, ...of),
  };
};

function viewLastSurvey({ lastHoles, lastBushes }: RowsOf<ReturnType<typeof lastSurveyRows>>): Visit['lastSurvey'] {
  const [first] = lastHoles;
  if (!first) return null;
  const bushed = bushedHoles(lastBushes);
  const bushOf = (key: string) => {
    const b = bushed.has(key) ? lastBushes.findLast((x) => x.hole === key) : undefined;
    return b ? { pivotMm: b.pivotMm, boreMm: b.boreMm } : null;
  };
  return {
    at: first.at.toISOString(),
    holes: lastHoles.map(({ key, pivotMm, holeLongMm, holeShortMm, verdict }) => ({
      key,
      pivotMm,
      holeLongMm,
      holeShortMm,
      verdict,
      bushed: bushOf(key),
    })),
  };
}

export const surveyRows = (visit: { id: string; movementId: string; openedAt: Date }) => ({
  ...lastSurveyRows(visit),
  holes: rows(SurveyedHole, 'where visit_id = ?', visit.id),
  partConditions: rows(PartCondition, 'where visit_id = ?', visit.id),
  platePhotos: rows(PlatePhoto, 'where visit_id = ?', visit.id),
});
export const viewSurvey = (found: RowsOf<ReturnType<typeof surveyRows>>) => ({
  holes: found.holes.map(viewHole),
  partConditions: found.partConditions.map(viewPart),
  platePhotos: found.platePhotos.map(viewPlatePhoto),
  lastSurvey: viewLastSurvey(found),
});

/** Version 0 says: nobody has measured this hole yet. The person's verdict stands beside the computed one. */
export async function measureHole(
  ctx: Context,
  visitId: string,
  key: string,
  { version, size, ...body }: ParsedBodyOf<typeof api.survey.setHole>,
): Promise<Shape> {
  const visit = await openVisit(ctx, visitId);
  const { traits } = await findOrRefuse(ctx, Movement, { id: visit.movementId }, 'movement');
  const hole = holesOf(traits).find((h) => h.key === key);
  if (!hole) throw notFound('hole in this movement');
  if (!playFits(size.kind, body.way))
    throw badField(
      'way',
      size.kind === 'lean'
        ? 'Lean is read in one plate, the other end free.'
        : 'Sideways play is read between the plates.',
    );
  const given = { ...body, ...waysOf(body.pivotMm, size), play: size.kind === 'measured' ? null : size };
  const problem = measureProblem(given);
  if (problem) throw badField(problem.field === 'pivotMm' ? 'pivotMm' : `size.${problem.field}`, problem.message);
  const turned = await ctx.em.findOne(PartCondition, { visitId, key: pivotKey(key) });
  const forced = forcedToBush(turned?.toMm ?? null);
  if (forced && given.verdict !== 'bush') throw badField('verdict', forced);
  const fields = { ...given, computed: judgeHole(given, hole.arbor.class).verdict, ...signature(ctx) };
  const before = await ctx.em.findOne(SurveyedHole, { visitId, key });
  if (before) {
    expectVersion(before.version, version, viewHole(before));
    ctx.em.assign(before, fields);
    await ctx.em.flush();
    return viewHole(before);
  }
  if (version !== 0) throw lostRace(null);
  const made = ctx.em.create(SurveyedHole, { visitId, key, ...fields });
  await ctx.em.flush();
  return viewHole(made);
}

export const viewPart = (l: PartCondition): Look => ({
  key: l.key,
  state: l.state,
  toMm: l.toMm ?? null,
  note: l.note,
  version: l.version,
  by: l.by,
  at: l.at.toISOString(),
});

async function lookable(ctx: Context, visitId: string): Promise<Map<string, SurveyedPart>> {
  const visit = await openVisit(ctx, visitId);
  const { traits } = await findOrRefuse(ctx, Movement, { id: visit.movementId }, 'movement');
  return new Map(partsToSurvey(traits).map((p) => [p.key, p]));
}

/** A pivot turned down makes its hole one to bush; with the turning taken back the measurements hold again. */
async function forceBush(ctx: Context, visitId: string, key: string, toMm: number | null): Promise<void> {
  const hole = await ctx.em.findOne(SurveyedHole, { visitId, key: holeOfPivot(key) ?? '' });
  if (!hole) return;
  const problem = toMm === null ? null : turningProblem(hole.pivotMm, toMm);
  if (problem) throw badField('toMm', problem);
  hole.verdict = toMm === null ? hole.computed : 'bush';
}

export async function setPart(
  ctx: Context,
  visitId: string,
  key: string,
  { version, ...given }: ParsedBodyOf<typeof api.survey.setPart>,
): Promise<Look> {
  const part = (await lookable(ctx, visitId)).get(key);
  if (!part) throw notFound('part in this movement');
  if (!partCanBe(part.kind, given.state))
    throw badField('state', `${part.name}: one of ${PART_KINDS[part.kind].states.map(([s]) => s).join(', ')}.`);
  if (given.toMm !== null && part.kind !== 'pivot') throw badField('toMm', 'Only a pivot is turned down.');
  const before = await ctx.em.findOne(PartCondition, { visitId, key });
  if ((before?.version ?? 0) !== version) throw lostRace(before ? viewPart(before) : null);
  if (part.kind === 'pivot' && (before?.toMm ?? null) !== given.toMm) await forceBush(ctx, visitId, key, given.toMm);
  const row = before
    ? ctx.em.assign(before, { ...given, ...signature(ctx) })
    : ctx.em.create(PartCondition, { visitId, key, ...given, ...signature(ctx) });
  await ctx.em.flush();
  return viewPart(row);
}

export async function removePart(ctx: Context, visitId: string, key: string): Promise<void> {
  await openVisit(ctx, visitId);
  const look = await findOrRefuse(ctx, PartCondition, { visitId, key }, 'look');
  if (look.toMm) await forceBush(ctx, visitId, key, null);
  ctx.em.remove(look);
}

/** The rest was looked at and is sound: what has its word keeps it. */
export async function soundParts(ctx: Context, visitId: string, keys: readonly string[]): Promise<void> {
  const parts = await lookable(ctx, visitId);
  const have = new Set((await ctx.em.find(PartCondition, { visitId })).map((l) => l.key));
  for (const key of new Set(keys)) {
    const part = parts.get(key);
    if (!part) throw notFound('part in this movement');
    if (!have.has(key))
      ctx.em.create(PartCondition, {
        visitId,
        key,
        state: PART_KINDS[part.kind].states[0][0],
        toMm: null,
        note: '',
        ...signature(ctx),
      });
  }
}

export const viewPlatePhoto = (p: PlatePhoto): PhotoShape => ({
  plate: p.plate,
  photoId: p.photoId,
  points: p.points,
  version: p.version,
  by: p.by,
  at: p.at.toISOString(),
});

/** A photo of this visit under a plate, with the holes that were pressed on it. */
export async function setPlatePhoto(
  ctx: Context,
  visitId: string,
  plate: string,
  { version, photoId, points }: ParsedBodyOf<typeof api.survey.setPlatePhoto>,
): Promise<PhotoShape> {
  const visit = await openVisit(ctx, visitId);
  if (!PLATES.includes(plate as Plate)) throw notFound('plate');
  await findOrRefuse(ctx, Photo, { id: photoId, visitId }, 'photo of this visit');
  const { traits } = await findOrRefuse(ctx, Movement, { id: visit.movementId }, 'movement');
  const own = new Set<string>(
    holesOf(traits)
      .filter((h) => h.plate === plate)
      .map((h) => h.key),
  );
  const strange = Object.keys(points).find((k) => !own.has(k));
  if (strange) throw badField(`points.${strange}`, `This plate has no hole ${strange}.`);
  const before = await ctx.em.findOne(PlatePhoto, { visitId, plate: plate as Plate });
  if ((before?.version ?? 0) !== version) throw lostRace(before ? viewPlatePhoto(before) : null);
  const row = before
    ? ctx.em.assign(before, { photoId, points, ...signature(ctx) })
    : ctx.em.create(PlatePhoto, { visitId, plate: plate as Plate, photoId, points, ...signature(ctx) });
  await ctx.em.flush();
  return viewPlatePhoto(row);
}

export async function removePlatePhoto(ctx: Context, visitId: string, plate: string): Promise<void> {
  await openVisit(ctx, visitId);
  ctx.em.remove(await findOrRefuse(ctx, PlatePhoto, { visitId, plate: plate as Plate }, 'photo under this plate'));
}
