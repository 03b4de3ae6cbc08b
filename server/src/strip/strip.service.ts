import { type Log, signed, viewStep, viewPass, viewTemporary } from './strip.view.ts';
import { openVisit } from '../visit/lock.ts';
import type { ParsedBodyOf, StripStep as Shape } from '@eclat/contract';
import { api } from '@eclat/contract';
import { TEMPORARY_ENDS } from '@eclat/contract/strip';
import { trainsLeft } from '@eclat/core/strip';
import { depthSaid, isShallow, type Depth, type StageId } from '@eclat/core/workflow';
import { cutRun } from '../test-run/test-run.service.ts';
import { expectVersion, findOrRefuse, signature, type Context } from '../platform/http/context.ts';
import { lastPlace, moveInOrder } from '../platform/database/order.ts';
import { badField } from '../platform/http/problems.ts';
import { endsStandRun, holdToPower } from '../power-down/power-down.service.ts';
import { Photo } from '../photos/photos.entity.ts';
import { Recording } from '../recordings/recordings.entity.ts';
import { loadVisitRules } from '../house-rules/house-rules.service.ts';
import { Movement } from '../movements/movements.entity.ts';
import { wordOn } from '../visit/stage-word.ts';
import { StageEvent } from '../visit/visit.entity.ts';
import { StripCustody, StripPass, StripPhase, StripStep, StripTemporary } from './strip.entity.ts';

/** The first strip is pass 1; each time it has to come apart again opens the next. */
async function passNow(ctx: Context, visitId: string): Promise<{ number: number; said: Depth | null }> {
  const [last] = await ctx.em.find(StripPass, { visitId }, { orderBy: { number: 'desc' }, limit: 1 });
  return { number: last?.number ?? 1, said: depthSaid(last ? [last] : []) };
}

async function ownThings(
  ctx: Context,
  visitId: string,
  { photoId, recordingId }: { photoId?: string | null | undefined; recordingId?: string | null | undefined },
): Promise<void> {
  if (photoId && !(await ctx.em.count(Photo, { id: photoId, visitId })))
    throw badField('photoId', 'This photo belongs to another visit.');
  if (recordingId && !(await ctx.em.count(Recording, { id: recordingId, visitId })))
    throw badField('recordingId', 'This recording belongs to another visit.');
}

export async function addStep(
  ctx: Context,
  visitId: string,
  given: ParsedBodyOf<typeof api.strip.addStep>,
): Promise<Shape> {
  const visit = await openVisit(ctx, visitId);
  await ownThings(ctx, visitId, given);
  const { number: pass, said } = await passNow(ctx, visitId);
  const opens = given.opens ?? said;
  await holdToPower(ctx, visit, opens, { reason: given.overrideReason });
  const step = ctx.em.create(StripStep, {
    visitId,
    pass,
    position: await lastPlace(ctx, 'strip_step', visitId),
    ...given,
    opens,
    ...signature(ctx),
  });
  await ctx.em.flush();
  return viewStep(step);
}

/** What is left of a train in one press, in the order in which it usually comes out. */
export async function addTrain(
  ctx: Context,
  visitId: string,
  { train, ...given }: ParsedBodyOf<typeof api.strip.addTrain>,
): Promise<{ steps: string[] }> {
  const visit = await openVisit(ctx, visitId);
  const { traits } = await findOrRefuse(ctx, Movement, { id: visit.movementId }, 'movement');
  const log = await ctx.em.find(StripStep, { visitId }, { orderBy: { position: 'asc' } });
  const off = log.filter((s) => s.fate === 'apart').map((s) => s.what);
  const choices = (await loadVisitRules(ctx, visitId)).held;
  const left = trainsLeft(traits, choices, off).find((t) => t.train === train);
  if (!left) throw badField('train', 'Nothing of this train is left, or its plates are not parted yet.');
  await holdToPower(ctx, visit, 'plates', { reason: given.overrideReason, field: 'train' });
  const { number: pass } = await passNow(ctx, visitId);
  const from = await lastPlace(ctx, 'strip_step', visitId);
  const steps = left.parts.map((what, i) =>
    ctx.em.create(StripStep, {
      ...{ visitId, pass, position: from + i, what, ...given, opens: 'plates' as const },
      ...{ heldBy: '', remarks: [], note: '', group: '' },
      ...signature(ctx),
    }),
  );
  await ctx.em.flush();
  return { steps: steps.map((s) => s.id) };
}

/** Only what stands as it was logged: what was found, moved on or corrected since is not taken back with it. */
export async function removeSteps(ctx: Context, visitId: string, ids: readonly string[]): Promise<void> {
  await openVisit(ctx, visitId);
  ctx.em.remove(await ctx.em.find(StripStep, { visitId, id: { $in: [...ids] }, version: 1, fate: 'apart' }));
}

async function stepOf(ctx: Context, visitId: string, id: string): Promise<StripStep> {
  await openVisit(ctx, visitId);
  return findOrRefuse(ctx, StripStep, { id, visitId }, 'step');
}

export async function changeStep(
  ctx: Context,
  visitId: string,
  id: string,
  { version, ...fields }: ParsedBodyOf<typeof api.strip.changeStep>,
): Promise<Shape> {
  const visit = await openVisit(ctx, visitId);
  const step = await stepOf(ctx, visitId, id);
  expectVersion(step.version, version, viewStep(step));
  await ownThings(ctx, visitId, fields);
  if (fields.opens !== undefined && fields.opens !== step.opens) {
    await holdToPower(ctx, visit, fields.opens, { reason: fields.overrideReason ?? '' });
  }
  ctx.em.assign(step, fields);
  await ctx.em.flush();
  return viewStep(step);
}

