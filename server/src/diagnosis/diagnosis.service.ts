import { openVisit } from '../visit/lock.ts';
import {
  excludedBy,
  instancesFor,
  SYMPTOM_IDS,
  type LookOutcome,
  type Observations,
  type SymptomId,
} from '@eclat/core/faults';
import { findOrRefuse, signature, viewSigned, type Context } from '../platform/http/context.ts';
import { notFound } from '../platform/http/problems.ts';
import { Movement } from '../movements/movements.entity.ts';
import { LookTaken, Observation } from './diagnosis.entity.ts';
import { ownCauses } from './knowledge.service.ts';

import { rows, type RowsOf } from '../platform/database/rows.ts';

/** Present, absent, or null: not asked. Returns all that was observed. */
export const diagnosisRows = (visitId: string) => ({
  observed: rows(Observation, 'where visit_id = ?', visitId),
  looks: rows(LookTaken, 'where visit_id = ? order by at', visitId),
});
export const viewDiagnosis = ({ observed, looks }: RowsOf<ReturnType<typeof diagnosisRows>>) => ({
  observations: Object.fromEntries(observed.map((o) => [o.symptom, o.state])),
  looks: looks.map((l) => ({ look: l.look, outcome: l.outcome, ...viewSigned(l) })),
});

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
  else {
    await ctx.em.upsert(Observation, { ...of, state, ...signature(ctx) });
    // It cannot gain and lose: what is said now counts, and what it excludes is no longer said to be there.
    if (state === 'present')
      await ctx.em.nativeDelete(Observation, { visitId, state, symptom: { $in: excludedBy(of.symptom) } });
  }
  const all = await ctx.em.find(Observation, { visitId });
  return Object.fromEntries(all.map((o) => [o.symptom, o.state]));
}

/** What a look found, or null to take it back. Only looks at causes that this movement can have. */
export async function recordLook(
  ctx: Context,
  visitId: string,
  look: string,
  outcome: LookOutcome | null,
): Promise<void> {
  const visit = await openVisit(ctx, visitId);
  const { traits } = await findOrRefuse(ctx, Movement, { id: visit.movementId }, 'movement');
  if (!instancesFor(traits, await ownCauses(ctx)).some((i) => i.id === look)) throw notFound('look on this movement');
  if (outcome === null) await ctx.em.nativeDelete(LookTaken, { visitId, look });
  else await ctx.em.upsert(LookTaken, { visitId, look, outcome, ...signature(ctx) });
}

export async function settleCause(ctx: Context, visitId: string, cause: string): Promise<void> {
  (await openVisit(ctx, visitId)).cause = cause;
}
