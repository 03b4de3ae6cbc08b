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
import { EarlierWord, LookTaken, Observation } from './diagnosis.entity.ts';
import { ownCauses } from './knowledge.service.ts';

import { rows, type RowsOf } from '../platform/database/rows.ts';

/** Present, absent, or null: not asked. Returns all that was observed. */
export const diagnosisRows = (visitId: string) => ({
  observed: rows(Observation, 'where visit_id = ?', visitId),
  looks: rows(LookTaken, 'where visit_id = ? order by at', visitId),
  earlierWords: rows(EarlierWord, 'where visit_id = ? order by at, id', visitId),
});
export const viewDiagnosis = ({ observed, looks, earlierWords }: RowsOf<ReturnType<typeof diagnosisRows>>) => ({
  observations: Object.fromEntries(observed.map((o) => [o.symptom, o.state])),
  looks: looks.map((l) => ({ look: l.look, outcome: l.outcome, ...viewSigned(l) })),
  earlierWords: earlierWords.map((w) => ({ of: w.of, said: w.said, why: w.why, ...viewSigned(w) })),
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
  if (outcome === null) return void (await ctx.em.nativeDelete(LookTaken, { visitId, look }));
  const before = await ctx.em.findOne(LookTaken, { visitId, look });
  if (before && before.outcome !== outcome && isLater(ctx, before))
    ctx.em.create(EarlierWord, { visitId, of: look, said: before.outcome, why: '', by: before.by, at: before.at });
  // The entity in hand would be written back over what is set here.
  await ctx.em.flush();
  await ctx.em.upsert(LookTaken, { visitId, look, outcome, ...signature(ctx) });
}

/** So long whoever said a thing puts it right; after that, or from somebody else, it is a later word. */
const CORRECTED_WITHIN_MS = 15 * 60_000;
const isLater = (ctx: Context, { by, at }: { by: string; at: Date }): boolean =>
  by !== ctx.person.name || ctx.now.getTime() - at.getTime() > CORRECTED_WITHIN_MS;

/** Names the cause. A later word does not wipe out the one before it: both stand. */
export async function settleCause(ctx: Context, visitId: string, cause: string, why: string): Promise<void> {
  const visit = await openVisit(ctx, visitId);
  const { cause: said, causeBy, causeAt } = visit;
  if (said === cause) return;
  // Named before it was kept who did: that it was named is kept all the same.
  const named = { by: causeBy ?? '', at: causeAt ?? visit.openedAt };
  if (said !== '' && (why !== '' || isLater(ctx, named)))
    ctx.em.create(EarlierWord, { visitId, of: 'cause', said, why, ...named });
  ctx.em.assign(visit, { cause, causeBy: ctx.person.name, causeAt: ctx.now });
}
