import type { CheckPlace, Check } from './check.ts';
import { type Row, ASSEMBLE, RUN, DELIVER } from './checks.data.ts';
import type { Traits } from '../movement/index.ts';

const ROWS: Record<CheckPlace, readonly Row[]> = { assemble: ASSEMBLE, run: RUN, deliver: DELIVER };

/**
 * The checks of this movement at a place, in the order of work. Practice; what does not apply to its traits is not
 * asked.
 */
export const checksFor = (traits: Traits, place: CheckPlace): Check[] =>
  ROWS[place].filter((r) => r.on(traits)).map(({ on: _on, ...check }) => ({ ...check, place }));

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
