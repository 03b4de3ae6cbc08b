import type { StageId, StageStateId } from '@eclat/core/workflow';
import type { Context } from '../platform/http/context.ts';
import { StageEvent } from './visit.entity.ts';

/** The latest word on a stage; undefined: the shape of the job says where it stands. */
export async function wordOn(ctx: Context, visitId: string, stage: StageId): Promise<StageStateId | undefined> {
  const [last] = await ctx.em.find(StageEvent, { visitId, stage }, { orderBy: { at: 'desc' }, limit: 1 });
  return last?.state;
}
