import { openVisit } from '../visit/lock.ts';
import type { ElectricEntry, ParsedBodyOf } from '@eclat/contract';
import { api } from '@eclat/contract';
import { findOrRefuse, signature, type Context } from '../platform/http/context.ts';
import { ElectricTest } from './electric.entity.ts';

export const viewElectric = (e: ElectricTest): ElectricEntry => ({
  id: e.id,
  test: e.test,
  by: e.by,
  at: e.at.toISOString(),
});

export async function addElectric(
  ctx: Context,
  visitId: string,
  { test }: ParsedBodyOf<typeof api.electric.add>,
): Promise<ElectricEntry> {
  await openVisit(ctx, visitId);
  const row = ctx.em.create(ElectricTest, { visitId, test, ...signature(ctx) });
  await ctx.em.flush();
  return viewElectric(row);
}

export async function removeElectric(ctx: Context, visitId: string, id: string): Promise<void> {
  await openVisit(ctx, visitId);
  ctx.em.remove(await findOrRefuse(ctx, ElectricTest, { id, visitId }, 'reading'));
}
