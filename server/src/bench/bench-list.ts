import type { BenchRow, Timer } from '@eclat/contract';
import { CAUTIONS } from '@eclat/core/cautions';
import { visitFacts, type FactSource } from '@eclat/core/visit';
import { isTogether, nextAction, powerOf, type PowerEvent, type PowerState } from '@eclat/core/workflow';
import type { EntityManager } from '@mikro-orm/postgresql';
import { sql } from '../platform/http/app-context.ts';

/**
 * One row of the bench as the database gives it: a visit with what its facts depend on. Everything is reckoned in core.
 */
export interface BenchFacts extends FactSource {
  id: string;
  claim: string;
  clock: string;
  owner: string;
  code: string;
  family_id: string;
  opened_at: string;
  photo_id: string | null;
  worked_by: string | null;
  power: { source: string; label: string; state: PowerState }[];
}

const list = (json: string, from: string) => `(select coalesce(json_agg(${json}), '[]') from ${from})`;
const ofVisit = (table: string, more = '') => `${table} where visit_id = v.id${more}`;
const HELD = `(select choices from house_rules where version = v.rules_version)
  || coalesce((select jsonb_object_agg(question, school) from visit_rule where visit_id = v.id), '{}')`;
const object = (fields: Record<string, string>) =>
  `json_build_object(${Object.entries(fields)
    .map(([name, from]) => `'${name}', ${from}`)
    .join(', ')})`;
const RUN = object({
  startedAt: 't.started_at',
  readBy: 't.read_by',
  readings: list(
    object({ readAt: 'read_at', errorS: 'error_s' }),
    '(select * from run_reading where test_run_id = t.id order by read_at) rr',
  ),
  events: list(object({ kind: 'kind', happenedAt: 'happened_at' }), 'run_event where test_run_id = t.id'),
});
const LINES = list(
  object({
    routes: 'routes',
    addition: 'addition',
    state: '(select state from line_decision d where d.line_id = l.id order by at desc limit 1)',
  }),
  ofVisit('estimate_line l'),
);

const LATEST_STAGES = `(select distinct on (stage) stage, state, why from ${ofVisit('stage_event')}
  order by stage, at desc) s`;
const PASSES = list(
  object({ depth: 'depth', at: 'at' }),
  `(select * from ${ofVisit('strip_pass')} order by number) sp`,
);
const UNIT_WORDS = list(
  object({ stage: 'stage', state: 'state', why: 'why' }),
  '(select * from unit_stage_event where unit_id = u.id order by at) e',
);
const UNIT_RUNS = list(object({ endedAt: 'ended_at' }), '(select * from unit_run where unit_id = u.id) ur');
const UNITS = `(select * from ${ofVisit('unit')} and removed_at is null order by at, id) u`;
const LOOKS = `(select * from ${ofVisit('second_look')} order by at) l`;
const BATH_RUNS = `(select * from ${ofVisit('bath_run')} order by started_at) b`;

/** Where a person leaves a mark on a visit, and the column of its moment. */
const MARKS = {
  stage_event: 'at',
  power_event: 'at',
  time_spent: 'started_at',
  finding: 'at',
  photo: 'at',
  strip_step: 'at',
  bath_run: 'started_at',
  surveyed_hole: 'at',
  bush: 'at',
  part_fitted: 'at',
  oiled_point: 'at',
};
const WORKED_BY = `(select by from (${Object.entries(MARKS)
  .map(([table, at]) => `(select by, ${at} as at from ${ofVisit(table)} order by ${at} desc limit 1)`)
  .join(' union all ')}) w where by <> '' order by at desc limit 1)`;

