import { openVisit } from '../visit/lock.ts';
import type { Checked, ParsedBodyOf } from '@eclat/contract';
import type { api } from '@eclat/contract';
import { CHECK_PLACES, checksFor } from '@eclat/core/checks';
import { rows, type RowsOf } from '../platform/database/rows.ts';
import { findOrRefuse, signature, viewSigned, type Context, type Signed } from '../platform/http/context.ts';
import { notFound } from '../platform/http/problems.ts';
import { Movement } from '../movements/movements.entity.ts';
import { openPass } from '../strip/strip.service.ts';
import { CheckAnswer } from './assembly.entity.ts';

const viewCheck = (
  c: Signed & Pick<Checked, 'check' | 'result' | 'note'> & { detail?: Checked['detail'] | null },
): Checked => ({ check: c.check, result: c.result, note: c.note, detail: c.detail ?? null, ...viewSigned(c) });

export const assemblyRows = (visitId: string) => ({
  checks: rows(CheckAnswer, 'where visit_id = ? order by at', visitId),
});
export const viewAssembly = ({ checks }: RowsOf<ReturnType<typeof assemblyRows>>) => ({
  checks: checks.map(viewCheck),
});

/** What failed while it goes together, or on test, takes it apart again: a pass of its own, with the reason. */
export async function setCheck(
  ctx: Context,
  visitId: string,
  id: string,
  given: ParsedBodyOf<typeof api.assembly.setCheck>,
): Promise<Checked> {
  const visit = await openVisit(ctx, visitId);
  const { traits } = await findOrRefuse(ctx, Movement, { id: visit.movementId }, 'movement');
  const check = CHECK_PLACES.flatMap((place) => checksFor(traits, place)).find((c) => c.id === id);
  if (!check) throw notFound('check of this movement');
  const before = await ctx.em.findOne(CheckAnswer, { visitId, check: id });
  const row = { visitId, check: id, ...given, ...signature(ctx) };
  await ctx.em.upsert(CheckAnswer, row);
  if (given.result === 'failed' && before?.result !== 'failed' && check.place !== 'deliver')
    await openPass(ctx, visitId, `${check.what}: ${given.note}`);
  return viewCheck(row);
}

export async function removeCheck(ctx: Context, visitId: string, check: string): Promise<void> {
  await openVisit(ctx, visitId);
  await ctx.em.nativeDelete(CheckAnswer, { visitId, check });
}
