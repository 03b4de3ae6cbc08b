import { StripStep } from '../strip/strip.entity.ts';
import { holdToPower } from '../power-down/power-down.service.ts';
import { openVisit } from '../visit/lock.ts';
import type { CleaningRun as Shape, ParsedBodyOf } from '@eclat/contract';
import { api } from '@eclat/contract';
import {
  basketOpens,
  begin,
  isBefore,
  mayWarm,
  move,
  ownSteps,
  planSequence,
  planWipe,
  sequenceFound,
  sequencesFor,
  stepsOf,
  tooLongAgain,
  type RunState,
} from '@eclat/core/cleaning';
import { expectVersion, findOrRefuse, type Context } from '../platform/http/context.ts';
import { badField, refused } from '../platform/http/problems.ts';
import { Movement } from '../movements/movements.entity.ts';
import { loadVisitRules } from '../house-rules/house-rules.service.ts';
import { z } from 'zod';
import type { Visit } from '../visit/visit.entity.ts';
import { BathFill, BathRun, OwnSequence } from './cleaning.entity.ts';

export const viewCleaning = (b: BathRun): Shape => ({
  id: b.id,
  version: b.version,
  sequence: b.sequence,
  name: b.name,
  bath: b.bath ?? null,
  parts: b.parts,
  minutes: b.minutes,
  overrideReason: b.overrideReason,
  fillId: b.fillId ?? null,
  before: b.before,
  after: b.after,
  ...stateOf(b),
  steps: b.steps,
  log: b.log,
  by: b.by,
  startedAt: b.startedAt.toISOString(),
  stoppedAt: b.stoppedAt?.toISOString() ?? null,
});

const stateOf = (b: BathRun): RunState => ({
  steps: b.steps,
  step: b.step,
  stepStartedAt: b.stepStartedAt.toISOString(),
  endsAt: b.endsAt?.toISOString() ?? null,
  log: b.log,
});
const columns = (s: RunState) => ({
  step: s.step,
  stepStartedAt: new Date(s.stepStartedAt),
  endsAt: s.endsAt === null ? null : new Date(s.endsAt),
  log: [...s.log],
});

/** What is followed: a sequence of the table in the bath that was chosen, or one of the shop's own as it stands now. */
async function sequenceOf(ctx: Context, visit: Visit, given: ParsedBodyOf<typeof api.cleaning.start>) {
  const { traits } = await findOrRefuse(ctx, Movement, { id: visit.movementId }, 'movement');
  const found = sequenceFound(given.sequence);
  if (!found) {
    const own = await findOwn(ctx, given.sequence);
    const steps = ownSteps(own.steps, given.parts);
    const main = steps.find((s) => s.bath !== null);
    const dips = own.steps.some((s) => s.bath !== null);
    return { name: own.name, bath: main?.bath ?? null, minutes: main?.minutes ?? 1, dips, wipes: false, steps };
  }
  if (!sequencesFor(traits).includes(found)) throw badField('sequence', 'This sequence is not for this movement.');
  const { name, baths, wipes = false } = found;
  if (baths.length === 0 ? given.bath !== null : !baths.includes(given.bath!))
    throw badField('bath', baths.length === 0 ? 'This sequence has no bath.' : `It begins in ${baths.join(' or ')}.`);
  const { bath, minutes, parts } = given;
  const choices = (await loadVisitRules(ctx, visit.id)).held;
  const steps = stepsOf(found.id, { bath, minutes, parts, choices });
  return { name, bath, minutes, dips: baths.length > 0, wipes, steps };
}

async function findOwn(ctx: Context, id: string): Promise<OwnSequence> {
  const own = z.uuid().safeParse(id).success ? await ctx.em.findOne(OwnSequence, { id, retired: false }) : null;
  if (!own) throw badField('sequence', 'There is no such sequence.');
  return own;
}

/** Who may go in: a reason that is kept is needed for anything that may not. */
async function holdBasket(
  ctx: Context,
  visit: Visit,
  { dips, wipes, steps }: Awaited<ReturnType<typeof sequenceOf>>,
  { parts, overrideReason }: Pick<ParsedBodyOf<typeof api.cleaning.start>, 'parts' | 'overrideReason'>,
): Promise<void> {
  if (dips) {
    const log = await ctx.em.find(StripStep, { visitId: visit.id });
    await holdToPower(ctx, visit, basketOpens(parts, log), { field: 'parts' });
  }
  if (overrideReason.trim() !== '') return;
  const plan = planSequence(steps, parts);
  if (wipes) plan.forbidden.push(...planWipe(parts));
  if (plan.forbidden.length > 0)
    throw refused(
      'Something in the basket must come out.',
      plan.forbidden.map((f) => `${f.part} (${f.material}): ${f.reason}`).join('; '),
    );
  if (plan.tooLong)
    throw badField(
      'minutes',
      plan.limitedBy
        ? `At most ${plan.limitMin} minutes: ${plan.limitedBy.part} is ${plan.limitedBy.material}.`
        : `${plan.tooLong.what}: too long for what is in the basket.`,
    );
}

