import type { api, DryFit as Fit, DryTry as Try, ParsedBodyOf } from '@eclat/contract';
import { rows, type RowsOf } from '../platform/database/rows.ts';
import { findOrRefuse, signature, viewSigned, type Context } from '../platform/http/context.ts';
import { badField, refused } from '../platform/http/problems.ts';
import { ownHole } from '../fitting/fitting.service.ts';
import { Movement } from '../movements/movements.entity.ts';
import { holdApart } from '../power-down/power-down.service.ts';
import { openVisit } from '../visit/lock.ts';
import { DryFit, DryTry } from './assembly.entity.ts';

export const dryRows = (visitId: string) => ({
  dryFits: rows(DryFit, 'where visit_id = ? order by at', visitId),
  dryTries: rows(DryTry, 'where visit_id = ? order by at', visitId),
});
export const viewDry = ({ dryFits, dryTries }: RowsOf<ReturnType<typeof dryRows>>) => ({
  dryFits: dryFits.map(viewFit),
  dryTries: dryTries.map(viewTry),
});

const viewFit = (f: DryFit): Fit => ({
  ...{ id: f.id, train: f.train ?? null, endedBy: f.endedBy, endedAt: f.endedAt?.toISOString() ?? null },
  ...viewSigned(f),
});
const viewTry = ({ id, hole, word, cure, ...s }: DryTry): Try => ({ ...{ id, hole, word, cure }, ...viewSigned(s) });

const standing = (ctx: Context, visitId: string) => ctx.em.findOne(DryFit, { visitId, endedAt: null });

/** Together without oil and without power: it opens and closes without being a pass. */
export async function startDryFit(
  ctx: Context,
  visitId: string,
  { train }: ParsedBodyOf<typeof api.assembly.startDryFit>,
): Promise<Fit> {
  const visit = await openVisit(ctx, visitId);
  const { traits } = await findOrRefuse(ctx, Movement, { id: visit.movementId }, 'movement');
  if (train !== null && !traits.trains.some((t) => t.id === train))
    throw badField('train', 'This movement has no such train.');
  if (await standing(ctx, visitId)) throw refused('It stands together dry already.', 'Take that apart first.');
  await holdApart(ctx, visit, 'plates', 'train');
  const fit = ctx.em.create(DryFit, { visitId, train, ...signature(ctx), endedBy: '' });
  await ctx.em.flush();
  return viewFit(fit);
}

/** The plates part again: held to what its springs are at then. */
export async function endDryFit(ctx: Context, visitId: string, fitId: string): Promise<Fit> {
  const visit = await openVisit(ctx, visitId);
  const fit = await findOrRefuse(ctx, DryFit, { id: fitId, visitId }, 'dry fit');
  if (!fit.endedAt) {
    await holdApart(ctx, visit, 'plates', 'train');
    ctx.em.assign(fit, { endedBy: ctx.person.name, endedAt: ctx.now });
  }
  await ctx.em.flush();
  return viewFit(fit);
}

export async function addDryTry(
  ctx: Context,
  visitId: string,
  given: ParsedBodyOf<typeof api.assembly.addDryTry>,
): Promise<Try> {
  const visit = await openVisit(ctx, visitId);
  await ownHole(ctx, visit.movementId, given.hole);
  const row = ctx.em.create(DryTry, { visitId, ...given, ...signature(ctx) });
  await ctx.em.flush();
  return viewTry(row);
}

export async function setDryCure(ctx: Context, visitId: string, tryId: string, cure: string): Promise<Try> {
  await openVisit(ctx, visitId);
  const row = await findOrRefuse(ctx, DryTry, { id: tryId, visitId }, 'try');
  if (row.word === 'free' && cure !== '') throw badField('cure', 'It runs free: nothing is to be done.');
  row.cure = cure;
  await ctx.em.flush();
  return viewTry(row);
}

export async function removeDryTry(ctx: Context, visitId: string, tryId: string): Promise<void> {
  await openVisit(ctx, visitId);
  ctx.em.remove(await findOrRefuse(ctx, DryTry, { id: tryId, visitId }, 'try'));
}