/** Fetches, and reckons nothing. Exported for the bench that runs it on a bare route. */
export const FACTS_SQL = `
select v.id, v.claim, c.description as clock, o.name as owner, m.code, m.family_id, v.opened_at,
  v.closed_at as "closedAt", v.promised_for::text as "promisedFor",
  (select id from photo where visit_id = v.id order by at, id limit 1) as photo_id,
  ${WORKED_BY} as worked_by,
  json_build_object('traits', m.traits) as movement,
  json_build_object('held', ${HELD}) as rules,
  ${list('s', LATEST_STAGES)} as stages,
  (select json_build_object('shape', shape, 'terms', terms, 'trial', trial, 'ownStock', o.own_stock)
    from ${ofVisit('visit_job')} order by at desc limit 1) as job,
  ${list('s', `(select source, state, at from ${ofVisit('power_event')} order by at, version) s`)} as said,
  json_build_object('begun', exists (select 1 from ${ofVisit('strip')}),
    'steps', ${list(object({ fate: 'fate' }), ofVisit('strip_step'))}, 'passes', ${PASSES}) as strip,
  ${list('id', ofVisit('finding'))} as findings,
  (select coalesce(json_object_agg(symptom, state), '{}') from ${ofVisit('observation')}) as observations,
  json_build_object('lines', ${LINES}, 'chosen',
    (select json_build_object('route', route) from ${ofVisit('route_choice')} order by at desc limit 1)) as agreement,
  ${list(object({ stoppedAt: 'stopped_at', endsAt: 'ends_at', step: 'step', steps: 'steps' }), BATH_RUNS)} as baths,
  ${list(object({ doneAt: 'done_at', waitEndsAt: 'wait_ends_at' }), ofVisit('case_task'))} as casework,
  ${list(object({ key: 'key', verdict: 'verdict' }), ofVisit('surveyed_hole'))} as holes,
  ${list(object({ hole: 'hole', off: 'off' }), `(select * from ${ofVisit('bush')} order by at) b`)} as bushes,
  ${list(object({ point: 'point', at: 'at' }), ofVisit('oiled_point'))} as oiled,
  json_build_object('out', (select movement_id from ${ofVisit('movement_out')})) as replacement,
  ${list(object({ name: 'name', stages: UNIT_WORDS, runs: UNIT_RUNS }), UNITS)} as units,
  ${list(object({ off: 'off', endedAt: 'ended_at' }), ofVisit('stand_run'))} as "standRuns",
  ${list(object({ what: 'what', lookedAt: 'looked_at' }), LOOKS)} as "secondLooks",
  (select ${RUN} from ${ofVisit('test_run t')}) as "testRun"
from visit v join clock c on c.id = v.clock_id join owner o on o.id = v.owner_id
  join movement m on m.id = v.movement_id`;

/** Every open visit, the oldest first. */
export async function benchFacts(em: EntityManager): Promise<BenchFacts[]> {
  const rows = await sql<Omit<BenchFacts, 'power'> & { said: PowerEvent[] }>(
    em,
    `${FACTS_SQL} where v.closed_at is null order by v.opened_at`,
  );
  return rows.map(({ said, ...row }) => ({
    ...row,
    power: powerOf(row.movement.traits, said).map(({ source, label, state }) => ({ source, label, state })),
  }));
}

const RANK = { danger: 0, due: 1, next: 2, wait: 3 };

/** Every clock in the shop: what can hurt first, then what is due, then the oldest. */
export async function benchList(em: EntityManager, now: Date): Promise<BenchRow[]> {
  return (await benchFacts(em))
    .map((row) => benchRow(row, now))
    .sort((a, b) => RANK[a.next.urgency] - RANK[b.next.urgency]);
}

function benchRow(row: BenchFacts, now: Date): BenchRow {
  const { traits } = row.movement;
  const facts = visitFacts(row, now.getTime());
  return {
    visitId: row.id,
    claim: row.claim,
    clock: row.clock,
    owner: row.owner,
    movementCode: row.code,
    familyId: row.family_id,
    stages: facts.stages.map(({ stage, state }) => ({ stage, state })),
    shape: row.job.shape,
    together: facts.standRun !== null || isTogether(facts.stages, facts.passes),
    power: row.power,
    next: nextAction(facts, now.getTime()),
    bathEndsAt: facts.bathEndsAt === null ? null : new Date(facts.bathEndsAt).toISOString(),
    promisedFor: row.promisedFor,
    openedAt: new Date(row.opened_at).toISOString(),
    photoId: row.photo_id,
    cautions: CAUTIONS.filter((c) => ['mains', 'luminous', 'mercury'].includes(c.id) && c.applies(traits)).map(
      (c) => c.id,
    ),
    asked: facts.asked,
    workedBy: row.worked_by,
  };
}

export async function timers(em: EntityManager): Promise<Timer[]> {
  const rows = await sql<{
    id: string;
    visit_id: string;
    claim: string;
    clock: string;
    beside: boolean;
    what: string;
    started_at: string;
    ends_at: string;
  }>(
    em,
    `
    select b.id, b.visit_id, v.claim, c.description as clock, false as beside,
      b.steps -> b.step ->> 'what' as what, b.step_started_at as started_at, b.ends_at
    from bath_run b join visit v on v.id = b.visit_id join clock c on c.id = v.clock_id
      where b.stopped_at is null and b.ends_at is not null
    union all select k.id, k.visit_id, v.claim, c.description, true, k.what,
      (k.log -> -1 ->> 'at')::timestamptz, k.wait_ends_at
    from case_task k join visit v on v.id = k.visit_id join clock c on c.id = v.clock_id where k.done_at is null
      and k.wait_ends_at is not null order by ends_at`,
  );
  return rows.map((r) => ({
    id: r.id,
    beside: r.beside,
    visitId: r.visit_id,
    claim: r.claim,
    clock: r.clock,
    what: r.what,
    startedAt: new Date(r.started_at).toISOString(),
    endsAt: new Date(r.ends_at).toISOString(),
  }));
}
