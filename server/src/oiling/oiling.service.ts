import { openVisit } from '../visit/lock.ts';
import type { api, ParsedBodyOf, Visit } from '@eclat/contract';
import type { Traits } from '@eclat/core/movement';
import { oilChart, oilHolding } from '@eclat/core/oiling';
import type { PassDepth } from '@eclat/core/workflow';
import { findOrRefuse, signature, viewSigned, type Context } from '../platform/http/context.ts';
import { badField, notFound } from '../platform/http/problems.ts';
import { Movement } from '../movements/movements.entity.ts';
import { StockItem } from '../stores/stores.entity.ts';
import { StripPass } from '../strip/strip.entity.ts';
import { OiledPoint } from './oiling.entity.ts';

import { rows, type RowsOf } from '../platform/database/rows.ts';

export const oilingRows = (visitId: string) => ({ oiled: rows(OiledPoint, 'where visit_id = ? order by at', visitId) });
export function viewOiling(
  { oiled }: RowsOf<ReturnType<typeof oilingRows>>,
  traits: Traits,
  passes: readonly PassDepth[],
): Pick<Visit, 'oiled' | 'earlierOiled'> {
  const all = oiled.map(({ point, product, batch, stockId, dry, differs, by, at }) => ({
    ...{ point, product, batch, stockId: stockId ?? null, dry, differs },
    ...viewSigned({ by, at }),
  }));
  const holding = oilHolding(oilChart(traits), all, passes);
  return { oiled: holding, earlierOiled: all.filter((o) => !holding.includes(o)) };
}

/** The last word on a point, where nothing was opened after it. */
async function lastWord(ctx: Context, visitId: string, point: string, traits: Traits) {
  const [last] = await ctx.em.find(OiledPoint, { visitId, point }, { orderBy: { at: 'desc' }, limit: 1 });
  if (!last) return null;
  const passes = (await ctx.em.find(StripPass, { visitId })).map(({ depth, at }) => ({ depth, at: at.toISOString() }));
  const word = { point, at: last.at.toISOString() };
  return oilHolding(oilChart(traits), [word], passes).length > 0 ? last : null;
}

export async function setPoint(
  ctx: Context,
  visitId: string,
  point: string,
  typed: ParsedBodyOf<typeof api.oiling.setPoint>,
) {
  const visit = await openVisit(ctx, visitId);
  const { traits } = await findOrRefuse(ctx, Movement, { id: visit.movementId }, 'movement');
  const asked = oilChart(traits).find((p) => p.id === point);
  if (!asked) throw notFound('point on this chart');
  if (typed.dry && asked.grade !== 'none' && typed.differs === '')
    throw badField('differs', 'The chart asks for oil here: say why it stays dry.');
  // What stays dry had nothing on it.
  const given = typed.dry ? { ...typed, product: '', batch: '', stockId: null } : typed;
  if (given.stockId && !(await ctx.em.findOne(StockItem, { id: given.stockId })))
    throw badField('stockId', 'This is not in the stores.');
  const last = await lastWord(ctx, visitId, point, traits);
  if (last) ctx.em.assign(last, { ...given, ...signature(ctx) });
  else ctx.em.create(OiledPoint, { visitId, point, ...given, ...signature(ctx) });
  return { point, ...given, by: ctx.person.name, at: ctx.now.toISOString() };
}

export async function removePoint(ctx: Context, visitId: string, point: string): Promise<void> {
  const visit = await openVisit(ctx, visitId);
  const { traits } = await findOrRefuse(ctx, Movement, { id: visit.movementId }, 'movement');
  const last = await lastWord(ctx, visitId, point, traits);
  if (last) ctx.em.remove(last);
}
