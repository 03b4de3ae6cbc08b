import type { ElectricEntry, ParsedBodyOf } from '@eclat/contract';
import { api } from '@eclat/contract';
import { need, openVisit, signature, type Context } from '../platform/http/context.ts';
import { ElectricLook } from './electric.entity.ts';

export const presentElectric = (e: ElectricLook): ElectricEntry => ({
  id: e.id,
  look: e.look,
  by: e.by,
  at: e.at.toISOString(),
});

export async function addElectric(
  ctx: Context,
  visitId: string,
  { look }: ParsedBodyOf<typeof api.electric.add>,
): Promise<ElectricEntry> {
  await openVisit(ctx, visitId);
  const row = ctx.em.create(ElectricLook, { visitId, look, ...signature(ctx) });
  await ctx.em.flush();
  return presentElectric(row);
}

export async function removeElectric(ctx: Context, visitId: string, id: string): Promise<void> {
  await openVisit(ctx, visitId);
  ctx.em.remove(await need(ctx, ElectricLook, { id, visitId }, 'reading'));
}
