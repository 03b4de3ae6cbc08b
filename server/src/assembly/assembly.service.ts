import { openVisit } from '../visit/lock.ts';
import type { Visit as VisitRow } from '../visit/visit.entity.ts';
import type { Checked, CheckSetting as Setting, ParsedBodyOf, Visit } from '@eclat/contract';
import type { api } from '@eclat/contract';
import { allChecks, answersHolding, type Check } from '@eclat/core/checks';
import type { Traits } from '@eclat/core/movement';
import type { PassDepth } from '@eclat/core/workflow';
import { rows, type RowsOf } from '../platform/database/rows.ts';
import { findOrRefuse, signature, viewSigned, type Context, type Signed } from '../platform/http/context.ts';
import { notFound } from '../platform/http/problems.ts';
import { Movement } from '../movements/movements.entity.ts';
import { closeRows, viewClose } from './close.service.ts';
import { dryRows, viewDry } from './dry.service.ts';
import { viewStandRun } from './stand-run.service.ts';
import { openPass } from '../strip/strip.service.ts';
import { CheckAnswer, CheckSetting, StandRun } from './assembly.entity.ts';

const viewCheck = (
  c: Signed & Pick<Checked, 'check' | 'result' | 'note'> & { detail?: Checked['detail'] | null },
): Checked => ({ check: c.check, result: c.result, note: c.note, detail: c.detail ?? null, ...viewSigned(c) });

const viewSetting = ({ id, check, what, way, amount, ...s }: CheckSetting): Setting => ({
  ...{ id, check, what, way, amount },
  ...viewSigned(s),
});

export const assemblyRows = ({ id: visitId, movementId }: VisitRow) => ({
  checks: rows(CheckAnswer, 'where visit_id = ? order by at', visitId),
  settings: rows(CheckSetting, 'where visit_id = ? order by at', visitId),
  standRuns: rows(StandRun, 'where visit_id = ? order by at', visitId),
  ...dryRows(visitId),
  ...closeRows(visitId, movementId),
});
export function viewAssembly(
  found: RowsOf<ReturnType<typeof assemblyRows>>,
  traits: Traits,
  passes: readonly PassDepth[],
  visitId: string,
): Pick<
  Visit,
  'checks' | 'earlierChecks' | 'settings' | 'standRuns' | 'dryFits' | 'dryTries' | 'secondLooks' | 'closings'
> {
  const settings = found.settings.map(viewSetting);
  const { holding, earlier } = answersHolding(allChecks(traits), found.checks.map(viewCheck), passes, settings);
  return {
    checks: holding,
    earlierChecks: earlier,
    settings,
    standRuns: found.standRuns.map(viewStandRun),
    ...viewDry(found),
    ...viewClose(found, visitId),
  };
}

async function checkOf(ctx: Context, visitId: string, id: string): Promise<Check> {
  const visit = await openVisit(ctx, visitId);
  const { traits } = await findOrRefuse(ctx, Movement, { id: visit.movementId }, 'movement');
  const check = allChecks(traits).find((c) => c.id === id);
  if (!check) throw notFound('check of this movement');
  return check;
}

const lastAnswer = async (ctx: Context, visitId: string, check: string) =>
  (await ctx.em.find(CheckAnswer, { visitId, check }, { orderBy: { at: 'desc' }, limit: 1 }))[0] ?? null;

/**
 * An answer stands beside those before it. What is counted on the way is one answer until it is given. Where the person
 * says so, what failed takes the movement apart again: a pass of its own, with the reason.
 */
export async function setCheck(
  ctx: Context,
  visitId: string,
  id: string,
  { apart, ...given }: ParsedBodyOf<typeof api.assembly.setCheck>,
): Promise<Checked> {
  const check = await checkOf(ctx, visitId, id);
  const before = await lastAnswer(ctx, visitId, id);
  const said = { ...given, ...signature(ctx) };
  const row =
    before?.result === 'under way'
      ? ctx.em.assign(before, said)
      : ctx.em.create(CheckAnswer, { visitId, check: id, ...said });
  await ctx.em.flush();
  if (given.result === 'failed' && apart)
    await openPass(ctx, visitId, { ...apart, reason: `${check.what}: ${given.note}` });
  return viewCheck(row);
}

/** The last answer is taken back; the one before it stands again, if it still holds. */
export async function removeCheck(ctx: Context, visitId: string, check: string): Promise<void> {
  await openVisit(ctx, visitId);
  const last = await lastAnswer(ctx, visitId, check);
  if (last) ctx.em.remove(last);
}

export async function addSetting(
  ctx: Context,
  visitId: string,
  id: string,
  given: ParsedBodyOf<typeof api.assembly.addSetting>,
): Promise<Setting> {
  const check = await checkOf(ctx, visitId, id);
  const row = ctx.em.create(CheckSetting, { visitId, check: check.id, ...given, ...signature(ctx) });
  await ctx.em.flush();
  return viewSetting(row);
}

export async function removeSetting(ctx: Context, visitId: string, id: string): Promise<void> {
  await openVisit(ctx, visitId);
  ctx.em.remove(await findOrRefuse(ctx, CheckSetting, { id, visitId }, 'setting'));
}
