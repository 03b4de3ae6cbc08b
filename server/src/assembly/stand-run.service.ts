import type { api, ParsedBodyOf, StandRun as Shape } from '@eclat/contract';
import { findOrRefuse, signature, viewSigned, type Context } from '../platform/http/context.ts';
import { refused } from '../platform/http/problems.ts';
import { nowWound } from '../power-down/power-down.service.ts';
import { openVisit } from '../visit/lock.ts';
import { StandRun } from './assembly.entity.ts';

export const viewStandRun = (r: StandRun): Shape => ({
  ...{ id: r.id, off: r.off, watched: r.watched, found: r.found, endedBy: r.endedBy },
  endedAt: r.endedAt?.toISOString() ?? null,
  ...viewSigned(r),
});

/** It is wound and set going with parts off: from now on that is how it should be. */
export async function startStandRun(
  ctx: Context,
  visitId: string,
  given: ParsedBodyOf<typeof api.assembly.startStandRun>,
): Promise<Shape> {
  const visit = await openVisit(ctx, visitId);
  if (await ctx.em.findOne(StandRun, { visitId, endedAt: null }))
    throw refused('It runs on the stand already.', 'End that run first.');
  const run = ctx.em.create(StandRun, { visitId, ...given, ...signature(ctx), found: '', endedBy: '' });
  await nowWound(ctx, visit, ctx.now, `Wound to run with parts off: ${given.off}.`);
  await ctx.em.flush();
  return viewStandRun(run);
}

export async function endStandRun(ctx: Context, visitId: string, runId: string, found: string): Promise<Shape> {
  await openVisit(ctx, visitId);
  const run = await findOrRefuse(ctx, StandRun, { id: runId, visitId }, 'run');
  if (!run.endedAt) ctx.em.assign(run, { found, endedBy: ctx.person.name, endedAt: ctx.now });
  await ctx.em.flush();
  return viewStandRun(run);
}
