import { unanswered, type AgreedLine, type RouteId } from '../estimate/index.ts';
import { holesOf, type Traits } from '../movement/index.ts';
import { oilChart, oilHolding } from '../oiling/index.ts';
import { bushesLeft } from '../pivots/index.ts';
import { isStopped, judgeRun, nextReading, type RunLog } from '../rate/index.ts';
import type { Choices } from '../rules/index.ts';
import type { Fate } from '../strip/index.ts';
import {
  newMovementWaits,
  stagesOf,
  type Job,
  type PassDepth,
  type PowerState,
  type StageState,
  type VisitFacts,
  type Unit,
  unitStages,
} from '../workflow/index.ts';

/**
 * As much of a visit as its facts depend on. Times are ISO 8601. A whole visit is one of these, and so is a row of the
 * bench.
 */
export interface FactSource {
  closedAt: string | null;
  promisedFor: string | null;
  movement: { traits: Traits };
  rules: { held: Choices };
  job: Job;
  /** The latest word on each stage. */
  stages: readonly StageState[];
  power: readonly { state: PowerState }[];
  strip: { begun: unknown; steps: readonly { fate: Fate }[]; passes: readonly PassDepth[] };
  findings: readonly unknown[];
  observations: Readonly<Partial<Record<string, 'present' | 'absent'>>>;
  agreement: {
    lines: readonly (Pick<AgreedLine, 'routes' | 'state'> & { addition: boolean })[];
    chosen: { route: RouteId } | null;
  };
  baths: readonly {
    stoppedAt: string | null;
    endsAt: string | null;
    step: number;
    steps: readonly { what: string }[];
  }[];
  casework: readonly { doneAt: string | null; waitEndsAt: string | null }[];
  holes: readonly { key: string; verdict: string }[];
  bushes: readonly { hole: string; off: boolean }[];
  oiled: readonly { point: string; at: string }[];
  replacement: { out: unknown };
  units: readonly (Omit<Unit, 'running'> & { runs: readonly { endedAt: string | null }[] })[];
  standRuns: readonly { off: string; endedAt: string | null }[];
  secondLooks: readonly { what: string; lookedAt: string | null }[];
  testRun: RunLog | null;
}

const DAY_MS = 86_400_000;
const soonest = (times: readonly (string | null)[]): number | null => {
  const known = times.flatMap((t) => (t === null ? [] : [Date.parse(t)]));
  return known.length > 0 ? Math.min(...known) : null;
};

/**
 * What a visit comes to: the one place where the bench, the clocks on test, the run and the signature take it from.
 * @param now ms since 1970
 */
export function visitFacts(visit: FactSource, now: number): VisitFacts {
  const { traits } = visit.movement;
  const all = new Set<string>(holesOf(traits).map((h) => h.key));
  const holes = visit.holes.filter((h) => all.has(h.key));
  const { passes } = visit.strip;
  const chart = oilChart(traits, visit.rules.held);
  const oiled = new Set(oilHolding(chart, visit.oiled, passes).map((o) => o.point));
  const open = unanswered(visit.agreement.lines, visit.agreement.chosen?.route ?? null);
  const running = visit.baths.filter((b) => b.stoppedAt === null);
  const untimed = running.find((b) => b.endsAt === null);
  return {
    stages: stagesOf(visit.job, visit.stages),
    closed: visit.closedAt !== null,
    power: visit.power.map((p) => p.state),
    stripBegun: Boolean(visit.strip.begun),
    units: visit.units.map(({ name, stages, runs }) => ({
      name,
      running: runs.some((r) => r.endedAt === null),
      stages: unitStages(stages).map(({ stage, state, why }) => ({ stage, state, why })),
    })),
    standRun: visit.standRuns.find((r) => r.endedAt === null)?.off ?? null,
    secondLook: visit.secondLooks.find((l) => l.lookedAt === null)?.what ?? null,
    passes: passes.map(({ depth }) => ({ depth })),
    steps: visit.strip.steps.length,
    apart: visit.strip.steps.filter((s) => s.fate === 'apart').length,
    findings: visit.findings.length,
    symptoms: Object.values(visit.observations).filter((o) => o === 'present').length,
    lines: visit.agreement.lines.length,
    unanswered: open.length,
    asked: open.filter((l) => l.addition).length,
    bathRunning: running.length > 0,
    bathEndsAt: soonest(running.map((b) => b.endsAt)),
    bathStep: untimed?.steps[untimed.step]?.what ?? null,
    caseLeft: visit.casework.filter((t) => t.doneAt === null).length,
    caseEndsAt: soonest(visit.casework.filter((t) => t.doneAt === null).map((t) => t.waitEndsAt)),
    holesLeft: all.size - new Set(holes.map((h) => h.key)).size,
    bushesLeft: bushesLeft(holes, visit.bushes).length,
    oilLeft: chart.filter((p) => !oiled.has(p.id)).length,
    run: runFacts(visit, now),
    promisedAt: visit.promisedFor === null ? null : Date.parse(visit.promisedFor) + DAY_MS,
    newMovementWaits: newMovementWaits(visit),
    trialEndsAt: visit.job.trial && !visit.job.trial.outcome ? Date.parse(visit.job.trial.reviewOn) : null,
  };
}

function runFacts({ movement, testRun, rules }: FactSource, now: number): VisitFacts['run'] {
  if (!testRun) return null;
  const judged = judgeRun(movement.traits, testRun, now, rules.held);
  return {
    stopped: isStopped(testRun),
    readings: testRun.readings.length,
    verdict: judged.verdict.kind,
    nextReadingAt: nextReading(testRun, judged)?.at ?? null,
  };
}
