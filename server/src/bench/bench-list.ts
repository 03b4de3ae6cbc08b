import type { BenchRow, Timer } from '@eclat/contract';
import type { EntityManager } from '@mikro-orm/postgresql';
import { CAUTIONS } from '@eclat/core/cautions';
import { holesOf, poweredTrains, type TrainKey, type Traits } from '@eclat/core/movement';
import { oilChart } from '@eclat/core/oiling';
import { protocolFor } from '@eclat/core/rate';
import type { Choices } from '@eclat/core/rules';
import { nextAction, type PowerState, type StageId, type VisitFacts } from '@eclat/core/workflow';
import { sql } from '../platform/http/app-context.ts';

/** One row of the bench as the database gives it: a visit with what its next action depends on. */
export interface FactRow {
  id: string;
  claim: string;
  clock: string;
  owner: string;
  code: string;
  family_id: string;
  traits: Traits;
  opened_at: string;
  closed_at: string | null;
  promised_for: string | null;
  photo_id: string | null;
  done: StageId[];
  power: { train: TrainKey; state: PowerState }[];
  strip_begun: boolean;
  findings: number;
  symptoms: number;
  bath_ends_at: string | null;
  case_ends_at: string | null;
  bath_step: string | null;
  holes: number;
  bushes_wanted: number;
  bushes_fitted: number;
  oiled: number;
  steps: number;
  apart: number;
  lines: number;
  unanswered: number;
  asked: number;
  readings: number | null;
  last_reading_at: string | null;
  rules: Choices;
}

/** Exported for the bench that runs it on a bare route. */
export const FACTS_SQL = `
select v.id, v.claim, c.description as clock, o.name as owner, m.code, m.family_id, m.traits, v.opened_at, v.closed_at, v.promised_for::text,
  (select id from photo where visit_id = v.id order by at, id limit 1) as photo_id,
  (select coalesce(json_agg(stage), '[]') from (select distinct on (stage) stage, done from stage_event where visit_id = v.id order by stage, at desc) s where done) as done,
  (select coalesce(json_agg(json_build_object('train', train, 'state', state)), '[]') from train_power where visit_id = v.id) as power,
  exists (select 1 from strip where visit_id = v.id) as strip_begun,
  (select count(*)::int from finding where visit_id = v.id) as findings,
  (select count(*)::int from observation where visit_id = v.id and state = 'present') as symptoms,
  (select min(ends_at) from bath_run where visit_id = v.id and stopped_at is null) as bath_ends_at,
  (select min(wait_ends_at) from case_task where visit_id = v.id and done_at is null) as case_ends_at,
  (select steps -> step ->> 'what' from bath_run where visit_id = v.id and stopped_at is null and ends_at is null order by started_at limit 1) as bath_step,
  z.steps, z.apart, e.lines, e.unanswered, e.asked, h.holes, h.bushes_wanted,
  (select count(*)::int from (select distinct on (hole) off from bush where visit_id = v.id order by hole, at desc) b where not off) as bushes_fitted,
  (select count(*)::int from oiled_point where visit_id = v.id) as oiled,
  r.readings, r.last_reading_at,
  (select choices from house_rules where version = v.rules_version) || coalesce((select jsonb_object_agg(question, school) from visit_rule where visit_id = v.id), '{}') as rules
from visit v join clock c on c.id = v.clock_id join owner o on o.id = v.owner_id join movement m on m.id = v.movement_id
cross join lateral (select count(*)::int as holes, count(*) filter (where verdict = 'bush')::int as bushes_wanted from surveyed_hole where visit_id = v.id) h
cross join lateral (select count(*)::int as steps, count(*) filter (where fate = 'apart')::int as apart from strip_step where visit_id = v.id) z
cross join lateral (
  select count(*)::int as lines, count(*) filter (where d.open)::int as unanswered, count(*) filter (where d.open and l.addition)::int as asked from estimate_line l
  cross join lateral (select coalesce((select state from line_decision x where x.line_id = l.id order by at desc limit 1), 'ask later') = 'ask later'
    and (l.routes = '[]' or coalesce(l.routes @> to_jsonb((select route from route_choice rc where rc.visit_id = v.id order by at desc limit 1)), true)) as open) d
  where l.visit_id = v.id) e
left join lateral (select count(rr.id)::int as readings, coalesce(max(rr.read_at), t.started_at) as last_reading_at from test_run t left join run_reading rr on rr.test_run_id = t.id where t.visit_id = v.id group by t.id) r on true`;

