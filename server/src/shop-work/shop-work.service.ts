import type { api, ParsedBodyOf, ShopTask as Shape } from '@eclat/contract';
import { expectVersion, findOrRefuse, signature, viewSigned, type Context } from '../platform/http/context.ts';
import { refused } from '../platform/http/problems.ts';
import { oneMore } from '../stores/stores.service.ts';
import { Visit } from '../visit/visit.entity.ts';
import { ShopTask } from './shop-work.entity.ts';

const HOUR_MS = 3_600_000;
/** So many that ended are shown with those that go on. */
const ENDED_SHOWN = 10;

const view = (t: ShopTask, claim: string | null): Shape => ({
  ...{ id: t.id, version: t.version, thing: t.thing, next: t.next, visitId: t.visitId ?? null, claim, log: t.log },
  waitEndsAt: t.waitEndsAt?.toISOString() ?? null,
  endedAt: t.endedAt?.toISOString() ?? null,
  ...{ endedBy: t.endedBy, ended: t.ended },
  ...viewSigned(t),
});

async function shown(ctx: Context, tasks: readonly ShopTask[]): Promise<Shape[]> {
  const ids = tasks.flatMap((t) => t.visitId ?? []);
  const claims = new Map((await ctx.em.find(Visit, { id: ids })).map((v) => [v.id, v.claim]));
  return tasks.map((t) => view(t, claims.get(t.visitId ?? '') ?? null));
}

async function kept(ctx: Context, task: ShopTask): Promise<Shape> {
  await ctx.em.flush();
  return (await shown(ctx, [task]))[0]!;
}

const waitFrom = (ctx: Context, hours: number) => (hours > 0 ? new Date(ctx.now.getTime() + hours * HOUR_MS) : null);

/** What goes on, the first that wants a hand first; then what ended lately. */
export async function listShopWork(ctx: Context): Promise<Shape[]> {
  const open = await ctx.em.find(ShopTask, { endedAt: null }, { orderBy: { at: 'asc' } });
  const ended = await ctx.em.find(
    ShopTask,
    { endedAt: { $ne: null } },
    { orderBy: { endedAt: 'desc' }, limit: ENDED_SHOWN },
  );
  const wants = (t: ShopTask) => t.waitEndsAt?.getTime() ?? 0;
  return shown(ctx, [...open.toSorted((a, b) => wants(a) - wants(b)), ...ended]);
}

export async function addShopTask(
  ctx: Context,
  { waitHours, ...given }: ParsedBodyOf<typeof api.shopWork.add>,
): Promise<Shape> {
  if (given.visitId) await findOrRefuse(ctx, Visit, { id: given.visitId }, 'visit');
  const waitEndsAt = waitFrom(ctx, waitHours);
  return kept(
    ctx,
    ctx.em.create(ShopTask, { ...given, log: [], waitEndsAt, endedBy: '', ended: '', ...signature(ctx) }),
  );
}

async function goingOn(ctx: Context, id: string, version: number): Promise<ShopTask> {
  const task = await findOrRefuse(ctx, ShopTask, { id }, 'work of the shop');
  expectVersion(task.version, version, (await shown(ctx, [task]))[0]!);
  if (task.endedAt) throw refused('It has ended.', 'Begin another.');
  return task;
}

export async function logShopTask(
  ctx: Context,
  id: string,
  { did, next, waitHours, version }: ParsedBodyOf<typeof api.shopWork.log>,
): Promise<Shape> {
  const task = await goingOn(ctx, id, version);
  const entry = { did, at: ctx.now.toISOString(), by: ctx.person.name };
  ctx.em.assign(task, { log: [...task.log, entry], next, waitEndsAt: waitFrom(ctx, waitHours) });
  return kept(ctx, task);
}

export async function endShopTask(
  ctx: Context,
  id: string,
  { end, version }: ParsedBodyOf<typeof api.shopWork.end>,
): Promise<Shape> {
  const task = await goingOn(ctx, id, version);
  const inStores = 'kind' in end;
  if (inStores) await oneMore(ctx, end, task.log.map((l) => l.did).join('; '));
  ctx.em.assign(task, {
    ...{ endedAt: ctx.now, endedBy: ctx.person.name, waitEndsAt: null },
    ended: inStores ? `Into the stores: ${end.name}.` : end.why,
  });
  return kept(ctx, task);
}
