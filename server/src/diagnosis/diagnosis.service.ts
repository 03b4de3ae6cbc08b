import { SYMPTOM_IDS, type Observations, type SymptomId } from '@eclat/core/faults';
import { openVisit, signature, type Context } from '../http/context.ts';
import { notFound } from '../http/problems.ts';
import { Observation } from './diagnosis.entity.ts';

/** Present, absent, or null: not asked. Returns all that was observed. */
export async function observe(ctx: Context, visitId: string, symptom: string, state: 'present' | 'absent' | null): Promise<Observations> {
  if (!SYMPTOM_IDS.includes(symptom as SymptomId)) throw notFound('symptom');
  await openVisit(ctx, visitId);
  const of = { visitId, symptom: symptom as SymptomId };
  if (state === null) await ctx.em.nativeDelete(Observation, of);
  else await ctx.em.upsert(Observation, { ...of, state, ...signature(ctx) });
  const all = await ctx.em.find(Observation, { visitId });
  return Object.fromEntries(all.map((o) => [o.symptom, o.state]));
}

export async function settleCause(ctx: Context, visitId: string, cause: string): Promise<void> {
  (await openVisit(ctx, visitId)).cause = cause;
}