const when = (t: string | null) => (t === null ? null : Date.parse(t));

export function factsOf(row: FactRow): VisitFacts {
  const chart = oilChart(row.traits);
  const last = when(row.last_reading_at);
  return {
    done: row.done,
    closed: row.closed_at !== null,
    power: row.power.map((p) => p.state),
    stripBegun: row.strip_begun,
    steps: row.steps,
    apart: row.apart,
    findings: row.findings,
    symptoms: row.symptoms,
    lines: row.lines,
    unanswered: row.unanswered,
    bathEndsAt: when(row.bath_ends_at),
    caseEndsAt: when(row.case_ends_at),
    bathStep: row.bath_step,
    holesLeft: Math.max(0, holesOf(row.traits).length - row.holes),
    bushesWanted: row.bushes_wanted,
    bushesFitted: row.bushes_fitted,
    oilLeft: Math.max(0, chart.length - row.oiled),
    run:
      row.readings === null
        ? null
        : {
            readings: row.readings,
            nextReadingAt: last === null ? null : last + protocolFor(row.traits, row.rules).readEveryHours * 3_600_000,
          },
    promisedAt: row.promised_for === null ? null : Date.parse(row.promised_for) + 24 * 3_600_000,
  };
}

const RANK = { danger: 0, due: 1, next: 2, wait: 3 };

/** Every clock in the shop: what can hurt first, then what is due, then the oldest. */
export async function benchList(em: EntityManager, now: Date): Promise<BenchRow[]> {
  const rows = await sql<FactRow>(em, `${FACTS_SQL} where v.closed_at is null order by v.opened_at`);
  return rows.map((row) => benchRow(row, now)).sort((a, b) => RANK[a.next.urgency] - RANK[b.next.urgency]);
}

function benchRow(row: FactRow, now: Date): BenchRow {
  const trains = poweredTrains(row.traits).map((t) => t.train);
  return {
    visitId: row.id,
    claim: row.claim,
    clock: row.clock,
    owner: row.owner,
    movementCode: row.code,
    familyId: row.family_id,
    done: row.done,
    power: row.power.toSorted((a, b) => trains.indexOf(a.train) - trains.indexOf(b.train)),
    next: nextAction(factsOf(row), now.getTime()),
    bathEndsAt: row.bath_ends_at && new Date(row.bath_ends_at).toISOString(),
    promisedFor: row.promised_for,
    openedAt: new Date(row.opened_at).toISOString(),
    photoId: row.photo_id,
    cautions: CAUTIONS.filter((c) => ['mains', 'luminous', 'mercury'].includes(c.id) && c.applies(row.traits)).map(
      (c) => c.id,
    ),
    asked: row.asked,
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
    select b.id, b.visit_id, v.claim, c.description as clock, false as beside, b.steps -> b.step ->> 'what' as what, b.step_started_at as started_at, b.ends_at
    from bath_run b join visit v on v.id = b.visit_id join clock c on c.id = v.clock_id where b.stopped_at is null and b.ends_at is not null
    union all select k.id, k.visit_id, v.claim, c.description, true, k.what, (k.log -> -1 ->> 'at')::timestamptz, k.wait_ends_at
    from case_task k join visit v on v.id = k.visit_id join clock c on c.id = v.clock_id where k.done_at is null and k.wait_ends_at is not null order by ends_at`,
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
