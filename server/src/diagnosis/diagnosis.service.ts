import { instancesFor, SYMPTOM_IDS, type LookOutcome, type Observations, type SymptomId } from '@eclat/core/faults';
import { need, openVisit, signature, type Context } from '../platform/http/context.ts';
import { notFound } from '../platform/http/problems.ts';
import { Movement } from '../movements/movements.entity.ts';
import { LookTaken, Observation } from './diagnosis.entity.ts';
import { ownCauses } from './knowledge.service.ts';

/** Present, absent, or null: not asked. Returns all that was observed. */
export async function observe(
  ctx: Context,
  visitId: string,
  symptom: string,
  state: 'present' | 'absent' | null,
): Promise<Observations> {
  if (!SYMPTOM_IDS.includes(symptom as SymptomId)) throw notFound('symptom');
  await openVisit(ctx, visitId);
  const of = { visitId, symptom: symptom as SymptomId };
  if (state === null) await ctx.em.nativeDelete(Observation, of);
  else await ctx.em.upsert(Observation, { ...of, state, ...signature(ctx) });
  const all = await ctx.em.find(Observation, { visitId });
  return Object.fromEntries(all.map((o) => [o.symptom, o.state]));
}

/** What a look found, or null to take it back. Only looks at causes that this movement can have. */
export async function takeLook(
  ctx: Context,
  visitId: string,
  look: string,
  outcome: LookOutcome | null,
): Promise<void> {
  const visit = await openVisit(ctx, visitId);
  const { traits } = await need(ctx, Movement, { id: visit.movementId }, 'movement');
  if (!instancesFor(traits, await ownCauses(ctx)).some((i) => i.id === look)) throw notFound('look on this movement');
  if (outcome === null) await ctx.em.nativeDelete(LookTaken, { visitId, look });
  else await ctx.em.upsert(LookTaken, { visitId, look, outcome, ...signature(ctx) });
}

export async function settleCause(ctx: Context, visitId: string, cause: string): Promise<void> {
  (await openVisit(ctx, visitId)).cause = cause;
}
