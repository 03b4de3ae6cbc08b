import type { Lock } from './found.ts';
import {
  LEAST_BEATS,
  pooled,
  related,
  type Reading,
  readSpacing,
  LEAST_NOVELTY,
  STILL_S,
  STILL_SHARE,
  BEFORE,
} from './spacing.ts';
import { blurred, kinOfStrongest, offBy, repeats } from './period.ts';
import type { Frames } from '../signal/frames.ts';

/** The longest stretch that is searched at once, seconds. */
export const LOCK_S = 64;
/** A repetition weaker than this is no beat. Noise alone gives about 0.04 (calibrated on noise, talk and hammers). */
const LEAST_STRENGTH = 0.09;
/** How many clocks in one room can be told apart. */
const MOST_CLOCKS = 3,
  TRIES = 4;

const leastAgree = (least: number, most: number, beats: number | undefined): readonly [number, number] => {
  if (beats === undefined) return [least, most];
  const beatS = 3600 / beats;
  return [Math.max(least, beatS * (1 - offBy(beats))), Math.min(most, 2 * beatS * (1 + offBy(beats)))];
};

/** Searches the frames from..to for a beat. With `beats` known, only that number is searched for. */
export function lockOn(frames: Frames, from: number, to: number, beats?: number): Lock | null {
  const ticks = shortSounds(frames, from, to);
  const read: Reading[] = [];
  // The onsets that one clock explains are removed before the next clock is searched for.
  for (let i = 0; i < MOST_CLOCKS; i++) {
    const best = strongest(frames, from, ticks, beats);
    if (!best) break;
    read.push(best);
    const goesOn = Math.round(Math.min(GOES_ON_S / frames.frameS, 0.3 * best.lock.beatFrames));
    for (const f of best.met) ticks.fill(0, Math.max(0, f - 4), f + goesOn);
    if (soundsIn(ticks) < LEAST_BEATS) break;
  }
  const best = read.reduce<Reading | null>((a, b) => (a === null || b.weight > a.weight ? b : a), null);
  if (!best) return null;
  const others = read
    .filter(
      (l) =>
        l !== best &&
        l.lock.covered > 0.5 &&
        !related(
          l.lock.beatFrames,
          best.lock.beatFrames,
          0.004 * Math.max(l.lock.beatFrames, best.lock.beatFrames),
          false,
        ),
    )
    .map((l) => Math.round(3600 / (l.lock.beatFrames * frames.frameS)));
  return { ...best.lock, others: [...new Set(others)] };
}

/** How many clear sounds there are. */
function soundsIn(ticks: Float32Array): number {
  let n = 0;
  for (let i = 1; i < ticks.length - 1; i++)
    if (ticks[i]! >= LEAST_NOVELTY && ticks[i]! >= ticks[i - 1]! && ticks[i]! > ticks[i + 1]!) n++;
  return n;
}

/** Novelty of short sounds only: a bell, a gong or a syllable goes on after its onset. */
function shortSounds(frames: Frames, from: number, to: number): Float32Array {
  const ticks = frames.series(from, to, 1);
  const late = Math.round(STILL_S / frames.frameS);
  for (let i = 1; i < ticks.length - 1; i++) {
    if (ticks[i]! < LEAST_NOVELTY || ticks[i]! < ticks[i - 1]! || ticks[i]! < ticks[i + 1]!) continue;
    const before = frames.loudness(from + i - BEFORE, 3);
    // What was already ringing before does not belong to it.
    if (frames.loudness(from + i + late, 3) - before > STILL_SHARE * (frames.loudness(from + i, 4) - before))
      ticks.fill(0, Math.max(0, i - 2), i + 3);
  }
  return ticks;
}

function strongest(frames: Frames, from: number, ticks: Float32Array, beats: number | undefined): Reading | null {
  const read: Reading[] = [];
  const series = blurred(ticks, frames.frameS);
  for (const {
    everyS,
    spanS: [least, most],
  } of SCALES) {
    const every = Math.max(1, Math.round(everyS / frames.frameS));
    const stepS = every * frames.frameS;
    const span = leastAgree(least, most, beats);
    if (span[0] >= span[1] || ticks.length * frames.frameS < 2.6 * span[0]) continue;
    let found = repeats(every === 1 ? series : blurred(pooled(ticks, every), stepS), stepS, span);
    for (let i = 0; i < TRIES; i++) {
      const [strongest] = found;
      if (!strongest || strongest.strength < LEAST_STRENGTH) break;
      let explained = strongest.spacing;
      for (const kin of kinOfStrongest(found)) {
        const spacing = (kin.spacing * stepS) / frames.frameS;
        const reading = read.some((r) => related(spacing, r.lock.beatFrames, 4 + 0.004 * spacing))
          ? null
          : readSpacing(frames, from, ticks, series, spacing, kin, beats);
        if (!reading) continue;
        read.push(reading);
        explained = (reading.lock.beatFrames * frames.frameS) / stepS;
        break;
      }
      // A spacing shared by two clocks is not removed with the first one.
      found = found.filter(
        (c) => c !== strongest && !related(c.spacing, explained, 3 / every + 0.004 * c.spacing, false),
      );
    }
  }
  return read.reduce<Reading | null>((a, b) => (a === null || b.weight > a.weight ? b : a), null);
}

/**
 * Two scales, one for fast and one for slow beats: the width of a step, and the range of spacings from beat to beat (or
 * from pair to pair), seconds.
 */
const SCALES = [
  { everyS: 0.0025, spanS: [0.09, 2.3] },
  { everyS: 0.006, spanS: [1.6, 20.6] },
] as const;

/** A beat has ended by then: a lever drops at most 28 ms after it unlocks. */
const GOES_ON_S = 0.035;
