import { openVisit } from '../visit/lock.ts';
import type { ParsedBodyOf, Power as Shape } from '@eclat/contract';
import { api } from '@eclat/contract';
import { cautionsFor } from '@eclat/core/cautions';
import type { TrainKey } from '@eclat/core/movement';
import { powerWords, stripGate, unsafeFor, type Depth } from '@eclat/core/workflow';
import { expectVersion, findOrRefuse, signature, type Context } from '../platform/http/context.ts';
import { badField, refused } from '../platform/http/problems.ts';
import { Movement } from '../movements/movements.entity.ts';
import { CautionRead } from '../visit/visit.entity.ts';
import { Strip, TrainPower } from './power-down.entity.ts';

export const viewPower = (p: TrainPower): Shape => ({
  train: p.train,
  state: p.state,
  turns: p.turns ?? null,
  setUpTurns: p.setUpTurns ?? null,
  note: p.note,
  version: p.version,
  by: p.by,
  at: p.at?.toISOString() ?? null,
});

export async function setPower(
  ctx: Context,
  visitId: string,
  train: string,
  { version, ...fields }: ParsedBodyOf<typeof api.powerDown.set>,
): Promise<Shape> {
  await openVisit(ctx, visitId);
  const power = await findOrRefuse(ctx, TrainPower, { visitId, train: train as TrainKey }, 'train');
  expectVersion(power.version, version, viewPower(power));
  ctx.em.assign(power, { ...fields, ...signature(ctx) });
  await ctx.em.flush();
  return viewPower(power);
}

/**
 * Every train that can hold power stands wound since then: it was wound, or set going. Where somebody said otherwise
 * later, that stands.
 */
export async function nowWound(ctx: Context, visitId: string, since: Date): Promise<void> {
  for (const power of await ctx.em.find(TrainPower, { visitId })) {
    if (power.state === 'wound' || (power.at && power.at > since)) continue;
    ctx.em.assign(power, { state: 'wound', turns: null, by: ctx.person.name, at: since });
  }
}

/**
 * Holds whatever comes off to the power as it stands now, in every pass.
 * @param overridden a reason was given for this pass, or for this step
 * @throws 422 at `opens`
 */
export async function holdToPower(
  ctx: Context,
  visitId: string,
  opens: Depth | null,
  overridden: boolean,
): Promise<void> {
  const power = await ctx.em.find(TrainPower, { visitId });
  const unsafe = unsafeFor(opens, power);
  if (overridden || unsafe.length === 0) return;
  const stands = `The ${power
    .filter((p) => unsafe.includes(p.train))
    .map(powerWords)
    .join(', the ')}.`;
  throw badField('opens', `${stands} ${opens === null ? 'Say what this opens.' : 'Make it safe first.'}`);
}

/** @throws 409 with the reasons while the gate is shut */
export async function beginStrip(ctx: Context, visitId: string, overrideReason: string): Promise<void> {
  const visit = await openVisit(ctx, visitId);
  if (await ctx.em.findOne(Strip, { visitId })) return;
  const power = await ctx.em.find(TrainPower, { visitId });
  const read = await ctx.em.find(CautionRead, { visitId });
  const { traits } = await findOrRefuse(ctx, Movement, { id: visit.movementId }, 'movement');
  const unread = cautionsFor(traits, 'power').filter((c) => c.acknowledge && !read.some((r) => r.caution === c.id));
  const gate = stripGate(power, unread.length, overrideReason);
  if (!gate.open) throw refused('The strip cannot begin.', `${gate.reasons.join('; ')}.`);
  ctx.em.create(Strip, {
    visitId,
    overrideReason: gate.unsafe.length > 0 ? overrideReason.trim() : '',
    ...signature(ctx),
  });
}
