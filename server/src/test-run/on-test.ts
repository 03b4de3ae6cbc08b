import type { TestRow } from '@eclat/contract';
import type { Traits } from '@eclat/core/movement';
import { RULES, held } from '@eclat/core/rules';
import { fetchAll, rows } from '../platform/database/rows.ts';
import type { Context } from '../platform/http/context.ts';
import { sql } from '../platform/http/app-context.ts';
import { BenchTest } from '../benches/benches.entity.ts';
import { viewBenchTest } from '../benches/benches.service.ts';
import { SoundHeard } from '../listening/listening.entity.ts';
import { viewHeard } from '../listening/listening.service.ts';
import { RunEvent, RunReading, TestRun } from './test-run.entity.ts';
import { viewRun } from './test-run.service.ts';

const OPEN_VISITS = 'select visit_id from test_run where visit_id in (select id from visit where closed_at is null)';
const OPEN = `select id from test_run where visit_id in (${OPEN_VISITS})`;
/** Visits of the movements that are on test, also the earlier ones. */
const OF_THEIRS = `select id from visit where movement_id in (
  select movement_id from visit where id in (${OPEN_VISITS}))`;
/** On test: the run has begun, and neither is its stage done nor the visit closed. */
const VISITS = `
select v.id, v.claim, (select json_agg(o.id) from visit o where o.movement_id = v.movement_id) as visits,
  c.description as clock, m.traits,
  (select choices from house_rules
    where version = v.rules_version) || coalesce((select jsonb_object_agg(question, school) from visit_rule
      where visit_id = v.id), '{}') as rules,
  (select count(*)::int from (select distinct on ("check") result from check_answer where visit_id = v.id
    order by "check", at desc) c where c.result = 'failed') as failed
from visit v join clock c on c.id = v.clock_id join movement m on m.id = v.movement_id
  join test_run t on t.visit_id = v.id
where v.closed_at is null and not coalesce((select state <> 'open' from stage_event
  where visit_id = v.id and stage = 'run'
  order by at desc limit 1), false)
order by t.place, v.claim`;

/** Every clock on test, in the order in which they stand. */
export async function onTest(ctx: Context): Promise<TestRow[]> {
  const visits = await sql<{
    id: string;
    /** All of its movement. */
    visits: string[];
    claim: string;
    clock: string;
    traits: Traits;
    rules: Record<string, string>;
    failed: number;
  }>(ctx.em, VISITS);
  const found = await fetchAll(ctx.em, {
    runs: rows(TestRun, `where id in (${OPEN})`),
    readings: rows(RunReading, `where test_run_id in (${OPEN}) order by read_at`),
    heard: rows(SoundHeard, `where visit_id in (${OPEN_VISITS}) order by at`),
    swings: rows(BenchTest, `where test->>'kind' = 'swing' and visit_id in (${OF_THEIRS}) order by at`),
    events: rows(RunEvent, `where test_run_id in (${OPEN}) order by happened_at`),
  });
  return visits.map((v) => {
    const run = found.runs.find((r) => r.visitId === v.id)!;
    return {
      visitId: v.id,
      claim: v.claim,
      clock: v.clock,
      traits: v.traits,
      failed: v.failed,
      benchTests: found.swings
        .filter((e) => v.visits.includes(e.visitId))
        .map((e) => viewBenchTest(e, e.visitId === v.id ? 'visit' : 'movement')),
      heard: found.heard.filter((h) => h.visitId === v.id).map(viewHeard),
      held: Object.fromEntries(RULES.map((r) => [r.id, held(r.id, v.rules).id])),
      run: viewRun({
        runs: [run],
        readings: found.readings.filter((r) => r.testRunId === run.id),
        events: found.events.filter((e) => e.testRunId === run.id),
      })!,
    };
  });
}
