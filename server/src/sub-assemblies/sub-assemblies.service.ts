import type { api, ParsedBodyOf, SubAssembly as Shape } from '@eclat/contract';
import { UNIT_STAGES, unitStages, type UnitStage } from '@eclat/core/workflow';
import { rows, type RowsOf } from '../platform/database/rows.ts';
import { findOrRefuse, signature, viewSigned, type Context } from '../platform/http/context.ts';
import { badField, notFound } from '../platform/http/problems.ts';
import { openVisit } from '../visit/lock.ts';
import { Unit, UnitStageEvent } from './sub-assemblies.entity.ts';

export const unitRows = (visitId: string) => ({
  units: rows(Unit, 'where visit_id = ? order by at, id', visitId),
  unitStages: rows(UnitStageEvent, 'where visit_id = ? order by at', visitId),
});

const view = (unit: Unit, log: readonly UnitStageEvent[]): Shape => {
  const said = log.filter((e) => e.unitId === unit.id);
  return {
    ...{ id: unit.id, name: unit.name },
    stages: unitStages(said).map(({ stage, state, why }) => {
      const last = said.findLast((e) => e.stage === stage);
      return { stage, state, why, by: last?.by ?? '', at: last?.at.toISOString() ?? null };
    }),
    ...viewSigned(unit),
  };
};

export const viewUnits = ({ units, unitStages: log }: RowsOf<ReturnType<typeof unitRows>>): Shape[] =>
  units.map((u) => view(u, log));

export async function addUnit(
  ctx: Context,
  visitId: string,
  { name }: ParsedBodyOf<typeof api.subAssemblies.add>,
): Promise<Shape> {
  await openVisit(ctx, visitId);
  const there = await ctx.em.find(Unit, { visitId });
  if (there.some((u) => u.name.toLowerCase() === name.toLowerCase()))
    throw badField('name', 'That one goes by itself already.');
  const unit = ctx.em.create(Unit, { visitId, name, ...signature(ctx) });
  await ctx.em.flush();
  return view(unit, []);
}

export async function setUnitStage(
  ctx: Context,
  visitId: string,
  unitId: string,
  stage: string,
  given: ParsedBodyOf<typeof api.subAssemblies.setStage>,
): Promise<Shape> {
  await openVisit(ctx, visitId);
  const unit = await findOrRefuse(ctx, Unit, { id: unitId, visitId }, 'sub-assembly');
  if (!(UNIT_STAGES as readonly string[]).includes(stage)) throw notFound('stage');
  if ((given.state === 'left' || given.state === 'not in this job') && given.why.trim() === '')
    throw badField('why', 'Say why.');
  ctx.em.create(UnitStageEvent, { visitId, unitId, stage: stage as UnitStage, ...given, ...signature(ctx) });
  await ctx.em.flush();
  return view(unit, await ctx.em.find(UnitStageEvent, { unitId }, { orderBy: { at: 'asc' } }));
}

export async function removeUnit(ctx: Context, visitId: string, unitId: string): Promise<void> {
  await openVisit(ctx, visitId);
  const unit = await findOrRefuse(ctx, Unit, { id: unitId, visitId }, 'sub-assembly');
  await ctx.em.nativeDelete(UnitStageEvent, { unitId });
  ctx.em.remove(unit);
}
