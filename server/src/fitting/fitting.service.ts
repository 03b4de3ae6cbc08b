import type { ParsedBodyOf } from '@eclat/contract';
import { api } from '@eclat/contract';
import { holesOf } from '@eclat/core/movement';
import { need, openVisit, signature, type Context } from '../http/context.ts';
import { badField } from '../http/problems.ts';
import { Movement } from '../movements/movements.entity.ts';
import { Bush, PartFitted } from './fitting.entity.ts';

async function written<T extends object>(ctx: Context, given: T, row: { id: string; by: string; at: Date }) {
  await ctx.em.flush();
  return { ...given, id: row.id, by: row.by, at: row.at.toISOString() };
}

export async function addBush(ctx: Context, visitId: string, given: ParsedBodyOf<typeof api.fitting.addBush>) {
  const visit = await openVisit(ctx, visitId);
  const { traits } = await need(ctx, Movement, { id: visit.movementId }, 'movement');
  if (!holesOf(traits).some((h) => h.key === given.hole)) throw badField('hole', 'This movement has no such hole.');
  if (given.boreMm < given.pivotMm) throw badField('boreMm', 'The bore cannot be smaller than its pivot.');
  if (given.outsideMm <= given.boreMm) throw badField('outsideMm', 'The outside must be more than the bore.');
  return written(ctx, given, ctx.em.create(Bush, { visitId, ...given, ...signature(ctx) }));
}

export async function addPart(ctx: Context, visitId: string, given: ParsedBodyOf<typeof api.fitting.addPart>) {
  await openVisit(ctx, visitId);
  return written(ctx, given, ctx.em.create(PartFitted, { visitId, ...given, ...signature(ctx) }));
}

export async function removeBush(ctx: Context, visitId: string, id: string): Promise<void> {
  await openVisit(ctx, visitId);
  ctx.em.remove(await need(ctx, Bush, { id, visitId }, 'bush'));
}

export async function removePart(ctx: Context, visitId: string, id: string): Promise<void> {
  await openVisit(ctx, visitId);
  ctx.em.remove(await need(ctx, PartFitted, { id, visitId }, 'part'));
}
