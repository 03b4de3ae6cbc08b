import type { api, ParsedBodyOf, SubAssembly as Shape } from '@eclat/contract';
import { UNIT_STAGES, unitPowerFirst, unitStages, type UnitStage } from '@eclat/core/workflow';
import { rows, type RowsOf } from '../platform/database/rows.ts';
import { findOrRefuse, signature, viewSigned, type Context } from '../platform/http/context.ts';
import { badField, notFound, refused } from '../platform/http/problems.ts';
import { openVisit } from '../visit/lock.ts';
import { Unit, UnitRun, UnitStageEvent } from './sub-assemblies.entity.ts';

export const unitRows = (visitId: string) => ({
  units: rows(Unit, 'where visit_id = ? and removed_at is null order by at, id', visitId),
  unitStages: rows(UnitStageEvent, 'where visit_id = ? order by at', visitId),
  unitRuns: rows(UnitRun, 'where visit_id = ? order by at', visitId),
});

const view = (unit: Unit, log: readonly UnitStageEvent[], runs: readonly UnitRun[]): Shape => {
  const said = log.filter((e) => e.unitId === unit.id);
  return {
    ...{ id: unit.id, name: unit.name },
    stages: unitStages(said).map(({ stage, state, why }) => {
      const last = said.findLast((e) => e.stage === stage);
      return { stage, state, why, by: last?.by ?? '', at: last?.at.toISOString() ?? null };
    }),
    runs: runs
      .filter((r) => r.unitId === unit.id)
      .map(({ id, driven, found, good, endedBy, endedAt, by, at }) => ({
        ...{ id, driven, found, good: good ?? null, endedBy, by, at: at.toISOString() },
        endedAt: endedAt?.toISOString() ?? null,
      })),
    ...viewSigned(unit),
  };
};

export const viewUnits = ({ units, unitStages: log, unitRuns }: RowsOf<ReturnType<typeof unitRows>>): Shape[] =>
  units.map((u) => view(u, log, unitRuns));

/** It with all that was said of it. */
async function viewOf(ctx: Context, unit: Unit): Promise<Shape> {
  await ctx.em.flush();
  const of = [{ unitId: unit.id }, { orderBy: { at: 'asc' } }] as const;
  return view(unit, await ctx.em.find(UnitStageEvent, ...of), await ctx.em.find(UnitRun, ...of));
}

const unitOf = (ctx: Context, visitId: string, unitId: string) =>
  findOrRefuse(ctx, Unit, { id: unitId, visitId, removedAt: null }, 'sub-assembly');

export async function addUnit(
  ctx: Context,
  visitId: string,
  { name }: ParsedBodyOf<typeof api.subAssemblies.add>,
): Promise<Shape> {
  await openVisit(ctx, visitId);
  const there = await ctx.em.find(Unit, { visitId });
  const before = there.find((u) => u.name.toLowerCase() === name.toLowerCase());
  if (before?.removedAt === null) throw badField('name', 'That one goes by itself already.');
  // What was said of it before it went with the movement holds again.
  if (before) ctx.em.assign(before, { removedAt: null });
  return viewOf(ctx, before ?? ctx.em.create(Unit, { visitId, name, ...signature(ctx) }));
}

export async function setUnitStage(
  ctx: Context,
  visitId: string,
  unitId: string,
  stage: string,
  given: ParsedBodyOf<typeof api.subAssemblies.setStage>,
): Promise<Shape> {
  await openVisit(ctx, visitId);
  const unit = await unitOf(ctx, visitId, unitId);
  if (!(UNIT_STAGES as readonly string[]).includes(stage)) throw notFound('stage');
  if ((given.state === 'left' || given.state === 'not in this job') && given.why.trim() === '')
    throw badField('why', 'Say why.');
  const { stages, runs } = await viewOf(ctx, unit);
  const words = stages.flatMap((s) => (s.at === null ? [] : [{ stage: s.stage, at: s.at }]));
  const say = (of: UnitStage, word: typeof given) =>
    ctx.em.create(UnitStageEvent, { visitId, unitId, stage: of, ...word, ...signature(ctx) });
  say(stage as UnitStage, given);
  if (given.state === 'open' && unitPowerFirst(stage as UnitStage, words, runs))
    say('power', { state: 'open', why: 'It was wound to run by itself.' });
  return viewOf(ctx, unit);
}

export async function startUnitRun(
  ctx: Context,
  visitId: string,
  unitId: string,
  { driven }: ParsedBodyOf<typeof api.subAssemblies.startRun>,
): Promise<Shape> {
  await openVisit(ctx, visitId);
  const unit = await unitOf(ctx, visitId, unitId);
  if (await ctx.em.findOne(UnitRun, { unitId, endedAt: null }))
    throw refused('It runs by itself already.', 'End that run first.');
  ctx.em.create(UnitRun, { visitId, unitId, driven, ...signature(ctx), found: '', endedBy: '' });
  return viewOf(ctx, unit);
}

export async function endUnitRun(
  ctx: Context,
  visitId: string,
  unitId: string,
  runId: string,
  given: ParsedBodyOf<typeof api.subAssemblies.endRun>,
): Promise<Shape> {
  await openVisit(ctx, visitId);
  const unit = await unitOf(ctx, visitId, unitId);
  const run = await findOrRefuse(ctx, UnitRun, { id: runId, unitId }, 'run');
  if (run.endedAt) throw refused('That run has ended.', `${run.endedBy} ended it.`);
  ctx.em.assign(run, { ...given, endedBy: ctx.person.name, endedAt: ctx.now });
  if (given.good)
    ctx.em.create(UnitStageEvent, {
      ...{ visitId, unitId, stage: 'run', state: 'done', why: given.found },
      ...signature(ctx),
    });
  return viewOf(ctx, unit);
}

export async function removeUnit(ctx: Context, visitId: string, unitId: string): Promise<void> {
  await openVisit(ctx, visitId);
  ctx.em.assign(await unitOf(ctx, visitId, unitId), { removedAt: ctx.now });
}
