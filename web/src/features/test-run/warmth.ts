import type { BenchEntry, TestRun, Visit } from '@eclat/contract';
import { figure, isOf, isTorsionTest, valuesOf, warmthOf } from '@eclat/core/benches';
import { warmthOnRun, type RunJudgement, type Warmth } from '@eclat/core/rate';
import { PER_DEGREE } from '@eclat/core/torsion';

/**
 * s/day for each degree: of a balance as it was read in warm and cold, of a torsion strip by what it is made of; of
 * this visit, else of an earlier one. Null where nobody knows.
 */
function perDegree(entries: readonly BenchEntry[]): number | null {
  for (const of of ['visit', 'movement'] as const) {
    const tests = entries.flatMap((e) => (e.of === of ? [e.test] : []));
    const strip = tests.findLast((t) => isTorsionTest(t) && t.kind === 'torsion strip');
    if (strip && 'alloy' in strip && PER_DEGREE[strip.alloy] !== null) return PER_DEGREE[strip.alloy];
    const read = valuesOf(tests.filter(isOf('balance')), 'warmth');
    const per = warmthOf(read.map((v) => ({ celsius: figure(v, 'celsius')!, rate: figure(v, 'rate')! })));
    if (per !== null) return per;
  }
  return null;
}

/** What the room did to the rate since it was last touched; null where that is not known, or nothing. */
export function roomOf(visit: Visit, run: TestRun, judged: RunJudgement): Warmth | null {
  const per = perDegree(visit.benchTests);
  if (per === null) return null;
  const since = judged.segment[0]?.at ?? Infinity;
  const read = run.readings.filter((r) => Date.parse(r.readAt) >= since).map((r) => r.celsius);
  return warmthOnRun(per, read, judged.fit?.rateSecondsPerDay ?? null);
}
