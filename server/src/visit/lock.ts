import { LockMode } from '@mikro-orm/core';
import { Visit } from './visit.entity.ts';
import { notFound, refused } from '../platform/http/problems.ts';
import type { Context } from '../platform/http/context.ts';

/**
 * The visit, locked until the unit of work ends: changes to one visit come one after another.
 * @throws 404 when there is none, 409 when it is signed
 */
export async function openVisit(ctx: Context, visitId: string): Promise<Visit> {
  const visit = await ctx.em.findOne(Visit, { id: visitId }, { lockMode: LockMode.PESSIMISTIC_WRITE });
  mayBeChanged(visit);
  ctx.touched.add(visitId);
  return visit;
}

/** As `openVisit` refuses, without a lock: asked before long work that would be for nothing. */
export const standsOpen = async (ctx: Context, visitId: string): Promise<void> =>
  mayBeChanged(await ctx.em.findOne(Visit, { id: visitId }));

function mayBeChanged(visit: Visit | null): asserts visit {
  if (!visit) throw notFound('visit');
  if (visit.closedAt)
    throw refused('This visit is signed and closed.', 'Add an amendment in the movement book instead.');
}
