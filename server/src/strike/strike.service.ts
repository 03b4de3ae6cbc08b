import { rows, type RowsOf } from '../platform/database/rows.ts';
import { openVisit } from '../visit/lock.ts';
import { ReleaseMinute, StrikeHeard } from './strike.entity.ts';
import { type ParsedBodyOf, STRUCK_MARK, type api } from '@eclat/contract';
import { findOrRefuse, signature, viewSigned, type Context, type Signed } from '../platform/http/context.ts';
import { notFound } from '../platform/http/problems.ts';

const viewRelease = (r: Signed & { id: string; wanted: 0 | 15 | 30 | 45; minute: number }) => ({
  id: r.id,
  wanted: r.wanted,
  minute: r.minute,
  ...viewSigned(r),
});

const viewStruck = (s: Signed & { mark: string; heard: number }) => ({
  mark: s.mark,
  heard: s.heard,
  ...viewSigned(s),
});

/** The hearing that is not ended. */
const PRESENT = '';

export const strikeRows = (visitId: string) => ({
  struck: rows(StrikeHeard, 'where visit_id = ?', visitId),
  releases: rows(ReleaseMinute, 'where visit_id = ? order by at', visitId),
});
export const viewStrike = ({ struck, releases }: RowsOf<ReturnType<typeof strikeRows>>) => ({
  struck: struck.filter((s) => s.ended === PRESENT).map(viewStruck),
  struckBefore: [...new Set(struck.map((s) => s.ended).filter(Boolean))].toSorted().map((endedAt) => ({
    endedAt,
    struck: struck.filter((s) => s.ended === endedAt).map(viewStruck),
  })),
  releases: releases.map(viewRelease),
});

export async function setStruck(ctx: Context, visitId: string, mark: string, heard: number | null): Promise<void> {
  await openVisit(ctx, visitId);
  if (!STRUCK_MARK.test(mark)) throw notFound('mark of the dial');
  if (heard === null) await ctx.em.nativeDelete(StrikeHeard, { visitId, mark, ended: PRESENT });
  else await ctx.em.upsert(StrikeHeard, { visitId, mark, ended: PRESENT, heard, ...signature(ctx) });
}

/** Heard anew, after a cure or a pass: what was heard before stays, with when it ended. */
export async function hearAnew(ctx: Context, visitId: string): Promise<void> {
  await openVisit(ctx, visitId);
  await ctx.em.nativeUpdate(StrikeHeard, { visitId, ended: PRESENT }, { ended: ctx.now.toISOString() });
}

export async function addRelease(ctx: Context, visitId: string, given: ParsedBodyOf<typeof api.strike.addRelease>) {
  await openVisit(ctx, visitId);
  const row = ctx.em.create(ReleaseMinute, { visitId, ...given, ...signature(ctx) });
  await ctx.em.flush();
  return viewRelease(row);
}

export async function removeRelease(ctx: Context, visitId: string, id: string): Promise<void> {
  await openVisit(ctx, visitId);
  ctx.em.remove(await findOrRefuse(ctx, ReleaseMinute, { id, visitId }, 'minute of release'));
}
