import type { ParsedBodyOf, SurveyedHole as Shape, Visit } from '@eclat/contract';
import { api } from '@eclat/contract';
import { holesOf } from '@eclat/core/movement';
import { bushedHoles, holeSeen, judgeHole, measureProblem, seenFits } from '@eclat/core/pivots';
import { rows, type RowsOf } from '../database/rows.ts';
import { Bush } from '../fitting/fitting.entity.ts';
import { expectVersion, need, openVisit, signature, type Context } from '../http/context.ts';
import { badField, lostRace, notFound } from '../http/problems.ts';
import { Movement } from '../movements/movements.entity.ts';
import { SurveyedHole } from './survey.entity.ts';

export const presentHole = (h: SurveyedHole): Shape => ({
  key: h.key, pivotMm: h.pivotMm, holeLongMm: h.holeLongMm, holeShortMm: h.holeShortMm, verdict: h.verdict, computed: h.computed, note: h.note,
  seen: h.seen ?? null, way: h.way, wearDeg: h.wearDeg ?? null, endShakeMm: h.endShakeMm ?? null, spins: h.spins ?? null, polished: h.polished, past: h.past,
  version: h.version, by: h.by, at: h.at.toISOString(),
});

const LAST = 'visit_id = (select b.id from visit b where b.movement_id = ? and b.id <> ? and b.closed_at is not null and b.opened_at < ? and exists (select 1 from surveyed_hole s where s.visit_id = b.id) order by b.closed_at desc limit 1)';
/** What stands behind a survey: the last signed one of the same movement. */
export const lastSurveyAsk = (visit: { id: string; movementId: string; openedAt: Date }) => {
  const of = [visit.movementId, visit.id, visit.openedAt];
  return { lastHoles: rows(SurveyedHole, `where ${LAST}`, ...of), lastBushes: rows(Bush, `where ${LAST} order by at`, ...of) };
};

export function showLastSurvey({ lastHoles, lastBushes }: RowsOf<ReturnType<typeof lastSurveyAsk>>): Visit['lastSurvey'] {
  const [first] = lastHoles;
  if (!first) return null;
  const bushed = bushedHoles(lastBushes);
  const bushOf = (key: string) => { const b = bushed.has(key) ? lastBushes.findLast((x) => x.hole === key) : undefined; return b ? { pivotMm: b.pivotMm, boreMm: b.boreMm } : null; };
  return { at: first.at.toISOString(), holes: lastHoles.map(({ key, pivotMm, holeLongMm, holeShortMm, verdict }) => ({ key, pivotMm, holeLongMm, holeShortMm, verdict, bushed: bushOf(key) })) };
}

/** Version 0 says: nobody has measured this hole yet. The person's verdict stands beside the computed one. */
export async function measureHole(ctx: Context, visitId: string, key: string, { version, ...body }: ParsedBodyOf<typeof api.survey.set>): Promise<Shape> {
  const visit = await openVisit(ctx, visitId);
  const { traits } = await need(ctx, Movement, { id: visit.movementId }, 'movement');
  const hole = holesOf(traits).find((h) => h.key === key);
  if (!hole) throw notFound('hole in this movement');
  if (body.seen && !seenFits(body.seen.kind, body.way)) throw badField('way', body.seen.kind === 'lean' ? 'Lean is read in one plate, the other end free.' : 'Sideways play is read between the plates.');
  const given = body.seen ? { ...body, ...holeSeen(body.pivotMm, body.seen) } : body;
  const problem = measureProblem(given);
  if (problem) throw badField(problem.field, problem.message);
  const fields = { ...given, computed: judgeHole(given, hole.arbor.class).verdict, ...signature(ctx) };
  const before = await ctx.em.findOne(SurveyedHole, { visitId, key });
  if (before) {
    expectVersion(before.version, version, presentHole(before));
    ctx.em.assign(before, fields);
    await ctx.em.flush();
    return presentHole(before);
  }
  if (version !== 0) throw lostRace(null);
  const made = ctx.em.create(SurveyedHole, { visitId, key, ...fields });
  await ctx.em.flush();
  return presentHole(made);
}