export async function moveStep(ctx: Context, visitId: string, id: string, position: number): Promise<void> {
  await stepOf(ctx, visitId, id);
  await moveInOrder(ctx, 'strip_step', visitId, id, position);
}

export async function removeStep(ctx: Context, visitId: string, id: string): Promise<void> {
  ctx.em.remove(await stepOf(ctx, visitId, id));
}

/** A loss or damage that happened here has its own place in the account, and its words. */
export async function setFate(
  ctx: Context,
  visitId: string,
  id: string,
  { fate, note }: ParsedBodyOf<typeof api.strip.setFate>,
): Promise<Shape> {
  const step = await stepOf(ctx, visitId, id);
  if ((fate === 'replaced' || fate === 'lost or damaged here') && note === '')
    throw badField('note', fate === 'replaced' ? 'Say what replaced it.' : 'Say what happened.');
  ctx.em.assign(
    step,
    fate === 'apart'
      ? { fate, fateNote: '', fateBy: '', fateAt: null }
      : { fate, fateNote: note, fateBy: ctx.person.name, fateAt: ctx.now },
  );
  await ctx.em.flush();
  return viewStep(step);
}

/** What has to be done again when it comes apart so deep. Power down comes first from the escapement on. */
const againFor = (depth: Depth): StageId[] => [
  ...(isShallow(depth) ? [] : (['power'] as const)),
  ...(['strip', 'assemble', 'oil', 'run'] as const),
];

export async function openPass(
  ctx: Context,
  visitId: string,
  { reason, depth, mends }: ParsedBodyOf<typeof api.strip.openPass>,
) {
  await openVisit(ctx, visitId);
  const pass = ctx.em.create(StripPass, {
    visitId,
    number: (await passNow(ctx, visitId)).number + 1,
    reason,
    depth,
    mends,
    hours: null,
    ...signature(ctx),
  });
  await cutRun(ctx, visitId, reason);
  if (!isShallow(depth)) await endsStandRun(ctx, visitId, `Opened again: ${reason}`);
  for (const stage of againFor(depth)) {
    const word = await wordOn(ctx, visitId, stage);
    if (word === 'done' || word === 'left')
      ctx.em.create(StageEvent, { visitId, stage, state: 'open', ...signature(ctx) });
  }
  await ctx.em.flush();
  return viewPass(pass);
}

export async function closePass(
  ctx: Context,
  visitId: string,
  number: string,
  given: ParsedBodyOf<typeof api.strip.closePass>,
) {
  await openVisit(ctx, visitId);
  const pass = await findOrRefuse(ctx, StripPass, { visitId, number: Number(number) || 0 }, 'pass');
  ctx.em.assign(pass, given);
  await ctx.em.flush();
  return viewPass(pass);
}

export async function addPhase(ctx: Context, visitId: string, given: ParsedBodyOf<typeof api.strip.addPhase>) {
  await openVisit(ctx, visitId);
  await ownThings(ctx, visitId, given);
  const p = ctx.em.create(StripPhase, { visitId, setAt: null, ...given, ...signature(ctx) });
  await ctx.em.flush();
  return { id: p.id, ...given, setBy: '', setAt: null, ...signed(p) };
}

export async function setPhase(ctx: Context, visitId: string, id: string, set: boolean): Promise<void> {
  await openVisit(ctx, visitId);
  ctx.em.assign(
    await findOrRefuse(ctx, StripPhase, { id, visitId }, 'phase'),
    set ? { setBy: ctx.person.name, setAt: ctx.now } : { setBy: '', setAt: null },
  );
}

export async function removePhase(ctx: Context, visitId: string, id: string): Promise<void> {
  await openVisit(ctx, visitId);
  ctx.em.remove(await findOrRefuse(ctx, StripPhase, { id, visitId }, 'phase'));
}

export async function addTemporary(
  ctx: Context,
  visitId: string,
  given: ParsedBodyOf<typeof api.strip.addTemporary>,
): Promise<Log['temporary'][number]> {
  await openVisit(ctx, visitId);
  const t = ctx.em.create(StripTemporary, { visitId, ...given, ended: null, ...signature(ctx) });
  await ctx.em.flush();
  return viewTemporary(t);
}

export async function endTemporary(
  ctx: Context,
  visitId: string,
  id: string,
  ended: Log['temporary'][number]['ended'],
): Promise<void> {
  await openVisit(ctx, visitId);
  const t = await findOrRefuse(ctx, StripTemporary, { id, visitId }, 'temporary thing');
  const ends: readonly string[] = TEMPORARY_ENDS[t.kind];
  if (ended !== null && !ends.includes(ended)) throw badField('ended', `It ends when it is ${ends.join(' or ')}.`);
  t.ended = ended;
}

export async function giveOut(ctx: Context, visitId: string, given: ParsedBodyOf<typeof api.strip.giveOut>) {
  await openVisit(ctx, visitId);
  const c = ctx.em.create(StripCustody, { visitId, backAt: null, ...given, ...signature(ctx) });
  await ctx.em.flush();
  return { id: c.id, ...given, backAt: null, state: '', ...signed(c) };
}

export async function takeBack(
  ctx: Context,
  visitId: string,
  id: string,
  { back, state }: ParsedBodyOf<typeof api.strip.takeBack>,
): Promise<void> {
  await openVisit(ctx, visitId);
  ctx.em.assign(
    await findOrRefuse(ctx, StripCustody, { id, visitId }, 'part with another hand'),
    back ? { backAt: ctx.now, state } : { backAt: null, state: '' },
  );
}
