import { openVisit } from './lock.ts';
import type { ParsedBodyOf, Visit as Shape } from '@eclat/contract';
import { api, COMPLAINT_WANTED } from '@eclat/contract';
import { CAUTIONS } from '@eclat/core/cautions';
import { readyFacts } from '@eclat/core/visit';
import { COUNTER_STAGES, notReady, STAGE_IDS, stageName, type StageId, type StageStateId } from '@eclat/core/workflow';
import { expectVersion, signature, type Context } from '../platform/http/context.ts';
import { badField, HttpProblem, notFound, refused } from '../platform/http/problems.ts';
import { Owner } from '../owners/owners.entity.ts';
import { viewVisit } from './visit.view.ts';
import { CautionRead, StageEvent } from './visit.entity.ts';

export async function changeVisit(
  ctx: Context,
  visitId: string,
  { version, ...fields }: ParsedBodyOf<typeof api.visit.change>,
): Promise<Shape> {
  const visit = await openVisit(ctx, visitId);
  expectVersion(visit.version, version, {
    version: visit.version,
    complaint: visit.complaint,
    wanted: visit.wanted,
    notWanted: visit.notWanted,
    outOfScope: visit.outOfScope,
    promisedFor: visit.promisedFor ?? null,
    prognosis: visit.prognosis,
    lookAgainOn: visit.lookAgainOn ?? null,
  });
  if (fields.complaint === '') {
    const owner = await ctx.em.findOneOrFail(Owner, { id: visit.ownerId });
    if (!owner.ownStock) throw badField('complaint', COMPLAINT_WANTED.message);
  }
  ctx.em.assign(visit, fields);
  await ctx.em.flush();
  return viewVisit(ctx, visitId);
}

/** The rules of a stage, as core has them: who says a word on it, and what is asked before it is done. */
async function mayEnd(ctx: Context, visitId: string, stage: StageId, state: StageStateId): Promise<void> {
  if (ctx.person.role === 'counter' && !COUNTER_STAGES.includes(stage))
    throw new HttpProblem(403, 'Your role may not do this.', {
      detail: 'A technician or the owner of the shop decides on this stage.',
    });
  const why = state === 'done' ? notReady(readyFacts(await viewVisit(ctx, visitId), ctx.now.getTime()), stage) : null;
  if (why) throw refused(`${stageName(stage)} is not done yet.`, why);
}

export async function markStage(
  ctx: Context,
  visitId: string,
  stage: string,
  { state, why }: ParsedBodyOf<typeof api.visit.setStage>,
): Promise<void> {
  if (!STAGE_IDS.includes(stage as StageId) || stage === 'sign') throw notFound('stage to mark');
  await openVisit(ctx, visitId);
  await mayEnd(ctx, visitId, stage as StageId, state);
  ctx.em.create(StageEvent, { visitId, stage: stage as StageId, state, why, ...signature(ctx) });
}

export async function readCaution(ctx: Context, visitId: string, caution: string): Promise<void> {
  if (!CAUTIONS.some((c) => c.id === caution)) throw notFound('caution');
  await openVisit(ctx, visitId);
  if (!(await ctx.em.findOne(CautionRead, { visitId, caution })))
    ctx.em.create(CautionRead, { visitId, caution, ...signature(ctx) });
}
