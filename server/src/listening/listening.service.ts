import { rows, type RowsOf } from '../platform/database/rows.ts';
import { openVisit } from '../visit/lock.ts';
import { SoundHeard } from './listening.entity.ts';
import type { HeardSound, ParsedBodyOf, api } from '@eclat/contract';
import { findOrRefuse, signature, viewSigned, type Context, type Signed } from '../platform/http/context.ts';
import { badField } from '../platform/http/problems.ts';
import { Recording } from '../recordings/recordings.entity.ts';

export const viewHeard = (h: Signed & { id: string; report: Omit<HeardSound, 'id' | 'by' | 'at'> }): HeardSound => ({
  id: h.id,
  ...h.report,
  ...viewSigned(h),
});

export const listeningRows = (visitId: string) => ({
  heard: rows(SoundHeard, 'where visit_id = ? order by at', visitId),
});
export const viewListening = ({ heard }: RowsOf<ReturnType<typeof listeningRows>>) => ({ heard: heard.map(viewHeard) });

export async function addHeard(
  ctx: Context,
  visitId: string,
  report: ParsedBodyOf<typeof api.listening.add>,
): Promise<HeardSound> {
  await openVisit(ctx, visitId);
  if (report.recordingId && !(await ctx.em.findOne(Recording, { id: report.recordingId, visitId })))
    throw badField('recordingId', 'This recording is not of this visit.');
  const row = ctx.em.create(SoundHeard, { visitId, report, ...signature(ctx) });
  await ctx.em.flush();
  return viewHeard(row);
}

export async function removeHeard(ctx: Context, visitId: string, id: string): Promise<void> {
  await openVisit(ctx, visitId);
  ctx.em.remove(await findOrRefuse(ctx, SoundHeard, { id, visitId }, 'sound'));
}
