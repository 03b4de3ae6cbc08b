import type { Checked, HeardSound, ParsedBodyOf } from '@eclat/contract';
import { STRUCK_MARK, type api } from '@eclat/contract';
import { CHECK_PLACES, checksFor } from '@eclat/core/checks';
import { rows, type RowsOf } from '../platform/database/rows.ts';
import { need, openVisit, signature, type Context } from '../platform/http/context.ts';
import { badField, notFound } from '../platform/http/problems.ts';
import { Movement } from '../movements/movements.entity.ts';
import { Recording } from '../recordings/recordings.entity.ts';
import { openPass } from '../strip/strip.service.ts';
import { CheckAnswer, ReleaseMinute, SoundHeard, StrikeHeard } from './assembly.entity.ts';

type Signed = { by: string; at: Date };
const at = (r: Signed) => ({ by: r.by, at: r.at.toISOString() });
const presentCheck = (
  c: Signed & Pick<Checked, 'check' | 'result' | 'note'> & { detail?: Checked['detail'] | null },
): Checked => ({ check: c.check, result: c.result, note: c.note, detail: c.detail ?? null, ...at(c) });
const presentHeard = (h: Signed & { id: string; report: Omit<HeardSound, 'id' | 'by' | 'at'> }): HeardSound => ({
  id: h.id,
  ...h.report,
  ...at(h),
});
const presentRelease = (r: Signed & { id: string; wanted: 0 | 15 | 30 | 45; minute: number }) => ({
  id: r.id,
  wanted: r.wanted,
  minute: r.minute,
  ...at(r),
});

export const togetherAsk = (visitId: string) => ({
  checks: rows(CheckAnswer, 'where visit_id = ? order by at', visitId),
  struck: rows(StrikeHeard, 'where visit_id = ?', visitId),
  releases: rows(ReleaseMinute, 'where visit_id = ? order by at', visitId),
  heard: rows(SoundHeard, 'where visit_id = ? order by at', visitId),
});
export const showTogether = (found: RowsOf<ReturnType<typeof togetherAsk>>) => ({
  checks: found.checks.map(presentCheck),
  struck: found.struck.map((s) => ({ mark: s.mark, heard: s.heard, ...at(s) })),
  releases: found.releases.map(presentRelease),
  heard: found.heard.map(presentHeard),
});

/** What failed while it goes together, or on test, takes it apart again: a pass of its own, with the reason. */
export async function answerCheck(
  ctx: Context,
  visitId: string,
  id: string,
  given: ParsedBodyOf<typeof api.assembly.setCheck>,
): Promise<Checked> {
  const visit = await openVisit(ctx, visitId);
  const { traits } = await need(ctx, Movement, { id: visit.movementId }, 'movement');
  const check = CHECK_PLACES.flatMap((place) => checksFor(traits, place)).find((c) => c.id === id);
  if (!check) throw notFound('check of this movement');
  const before = await ctx.em.findOne(CheckAnswer, { visitId, check: id });
  const row = { visitId, check: id, ...given, ...signature(ctx) };
  await ctx.em.upsert(CheckAnswer, row);
  if (given.result === 'failed' && before?.result !== 'failed' && check.place !== 'deliver')
    await openPass(ctx, visitId, `${check.what}: ${given.note}`);
  return presentCheck(row);
}

export async function forgetCheck(ctx: Context, visitId: string, check: string): Promise<void> {
  await openVisit(ctx, visitId);
  await ctx.em.nativeDelete(CheckAnswer, { visitId, check });
}

export async function hearStrike(ctx: Context, visitId: string, mark: string, heard: number | null): Promise<void> {
  await openVisit(ctx, visitId);
  if (!STRUCK_MARK.test(mark)) throw notFound('mark of the dial');
  if (heard === null) await ctx.em.nativeDelete(StrikeHeard, { visitId, mark });
  else await ctx.em.upsert(StrikeHeard, { visitId, mark, heard, ...signature(ctx) });
}

export async function forgetStrike(ctx: Context, visitId: string): Promise<void> {
  await openVisit(ctx, visitId);
  await ctx.em.nativeDelete(StrikeHeard, { visitId });
}

export async function addRelease(ctx: Context, visitId: string, given: ParsedBodyOf<typeof api.strike.addRelease>) {
  await openVisit(ctx, visitId);
  const row = ctx.em.create(ReleaseMinute, { visitId, ...given, ...signature(ctx) });
  await ctx.em.flush();
  return presentRelease(row);
}

export async function removeRelease(ctx: Context, visitId: string, id: string): Promise<void> {
  await openVisit(ctx, visitId);
  ctx.em.remove(await need(ctx, ReleaseMinute, { id, visitId }, 'minute of release'));
}

export async function keepHeard(
  ctx: Context,
  visitId: string,
  report: ParsedBodyOf<typeof api.listening.add>,
): Promise<HeardSound> {
  await openVisit(ctx, visitId);
  if (report.recordingId && !(await ctx.em.findOne(Recording, { id: report.recordingId, visitId })))
    throw badField('recordingId', 'This recording is not of this visit.');
  const row = ctx.em.create(SoundHeard, { visitId, report, ...signature(ctx) });
  await ctx.em.flush();
  return presentHeard(row);
}

export async function removeHeard(ctx: Context, visitId: string, id: string): Promise<void> {
  await openVisit(ctx, visitId);
  ctx.em.remove(await need(ctx, SoundHeard, { id, visitId }, 'sound'));
}
