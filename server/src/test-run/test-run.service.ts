import { openVisit } from '../visit/lock.ts';
import type { ParsedBodyOf, TestRun as Shape } from '@eclat/contract';
import { api } from '@eclat/contract';
import { fetchAll, rows, type RowsOf } from '../platform/database/rows.ts';
import { findOrRefuse, type Context } from '../platform/http/context.ts';
import { badField, refused } from '../platform/http/problems.ts';
import { endsStandRun, nowWound } from '../power-down/power-down.service.ts';
import { RunEvent, RunReading, TestRun } from './test-run.entity.ts';

const OF_RUN = 'where test_run_id = (select id from test_run where visit_id = ?)';
export const runRows = (visitId: string) => ({
  runs: rows(TestRun, 'where visit_id = ?', visitId),
  readings: rows(RunReading, `${OF_RUN} order by read_at`, visitId),
  events: rows(RunEvent, `${OF_RUN} order by happened_at`, visitId),
});

export function viewRun({ runs: [run], readings, events }: RowsOf<ReturnType<typeof runRows>>): Shape | null {
  if (!run) return null;
  return {
    id: run.id,
    startedAt: run.startedAt.toISOString(),
    readBy: run.readBy,
    place: run.place,
    conditions: run.conditions ?? null,
    readings: readings.map(viewReading),
    events: events.map(viewEvent),
  };
}

type Timed<Key extends string> = { id: string; by: string } & Record<Key, Date>;
const viewReading = (r: Timed<'readAt'> & { errorS: number; celsius?: number | null | undefined }) => ({
  id: r.id,
  readAt: r.readAt.toISOString(),
  errorS: r.errorS,
  celsius: r.celsius ?? null,
  by: r.by,
});
const viewEvent = (
  e: Timed<'happenedAt'> & {
    kind: Shape['events'][number]['kind'];
    note: string;
    detail?: Shape['events'][number]['detail'] | undefined;
  },
) => ({
  id: e.id,
  kind: e.kind,
  happenedAt: e.happenedAt.toISOString(),
  note: e.note,
  detail: e.detail ?? null,
  by: e.by,
});

/** It is opened again: what is read from now on is another line. Nothing where it was not on test. */
export async function cutRun(ctx: Context, visitId: string, note: string): Promise<void> {
  const run = await ctx.em.findOne(TestRun, { visitId });
  if (run)
    ctx.em.create(RunEvent, {
      testRunId: run.id,
      kind: 'opened',
      happenedAt: ctx.now,
      note: note.slice(0, 200),
      detail: null,
      by: ctx.person.name,
    });
}

export async function startRun(
  ctx: Context,
  visitId: string,
  given: ParsedBodyOf<typeof api.testRun.start>,
): Promise<Shape> {
  const visit = await openVisit(ctx, visitId);
  if (await ctx.em.findOne(TestRun, { visitId }))
    throw refused('It is on test already.', 'Log what changed as an event instead.');
  const { conditions = null, ...rest } = given;
  const startedAt = given.startedAt ? noFuture(ctx, 'startedAt', given.startedAt) : ctx.now;
  ctx.em.create(TestRun, { visitId, ...rest, conditions, startedAt });
  await endsStandRun(ctx, visitId, 'The test run began.');
  await nowWound(ctx, visit, startedAt, 'Set going on the test run.');
  await ctx.em.flush();
  return viewRun(await fetchAll(ctx.em, runRows(visitId)))!;
}

/** A clock cannot have been read in the future; a few minutes are allowed for a computer whose clock is off. */
function noFuture(ctx: Context, path: string, at: string): Date {
  const time = new Date(at);
  if (time.getTime() > ctx.now.getTime() + 5 * 60_000) throw badField(path, 'This is in the future.');
  return time;
}

export async function addReading(ctx: Context, visitId: string, given: ParsedBodyOf<typeof api.testRun.addReading>) {
  await openVisit(ctx, visitId);
  const run = await findOrRefuse(ctx, TestRun, { visitId }, 'test run');
  const readAt = noFuture(ctx, 'readAt', given.readAt);
  if (readAt < run.startedAt) throw badField('readAt', 'This is before the test run began.');
  if (await ctx.em.findOne(RunReading, { testRunId: run.id, readAt }))
    throw badField('readAt', 'There is a reading at this moment.');
  const reading = ctx.em.create(RunReading, {
    testRunId: run.id,
    readAt,
    errorS: given.errorS,
    celsius: given.celsius,
    by: ctx.person.name,
  });
  await ctx.em.flush();
  return viewReading(reading);
}

export async function addEvent(ctx: Context, visitId: string, given: ParsedBodyOf<typeof api.testRun.addEvent>) {
  const visit = await openVisit(ctx, visitId);
  const run = await findOrRefuse(ctx, TestRun, { visitId }, 'test run');
  const happenedAt = noFuture(ctx, 'happenedAt', given.happenedAt);
  if (given.kind === 'wound') await nowWound(ctx, visit, happenedAt, 'Wound on the test run.');
  const event = ctx.em.create(RunEvent, {
    testRunId: run.id,
    kind: given.kind,
    happenedAt,
    note: given.note,
    detail: given.detail,
    by: ctx.person.name,
  });
  await ctx.em.flush();
  return viewEvent(event);
}

export async function removeReading(ctx: Context, visitId: string, id: string): Promise<void> {
  await openVisit(ctx, visitId);
  const run = await findOrRefuse(ctx, TestRun, { visitId }, 'test run');
  ctx.em.remove(await findOrRefuse(ctx, RunReading, { id, testRunId: run.id }, 'reading'));
}

export async function removeEvent(ctx: Context, visitId: string, id: string): Promise<void> {
  await openVisit(ctx, visitId);
  const run = await findOrRefuse(ctx, TestRun, { visitId }, 'test run');
  const event = await findOrRefuse(ctx, RunEvent, { id, testRunId: run.id }, 'event');
  if (event.kind === 'opened') throw refused('It was opened: that stands in the strip log.', 'Correct the pass there.');
  ctx.em.remove(event);
}

export async function setConditions(
  ctx: Context,
  visitId: string,
  conditions: ParsedBodyOf<typeof api.testRun.setConditions>,
): Promise<void> {
  await openVisit(ctx, visitId);
  ctx.em.assign(await findOrRefuse(ctx, TestRun, { visitId }, 'test run'), { conditions });
}