/** Begins a sequence, once the basket may stand its baths. A bath that is warmed first needs no basket yet. */
export async function startBath(
  ctx: Context,
  visitId: string,
  given: ParsedBodyOf<typeof api.cleaning.start>,
): Promise<Shape> {
  const visit = await openVisit(ctx, visitId);
  const followed = await sequenceOf(ctx, visit, given);
  const { name, bath, minutes, dips, wipes, steps } = followed;
  if (given.parts.length === 0 && (wipes || (dips && !mayWarm(steps))))
    throw badField('parts', wipes ? 'What is wiped?' : 'Put at least one part in the basket.');
  await holdBasket(ctx, visit, followed, given);
  if (given.fillId) {
    const fill = await findOrRefuse(ctx, BathFill, { id: given.fillId }, 'bath');
    if (fill.changedAt) throw badField('fillId', 'This bath has been poured away.');
    if (!steps.some((s) => s.bath === fill.bath)) throw badField('fillId', `There is no ${fill.bath} in this run.`);
  }
  const run = ctx.em.create(BathRun, {
    visitId,
    ...given,
    ...{ name, bath, minutes, steps },
    ...columns(begin(steps, ctx.now)),
    startedAt: ctx.now,
    stoppedAt: null,
    by: ctx.person.name,
  });
  await ctx.em.flush();
  return viewCleaning(run);
}

/** The bath is warm, and what goes in is known now; its steps are those of this basket. */
export async function setBasket(
  ctx: Context,
  visitId: string,
  id: string,
  { parts, overrideReason, version }: ParsedBodyOf<typeof api.cleaning.setBasket>,
): Promise<Shape> {
  const visit = await openVisit(ctx, visitId);
  const run = await findOrRefuse(ctx, BathRun, { id, visitId }, 'run');
  expectVersion(run.version, version, viewCleaning(run));
  if (run.stoppedAt || !isBefore(stateOf(run))) throw refused('Its basket is in a bath, or out of it again.');
  const given = { ...viewCleaning(run), parts, overrideReason };
  const followed = await sequenceOf(ctx, visit, given);
  await holdBasket(ctx, visit, followed, given);
  ctx.em.assign(run, { parts, overrideReason, steps: followed.steps });
  await ctx.em.flush();
  return viewCleaning(run);
}

/** @throws 409 when somebody else has gone on already, or there is no such step to go to */
export async function stepBath(
  ctx: Context,
  visitId: string,
  id: string,
  { to, reason, version }: ParsedBodyOf<typeof api.cleaning.step>,
): Promise<Shape> {
  await openVisit(ctx, visitId);
  const run = await findOrRefuse(ctx, BathRun, { id, visitId }, 'run');
  expectVersion(run.version, version, viewCleaning(run));
  if (run.stoppedAt) throw refused('This run is over.');
  const moved = move(stateOf(run), to, ctx.now, ctx.person.name);
  if (!moved) throw refused('There is no such step.');
  if (run.parts.length === 0 && moved.steps[moved.step]!.bath !== null)
    throw refused('Nothing is in the basket yet.', 'Put at least one part in first.');
  const over = to === 'again' ? tooLongAgain({ ...stateOf(run), parts: run.parts }, ctx.now) : null;
  if (over && reason === '')
    throw badField(
      'reason',
      `${over.minutes} minutes in all, and ${over.part} (${over.material}) stands ${over.limitMin}: ` +
        'say why it goes in again.',
    );
  if (over) run.overrideReason = [run.overrideReason, reason].filter(Boolean).join('; ');
  ctx.em.assign(run, columns(moved));
  await ctx.em.flush();
  return viewCleaning(run);
}

export async function stopBath(ctx: Context, visitId: string, id: string, after: string): Promise<Shape> {
  await openVisit(ctx, visitId);
  const run = await findOrRefuse(ctx, BathRun, { id, visitId }, 'run');
  if (!run.stoppedAt) {
    run.log = [
      ...run.log,
      {
        step: run.step,
        startedAt: run.stepStartedAt.toISOString(),
        endsAt: run.endsAt?.toISOString() ?? null,
        endedAt: ctx.now.toISOString(),
        by: ctx.person.name,
      },
    ];
    run.stoppedAt = ctx.now;
  }
  if (after) run.after = after;
  await ctx.em.flush();
  return viewCleaning(run);
}
