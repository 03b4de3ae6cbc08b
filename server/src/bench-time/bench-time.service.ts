import { openVisit } from '../visit/lock.ts';
import type { BenchTime, ParsedBodyOf, ReplyOf } from '@eclat/contract';
import { api } from '@eclat/contract';
import { findOrRefuse, type Context } from '../platform/http/context.ts';
import { badField, refused } from '../platform/http/problems.ts';
import { Visit } from '../visit/visit.entity.ts';
import { TimeSpent } from './bench-time.entity.ts';

export const viewTime = (t: TimeSpent): BenchTime => ({
  id: t.id,
  stage: t.stage,
  by: t.by,
  startedAt: t.startedAt.toISOString(),
  endedAt: t.endedAt?.toISOString() ?? null,
});

/** A person is in one place at a time: what ran before ends. */
async function endMine(ctx: Context): Promise<Visit | null> {
  const running = await ctx.em.findOne(TimeSpent, { personId: ctx.person.id, endedAt: null });
  if (!running) return null;
  running.endedAt = ctx.now;
  ctx.touched.add(running.visitId);
  await ctx.em.flush();
  return ctx.em.findOne(Visit, { id: running.visitId });
}

export async function startTime(
  ctx: Context,
  visitId: string,
  { stage }: ParsedBodyOf<typeof api.benchTime.start>,
): Promise<ReplyOf<typeof api.benchTime.start>> {
  await openVisit(ctx, visitId);
  const before = await endMine(ctx);
  const made = ctx.em.create(TimeSpent, {
    visitId,
    personId: ctx.person.id,
    by: ctx.person.name,
    stage,
    startedAt: ctx.now,
    endedAt: null,
  });
  await ctx.em.flush();
  return { ...viewTime(made), left: before && before.id !== visitId ? before.claim : null };
}

export async function stopTime(ctx: Context, visitId: string): Promise<void> {
  await findOrRefuse(ctx, Visit, { id: visitId }, 'visit');
  await endMine(ctx);
}

/** Only one's own: nobody writes another's hours. */
export async function putTime(
  ctx: Context,
  visitId: string,
  id: string,
  { stage, ...times }: ParsedBodyOf<typeof api.benchTime.put>,
): Promise<BenchTime> {
  await openVisit(ctx, visitId);
  const [startedAt, endedAt] = [new Date(times.startedAt), new Date(times.endedAt)];
  if (endedAt.getTime() > ctx.now.getTime() + 5 * 60_000) throw badField('endedAt', 'This is in the future.');
  const known = await ctx.em.findOne(TimeSpent, { id });
  if (known && (known.personId !== ctx.person.id || known.visitId !== visitId))
    throw refused('This is somebody else’s time.');
  const t = known
    ? ctx.em.assign(known, { stage, startedAt, endedAt })
    : ctx.em.create(TimeSpent, {
        id,
        visitId,
        personId: ctx.person.id,
        by: ctx.person.name,
        stage,
        startedAt,
        endedAt,
      });
  await ctx.em.flush();
  return viewTime(t);
}

export async function removeTime(ctx: Context, visitId: string, id: string): Promise<void> {
  await openVisit(ctx, visitId);
  const t = await findOrRefuse(ctx, TimeSpent, { id, visitId }, 'time');
  if (t.personId !== ctx.person.id) throw refused('This is somebody else’s time.');
  ctx.em.remove(t);
}
