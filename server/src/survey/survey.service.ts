import { viewHole, viewPart, viewPlatePhoto } from './survey.view.ts';
import { openVisit } from '../visit/lock.ts';
import type {
  ParsedBodyOf,
  PartCondition as Look,
  PlatePhoto as PhotoShape,
  SurveyedHole as Shape,
} from '@eclat/contract';
import { api } from '@eclat/contract';
import { holesOf, PLATES, type ArborClass, type Plate } from '@eclat/core/movement';
import {
  forcedToBush,
  isJewel,
  unfit,
  verdictFits,
  waysOf,
  holeOfPivot,
  holeFigures,
  measureProblem,
  partCanBe,
  partsToSurvey,
  pivotKey,
  PART_KINDS,
  playFits,
  turningProblem,
  type SurveyedPart,
} from '@eclat/core/pivots';
import { expectVersion, findOrRefuse, signature, type Context } from '../platform/http/context.ts';
import { badField, lostRace, notFound } from '../platform/http/problems.ts';
import { holdApart } from '../power-down/power-down.service.ts';
import { Photo } from '../photos/photos.entity.ts';
import { Movement } from '../movements/movements.entity.ts';
import { PartCondition, PlatePhoto, SurveyedHole } from './survey.entity.ts';

/** What was measured and what it says; all of it null where the hole was felt. */
function figuresOf(pivotMm: number | null, size: Shape['size'], arbor: ArborClass, jewel: boolean) {
  if (size.kind !== 'felt' && pivotMm !== null) {
    const problem = measureProblem({ pivotMm, ...waysOf(pivotMm, size) });
    if (problem) throw badField(problem.field === 'pivotMm' ? 'pivotMm' : `size.${problem.field}`, problem.message);
  }
  const figures = holeFigures(pivotMm, size, arbor, jewel);
  if (!figures)
    throw size.kind === 'felt'
      ? badField('size', 'Measure the hole and its pivot, or neither.')
      : badField('pivotMm', 'Measure the hole too.');
  return { ...figures, pivotMm, play: size.kind === 'measured' || size.kind === 'felt' ? null : size };
}

export async function removeHole(ctx: Context, visitId: string, key: string): Promise<void> {
  await openVisit(ctx, visitId);
  ctx.em.remove(await findOrRefuse(ctx, SurveyedHole, { visitId, key }, 'verdict on this hole'));
}

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
  // By caliper, or with one end of its arbor free: the plates are apart.
  if (size.kind === 'measured' || size.kind === 'lean') await holdApart(ctx, visit, 'plates', 'size');
  const given = { ...body, ...figuresOf(body.pivotMm, size, hole.arbor.class, isJewel(body.past)) };
  const turned = await ctx.em.findOne(PartCondition, { visitId, key: pivotKey(key) });
  if (given.verdict === 'not reached' && size.kind !== 'felt')
    throw badField('verdict', 'It was measured, so it was reached.');
  if (!verdictFits(given.verdict, isJewel(given.past)))
    throw badField(
      'verdict',
      isJewel(given.past) ? 'A jewel is never eased or bushed: renew it.' : 'Only a jewel is renewed: bush the hole.',
    );
  const forced = forcedToBush(turned?.toMm ?? null, given.past);
  if (forced && given.verdict !== unfit(given.past)) throw badField('verdict', forced);
  const fields = { ...given, ...signature(ctx) };
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

/** The rest was rocked and is sound: what has its verdict keeps it, and a pivot turned down forces its own. */
export async function soundHoles(
  ctx: Context,
  visitId: string,
  { holes, way }: ParsedBodyOf<typeof api.survey.setRestSound>,
): Promise<{ holes: string[] }> {
  const visit = await openVisit(ctx, visitId);
  const { traits } = await findOrRefuse(ctx, Movement, { id: visit.movementId }, 'movement');
  const own = new Set<string>(holesOf(traits).map((h) => h.key));
  const have = new Set((await ctx.em.find(SurveyedHole, { visitId })).map((h) => h.key));
  const turned = await ctx.em.find(PartCondition, { visitId, toMm: { $ne: null } });
  if (holes.some((key) => !own.has(key))) throw notFound('hole in this movement');
  const open = [...new Set(holes)].filter((key) => !have.has(key));
  for (const key of open) {
    const forced = turned.some((l) => l.key === pivotKey(key));
    ctx.em.create(SurveyedHole, {
      ...{ visitId, key, way, note: '', past: 'original' as const, verdict: forced ? unfit('original') : 'sound' },
      ...signature(ctx),
    });
  }
  return { holes: open };
}

/** Only what stands as one press for all left it: a verdict that somebody gave since is theirs. */
export async function clearHoles(ctx: Context, visitId: string, holes: readonly string[]): Promise<void> {
  await openVisit(ctx, visitId);
  ctx.em.remove(
    await ctx.em.find(SurveyedHole, { visitId, key: { $in: [...holes] }, version: 1, verdict: 'sound', pivotMm: null }),
  );
}

export async function clearParts(ctx: Context, visitId: string, keys: readonly string[]): Promise<void> {
  const parts = await lookable(ctx, visitId);
  const looked = await ctx.em.find(PartCondition, { visitId, key: { $in: [...keys] }, version: 1 });
  ctx.em.remove(
    looked.filter((l) => {
      const part = parts.get(l.key);
      return part && l.state === firstState(part);
    }),
  );
}

const firstState = (part: SurveyedPart): string => PART_KINDS[part.kind].states[0][0];

async function lookable(ctx: Context, visitId: string): Promise<Map<string, SurveyedPart>> {
  const visit = await openVisit(ctx, visitId);
  const { traits } = await findOrRefuse(ctx, Movement, { id: visit.movementId }, 'movement');
  return new Map(partsToSurvey(traits).map((p) => [p.key, p]));
}

/** A pivot turned down makes its hole one to bush; with the turning taken back the measurements hold again. */
async function forceBush(ctx: Context, visitId: string, key: string, toMm: number | null): Promise<void> {
  const hole = await ctx.em.findOne(SurveyedHole, { visitId, key: holeOfPivot(key) ?? '' });
  if (!hole) return;
  const problem = toMm === null || typeof hole.pivotMm !== 'number' ? null : turningProblem(hole.pivotMm, toMm);
  if (problem) throw badField('toMm', problem);
  if (toMm !== null) hole.verdict = unfit(hole.past);
  else if (hole.computed) hole.verdict = hole.computed;
  // What was felt before is not kept beside it: it is felt again.
  else ctx.em.remove(hole);
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
  // Turned down, its arbor is out.
  if (given.toMm !== null && before?.toMm !== given.toMm)
    await holdApart(ctx, await openVisit(ctx, visitId), 'plates', 'toMm');
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

/** The rest was looked at and is sound, right or polished: what has its word keeps it. */
export async function soundParts(ctx: Context, visitId: string, keys: readonly string[]): Promise<{ parts: string[] }> {
  const parts = await lookable(ctx, visitId);
  const have = new Set((await ctx.em.find(PartCondition, { visitId })).map((l) => l.key));
  if (keys.some((key) => !parts.has(key))) throw notFound('part in this movement');
  const open = [...new Set(keys)].filter((key) => !have.has(key));
  for (const key of open)
    ctx.em.create(PartCondition, {
      ...{ visitId, key, state: firstState(parts.get(key)!), toMm: null, note: '' },
      ...signature(ctx),
    });
  return { parts: open };
}

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
