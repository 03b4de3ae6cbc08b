import { openVisit } from '../visit/lock.ts';
import type { CaseTask as Shape, ParsedBodyOf } from '@eclat/contract';
import { api } from '@eclat/contract';
import { expectVersion, findOrRefuse, signature, type Context } from '../platform/http/context.ts';
import { lastPlace, moveInOrder } from '../platform/database/order.ts';
import { badField, refused } from '../platform/http/problems.ts';
import { StockItem } from '../stores/stores.entity.ts';
import { CaseTask } from './casework.entity.ts';

export const viewTask = (t: CaseTask): Shape => ({
  id: t.id,
  version: t.version,
  place: t.place,
  what: t.what,
  product: t.product,
  origin: t.origin ?? null,
  donorId: t.donorId ?? null,
  donorName: t.donorName,
  times: t.times,
  waitHours: t.waitHours,
  once: t.once,
  note: t.note,
  log: t.log,
  waitEndsAt: t.waitEndsAt?.toISOString() ?? null,
  doneAt: t.doneAt?.toISOString() ?? null,
  doneBy: t.doneBy,
  by: t.by,
  at: t.at.toISOString(),
});

async function shown(ctx: Context, task: CaseTask): Promise<Shape> {
  await ctx.em.flush();
  return viewTask(task);
}

async function taskOf(ctx: Context, visitId: string, id: string): Promise<CaseTask> {
  await openVisit(ctx, visitId);
  return findOrRefuse(ctx, CaseTask, { id, visitId }, 'task');
}

/** @throws 422 when it is no donor of the stores */
async function donorName(ctx: Context, id: string | null): Promise<string> {
  if (id === null) return '';
  const donor = await ctx.em.findOne(StockItem, { id, kind: 'donor' });
  if (!donor) throw badField('donorId', 'No donor of the stores.');
  return donor.name;
}

const waitAfter = (log: CaseTask['log'], hours: number): Date | null =>
  log.length > 0 && hours > 0 ? new Date(Date.parse(log.at(-1)!.at) + hours * 3_600_000) : null;

export async function addTask(
  ctx: Context,
  visitId: string,
  given: ParsedBodyOf<typeof api.casework.add>,
): Promise<Shape> {
  await openVisit(ctx, visitId);
  return shown(
    ctx,
    ctx.em.create(CaseTask, {
      visitId,
      ...given,
      position: await lastPlace(ctx, 'case_task', visitId),
      donorName: await donorName(ctx, given.donorId),
      log: [],
      waitEndsAt: null,
      doneAt: null,
      doneBy: '',
      ...signature(ctx),
    }),
  );
}

export async function changeTask(
  ctx: Context,
  visitId: string,
  id: string,
  { version, ...fields }: ParsedBodyOf<typeof api.casework.change>,
): Promise<Shape> {
  const task = await taskOf(ctx, visitId, id);
  expectVersion(task.version, version, viewTask(task));
  ctx.em.assign(task, fields);
  if (fields.donorId !== undefined) task.donorName = await donorName(ctx, fields.donorId);
  task.waitEndsAt = waitAfter(task.log, task.waitHours);
  return shown(ctx, task);
}

/** A press by two people at once is one coat: the second saw an older version. */
export async function didTask(
  ctx: Context,
  visitId: string,
  id: string,
  { did, version }: ParsedBodyOf<typeof api.casework.setTime>,
): Promise<Shape> {
  const task = await taskOf(ctx, visitId, id);
  expectVersion(task.version, version, viewTask(task));
  if (task.doneAt) throw refused('It is done already.', 'Take it up again first.');
  task.log = did ? [...task.log, { at: ctx.now.toISOString(), by: ctx.person.name }] : task.log.slice(0, -1);
  task.waitEndsAt = waitAfter(task.log, task.waitHours);
  return shown(ctx, task);
}

export async function setTaskDone(ctx: Context, visitId: string, id: string, done: boolean): Promise<Shape> {
  const task = await taskOf(ctx, visitId, id);
  ctx.em.assign(task, done ? { doneAt: ctx.now, doneBy: ctx.person.name } : { doneAt: null, doneBy: '' });
  return shown(ctx, task);
}

export async function moveTask(ctx: Context, visitId: string, id: string, position: number): Promise<void> {
  await taskOf(ctx, visitId, id);
  await moveInOrder(ctx, 'case_task', visitId, id, position);
}

export async function removeTask(ctx: Context, visitId: string, id: string): Promise<void> {
  ctx.em.remove(await taskOf(ctx, visitId, id));
}
