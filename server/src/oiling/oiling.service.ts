import { oilChart } from '@eclat/core/oiling';
import { need, openVisit, signature, type Context } from '../http/context.ts';
import { notFound } from '../http/problems.ts';
import { Movement } from '../movements/movements.entity.ts';
import { OiledPoint } from './oiling.entity.ts';

export async function tickPoint(ctx: Context, visitId: string, point: string, product: string) {
  const visit = await openVisit(ctx, visitId);
  const { traits } = await need(ctx, Movement, { id: visit.movementId }, 'movement');
  if (!oilChart(traits).some((p) => p.id === point)) throw notFound('point on this chart');
  await ctx.em.upsert(OiledPoint, { visitId, point, product, ...signature(ctx) });
  return { point, product, by: ctx.person.name, at: ctx.now.toISOString() };
}

export async function untickPoint(ctx: Context, visitId: string, point: string): Promise<void> {
  await openVisit(ctx, visitId);
  await ctx.em.nativeDelete(OiledPoint, { visitId, point });
}
