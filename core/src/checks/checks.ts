import { CHECK_PLACES, type CheckPlace, type Check } from './check.ts';
import { type Row, ASSEMBLE, RUN, DELIVER, TOUCHED_FROM } from './checks.data.ts';
import { stillHolds, type Depth, type PassDepth } from '../workflow/index.ts';
import type { Traits } from '../movement/index.ts';

const ROWS: Record<CheckPlace, readonly Row[]> = { assemble: ASSEMBLE, run: RUN, deliver: DELIVER };

/**
 * The checks of this movement at a place, in the order of work. Practice; what does not apply to its traits is not
 * asked.
 */
export const checksFor = (traits: Traits, place: CheckPlace): Check[] =>
  ROWS[place]
    .filter((r) => r.on(traits))
    .map(({ on: _on, ...check }) => ({ ...check, place, from: TOUCHED_FROM[check.id] ?? shallowest(place) }));

/** The checks of this movement at every place. */
export const allChecks = (traits: Traits): Check[] => CHECK_PLACES.flatMap((place) => checksFor(traits, place));

/** What is shown where it stands is shown again whatever came off; on the bench the plates count. */
const shallowest = (place: CheckPlace): Depth => (place === 'deliver' ? 'hands and dial' : 'plates');

/** Under way: a moon half driven round, windings half counted. No answer yet. */
export const CHECK_RESULTS = ['passed', 'failed', 'not applicable', 'under way'] as const;
export type CheckResult = (typeof CHECK_RESULTS)[number];

/** Which checks have no answer yet, and which stand failed. */
export function checksLeft(
  checks: readonly Check[],
  results: readonly { check: string; result: CheckResult }[],
): { open: Check[]; failed: Check[] } {
  const of = new Map(results.map((r) => [r.check, r.result]));
  return {
    open: checks.filter((c) => (of.get(c.id) ?? 'under way') === 'under way'),
    failed: checks.filter((c) => of.get(c.id) === 'failed'),
  };
}

interface Answer {
  check: string;
  result: CheckResult;
  /** ISO 8601. */
  at: string;
}
/**
 * The answers that hold, one for each check, and those that do not any more: another came later, what they are about
 * was opened since, or it was set after it failed.
 * @param answers in the order of time
 */
export function answersHolding<A extends Answer>(
  checks: readonly Check[],
  answers: readonly A[],
  passes: readonly PassDepth[],
  settings: readonly { check: string; at: string }[],
): { holding: A[]; earlier: A[] } {
  const last = new Map(answers.map((a) => [a.check, a]));
  const from = new Map(checks.map((c) => [c.id, c.from]));
  const holds = (a: A) =>
    last.get(a.check) === a &&
    stillHolds(a.at, from.get(a.check) ?? 'plates', passes) &&
    !settings.some((s) => s.check === a.check && Date.parse(s.at) > Date.parse(a.at));
  return { holding: answers.filter(holds), earlier: answers.filter((a) => !holds(a)) };
}
