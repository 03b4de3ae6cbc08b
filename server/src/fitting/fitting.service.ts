import type { ParsedBodyOf, Part } from '@eclat/contract';
import { api } from '@eclat/contract';
import { holesOf } from '@eclat/core/movement';
import { sizeProblems } from '@eclat/core/stores';
import { rows, type RowsOf } from '../platform/database/rows.ts';
import { need, openVisit, signature, type Context } from '../platform/http/context.ts';
import { badField } from '../platform/http/problems.ts';
import { movementNow } from '../movements/movements.service.ts';
import { Movement } from '../movements/movements.entity.ts';
import { putBackInStock, takeFromStock } from '../stores/stores.service.ts';
import { Bush, PartFitted } from './fitting.entity.ts';

export async function addBush(ctx: Context, visitId: string, given: ParsedBodyOf<typeof api.fitting.addBush>) {
  const visit = await openVisit(ctx, visitId);
  const { traits } = await need(ctx, Movement, { id: visit.movementId }, 'movement');
  if (!holesOf(traits).some((h) => h.key === given.hole)) throw badField('hole', 'This movement has no such hole.');
  if (given.boreMm < given.pivotMm) throw badField('boreMm', 'The bore cannot be smaller than its pivot.');
  if (given.outsideMm <= given.boreMm) throw badField('outsideMm', 'The outside must be more than the bore.');
  const row = ctx.em.create(Bush, { visitId, ...given, ...signature(ctx) });
  await ctx.em.flush();
  if (given.stockId) await takeFromStock(ctx, given.stockId, 1, visitId, row.id);
  return { ...given, id: row.id, by: row.by, at: row.at.toISOString() };
}

export const partsAsk = (visitId: string) => ({
  parts: rows(PartFitted, 'where visit_id = ? order by at', visitId),
  donors: rows(Movement, 'where id in (select donor_id from part_fitted where visit_id = ?)', visitId),
});

export const showParts = ({ parts, donors }: RowsOf<ReturnType<typeof partsAsk>>): Part[] =>
  parts.map((p) => showPart(p, donors.find((d) => d.id === p.donorId)?.code ?? null));

const showPart = (p: PartFitted, donorCode: string | null): Part => ({
  id: p.id,
  what: p.what,
  kind: p.kind,
  sizes: p.sizes,
  size: p.size,
  why: p.why,
  source: p.source,
  oldPart: p.oldPart,
  quantity: p.quantity,
  cost: p.cost,
  stockId: p.stockId ?? null,
  donorId: p.donorId ?? null,
  donorCode,
  by: p.by,
  at: p.at.toISOString(),
});

/** A part leaves the shelf or the movement that gives it; the donor's book says so. */
export async function addPart(
  ctx: Context,
  visitId: string,
  given: ParsedBodyOf<typeof api.fitting.addPart>,
): Promise<Part> {
  const visit = await openVisit(ctx, visitId);
  const [wrong] = sizeProblems(given.kind, given.sizes);
  if (wrong) throw badField(`sizes.${wrong.size}`, wrong.message);
  const donor = given.source === 'donor movement' && given.donorId ? await movementNow(ctx, given.donorId) : null;
  if (donor?.id === visit.movementId) throw badField('donorId', 'A movement cannot be its own donor.');
  const stockId = given.source === 'from stock' ? given.stockId : null;
  const row = ctx.em.create(PartFitted, { visitId, ...given, stockId, donorId: donor?.id ?? null, ...signature(ctx) });
  await ctx.em.flush();
  if (stockId) await takeFromStock(ctx, stockId, given.quantity, visitId, row.id);
  return showPart(row, donor?.code ?? null);
}

export async function removeBush(ctx: Context, visitId: string, id: string): Promise<void> {
  await openVisit(ctx, visitId);
  ctx.em.remove(await need(ctx, Bush, { id, visitId }, 'bush'));
  await putBackInStock(ctx, id);
}

export async function removePart(ctx: Context, visitId: string, id: string): Promise<void> {
  await openVisit(ctx, visitId);
  ctx.em.remove(await need(ctx, PartFitted, { id, visitId }, 'part'));
  await putBackInStock(ctx, id);
}
