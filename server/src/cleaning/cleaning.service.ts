import type { BathRun as Shape, ParsedBodyOf } from '@eclat/contract';
import { api } from '@eclat/contract';
import { planRun } from '@eclat/core/cleaning';
import { need, openVisit, type Context } from '../http/context.ts';
import { badField, refused } from '../http/problems.ts';
import { BathRun } from './cleaning.entity.ts';

export const presentBath = (b: BathRun): Shape => ({
  id: b.id, bath: b.bath, parts: b.parts, minutes: b.minutes, overrideReason: b.overrideReason, by: b.by,
  startedAt: b.startedAt.toISOString(), endsAt: b.endsAt.toISOString(), stoppedAt: b.stoppedAt?.toISOString() ?? null,
});

/** Starts the timer, once the basket may stand the bath: a reason that is kept is needed for anything that may not. */
export async function startBath(ctx: Context, visitId: string, given: ParsedBodyOf<typeof api.cleaning.start>): Promise<Shape> {
  await openVisit(ctx, visitId);
  const plan = planRun(given.parts, given.bath);
  const overridden = given.overrideReason.trim() !== '';
  if (!overridden && plan.forbidden.length > 0)
    throw refused('Something in the basket must come out.', plan.forbidden.map((f) => `${f.part} (${f.material}): ${f.reason}`).join('; '));
  if (!overridden && plan.limitMin !== null && given.minutes > plan.limitMin)
    throw badField('minutes', `At most ${plan.limitMin} minutes: ${plan.limitedBy!.part} is ${plan.limitedBy!.material}.`);
  const run = ctx.em.create(BathRun, { visitId, ...given, startedAt: ctx.now, endsAt: new Date(ctx.now.getTime() + given.minutes * 60_000), stoppedAt: null, by: ctx.person.name });
  await ctx.em.flush();
  return presentBath(run);
}

export async function stopBath(ctx: Context, visitId: string, id: string): Promise<Shape> {
  await openVisit(ctx, visitId);
  const run = await need(ctx, BathRun, { id, visitId }, 'bath');
  run.stoppedAt ??= ctx.now;
  return presentBath(run);
}
