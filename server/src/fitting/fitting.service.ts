import { isDeepStrictEqual } from 'node:util';
import { openVisit } from '../visit/lock.ts';
import type { ParsedBodyOf, Part, PartWork as Work } from '@eclat/contract';
import { api } from '@eclat/contract';
import { holesOf } from '@eclat/core/movement';
import { fittedAt, sizeProblems } from '@eclat/core/stores';
import { rows, type RowsOf } from '../platform/database/rows.ts';
import { findOrRefuse, signature, viewSigned, type Context } from '../platform/http/context.ts';
import { badField } from '../platform/http/problems.ts';
import { movementNow } from '../movements/movements.service.ts';
import { Movement } from '../movements/movements.entity.ts';
import { holdApart } from '../power-down/power-down.service.ts';
import { putBackInStock, takeFromStock } from '../stores/stores.service.ts';
import { Bush, PartFitted, PartWork } from './fitting.entity.ts';

export async function addBush(ctx: Context, visitId: string, given: ParsedBodyOf<typeof api.fitting.addBush>) {
  const visit = await openVisit(ctx, visitId);
  await ownHole(ctx, visit.movementId, given.hole);
  canBeBush(given);
  await holdApart(ctx, visit, 'plates', 'hole');
  const row = ctx.em.create(Bush, { visitId, ...given, ...signature(ctx) });
  await ctx.em.flush();
  if (given.stockId) await takeFromStock(ctx, given.stockId, 1, visitId, row.id);
  return viewBush(row);
}

/** @throws 422 when the movement has no such hole */
export async function ownHole(ctx: Context, movementId: string, key: string): Promise<void> {
  const { traits } = await findOrRefuse(ctx, Movement, { id: movementId }, 'movement');
  if (!holesOf(traits).some((h) => h.key === key)) throw badField('hole', 'This movement has no such hole.');
}

function canBeBush({ pivotMm, boreMm, outsideMm }: { pivotMm: number; boreMm: number; outsideMm: number }): void {
  if (boreMm < pivotMm) throw badField('boreMm', 'The bore cannot be smaller than its pivot.');
  if (outsideMm <= boreMm) throw badField('outsideMm', 'The outside must be more than the bore.');
}

/** What was entered wrong is put right; the hole, and the size that left the stores, stay. */
export async function setBush(
  ctx: Context,
  visitId: string,
  id: string,
  given: ParsedBodyOf<typeof api.fitting.setBush>,
) {
  await openVisit(ctx, visitId);
  canBeBush(given);
  const row = await findOrRefuse(ctx, Bush, { id, visitId }, 'bush');
  if (row.stockId && (row.outsideMm !== given.outsideMm || row.heightMm !== given.heightMm))
    throw badField('outsideMm', 'This one left the stores in its size: take it out, and enter the other.');
  // Whose it is and when it was fitted stay: of several tries in a hole the last one counts.
  ctx.em.assign(row, given);
  await ctx.em.flush();
  return viewBush(row);
}

export const fittingRows = (visitId: string) => ({
  bushes: rows(Bush, 'where visit_id = ? order by at', visitId),
  work: rows(PartWork, 'where visit_id = ? order by at', visitId),
  parts: rows(PartFitted, 'where visit_id = ? order by at', visitId),
  donors: rows(Movement, 'where id in (select donor_id from part_fitted where visit_id = ?)', visitId),
});

export const viewFitting = ({ bushes, work, parts, donors }: RowsOf<ReturnType<typeof fittingRows>>) => ({
  bushes: bushes.map(viewBush),
  work: work.map(viewWork),
  parts: parts.map((p) => viewPart(p, donors.find((d) => d.id === p.donorId)?.code ?? null)),
});

const viewWork = ({ id, part, did, before, after, reversible, agreed = null, hole = null, ...w }: PartWork): Work => ({
  ...{ id, part, did, before, after, reversible, agreed, hole },
  ...viewSigned(w),
});

export async function addWork(
  ctx: Context,
  visitId: string,
  given: ParsedBodyOf<typeof api.fitting.addWork>,
): Promise<Work> {
  const visit = await openVisit(ctx, visitId);
  if (given.hole !== null) await ownHole(ctx, visit.movementId, given.hole);
  const row = ctx.em.create(PartWork, { visitId, ...given, ...signature(ctx) });
  await ctx.em.flush();
  return viewWork(row);
}

export async function removeWork(ctx: Context, visitId: string, id: string): Promise<void> {
  await openVisit(ctx, visitId);
  ctx.em.remove(await findOrRefuse(ctx, PartWork, { id, visitId }, 'work'));
}

const viewBush = (b: Bush) => ({
  id: b.id,
  hole: b.hole,
  pivotMm: b.pivotMm,
  boreMm: b.boreMm,
  outsideMm: b.outsideMm,
  heightMm: b.heightMm,
  note: b.note,
  located: b.located ?? null,
  off: b.off,
  endShakeMm: b.endShakeMm ?? null,
  spins: b.spins ?? null,
  stockId: b.stockId ?? null,
  ...viewSigned(b),
});

const viewPart = (p: PartFitted, donorCode: string | null): Part => ({
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
  await holdApart(ctx, visit, fittedAt(given.kind), 'kind');
  const donor = given.source === 'donor movement' ? await movementNow(ctx, given.donorId) : null;
  if (donor?.id === visit.movementId) throw badField('donorId', 'A movement cannot be its own donor.');
  const stockId = given.source === 'from stock' ? given.stockId : null;
  const row = ctx.em.create(PartFitted, { visitId, ...given, stockId, donorId: donor?.id ?? null, ...signature(ctx) });
  await ctx.em.flush();
  if (stockId) await takeFromStock(ctx, stockId, given.quantity, visitId, row.id);
  return viewPart(row, donor?.code ?? null);
}

const LINKED: readonly Part['source'][] = ['from stock', 'donor movement'];

/** What was entered wrong is put right; its kind, how many, and what it was taken from stay. */
export async function setPart(
  ctx: Context,
  visitId: string,
  id: string,
  given: ParsedBodyOf<typeof api.fitting.setPart>,
): Promise<Part> {
  await openVisit(ctx, visitId);
  const row = await findOrRefuse(ctx, PartFitted, { id, visitId }, 'part');
  const [wrong] = sizeProblems(row.kind, given.sizes);
  if (wrong) throw badField(`sizes.${wrong.size}`, wrong.message);
  if (row.source !== given.source && (LINKED.includes(row.source) || LINKED.includes(given.source)))
    throw badField('source', 'Take it out, and enter it from there: the stores and the donor keep account.');
  if (row.stockId && !isDeepStrictEqual(row.sizes, given.sizes))
    throw badField('sizes', 'This one left the stores in its size: take it out, and enter the other.');
  ctx.em.assign(row, given, { merge: false });
  await ctx.em.flush();
  const donor = row.donorId ? await ctx.em.findOne(Movement, { id: row.donorId }) : null;
  return viewPart(row, donor?.code ?? null);
}

export async function removeBush(ctx: Context, visitId: string, id: string): Promise<void> {
  await openVisit(ctx, visitId);
  ctx.em.remove(await findOrRefuse(ctx, Bush, { id, visitId }, 'bush'));
  await putBackInStock(ctx, id);
}

export async function removePart(ctx: Context, visitId: string, id: string): Promise<void> {
  await openVisit(ctx, visitId);
  ctx.em.remove(await findOrRefuse(ctx, PartFitted, { id, visitId }, 'part'));
  await putBackInStock(ctx, id);
}
