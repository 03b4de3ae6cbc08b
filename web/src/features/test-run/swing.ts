import type { BenchEntry, HeardSound, TestRun } from '@eclat/contract';
import { isOf } from '@eclat/core/benches';
import { drivenBy, isWeight, type Traits } from '@eclat/core/movement';
import { judgeSwing, SWING_NOISE_DEG, type SwingJudgement, type SwingRead, type Swinging } from '@eclat/core/rate';

const swings = (oscillator: string): oscillator is Swinging => Object.hasOwn(SWING_NOISE_DEG, oscillator);

const readOf = ({ test, at }: BenchEntry): SwingRead[] => {
  if (!isOf('swing')(test)) return [];
  const { deg, drops, stopped } = test.values;
  if (typeof deg !== 'number') return [];
  return [{ at: Date.parse(at), deg, dropsDeg: typeof drops === 'number' ? drops : null, stops: stopped === 'yes' }];
};

/** The swing over this run, and what it says; of a balance, its amplitude by sound. Null where nothing swings. */
export function swingOf(
  { benchTests, heard: sounds }: { benchTests: readonly BenchEntry[]; heard: readonly HeardSound[] },
  traits: Traits,
  run: TestRun,
): (SwingJudgement & { reads: SwingRead[] }) | null {
  const { oscillator, windHours } = traits;
  if (!swings(oscillator)) return null;
  const own = benchTests.filter((e) => e.of === 'visit').flatMap(readOf);
  const heard = sounds.flatMap((h) =>
    oscillator === 'balance' && h.amplitudeDegrees !== null
      ? [{ at: Date.parse(h.at), deg: h.amplitudeDegrees, dropsDeg: null, stops: false }]
      : [],
  );
  const reads = [...own, ...heard].filter((r) => r.stops || r.at >= Date.parse(run.startedAt));
  const judged = judgeSwing(reads, {
    swings: oscillator,
    windHours: windHours ?? null,
    byWeight: drivenBy(traits, isWeight),
    events: run.events,
    earlier: benchTests.filter((e) => e.of === 'movement').flatMap(readOf),
  });
  return { ...judged, reads: reads.sort((a, b) => a.at - b.at) };
}
