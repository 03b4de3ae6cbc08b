import { openVisit } from '../visit/lock.ts';
import type { api, ParsedBodyOf } from '@eclat/contract';
import { oilChart } from '@eclat/core/oiling';
import { findOrRefuse, signature, viewSigned, type Context } from '../platform/http/context.ts';
import { badField, notFound } from '../platform/http/problems.ts';
import { Movement } from '../movements/movements.entity.ts';
import { StockItem } from '../stores/stores.entity.ts';
import { OiledPoint } from './oiling.entity.ts';

import { rows, type RowsOf } from '../platform/database/rows.ts';

export const oilingRows = (visitId: string) => ({ oiled: rows(OiledPoint, 'where visit_id = ?', visitId) });
export const viewOiling = ({ oiled }: RowsOf<ReturnType<typeof oilingRows>>) => ({
  oiled: oiled.map(({ point, product, batch, stockId, differs, ...o }) => ({
    ...{ point, product, batch, stockId: stockId ?? null, differs },
    ...viewSigned(o),
  })),
});

export async function setPoint(
  ctx: Context,
  visitId: string,
  point: string,
  given: ParsedBodyOf<typeof api.oiling.setPoint>,
) {
  const visit = await openVisit(ctx, visitId);
  const { traits } = await findOrRefuse(ctx, Movement, { id: visit.movementId }, 'movement');
  if (!oilChart(traits).some((p) => p.id === point)) throw notFound('point on this chart');
  if (given.stockId && !(await ctx.em.findOne(StockItem, { id: given.stockId })))
    throw badField('stockId', 'This is not in the stores.');
  await ctx.em.upsert(OiledPoint, { visitId, point, ...given, ...signature(ctx) });
  return { point, ...given, by: ctx.person.name, at: ctx.now.toISOString() };
}

export async function removePoint(ctx: Context, visitId: string, point: string): Promise<void> {
  await openVisit(ctx, visitId);
  await ctx.em.nativeDelete(OiledPoint, { visitId, point });
}
