import type { Lock } from './found.ts';
import { USUAL_BEATS } from '../../train/index.ts';
import { between, folded, halfShift, humps, type Hump } from './fold.ts';
import { BEATS_RANGE, offBy, type Repeat } from './period.ts';
import { peakNear } from './repeat.ts';
import type { Frames } from '../signal/frames.ts';

const DROWNED = 1;

/** Fewest beats before anything is said. */
export const LEAST_BEATS = 5,
  LEAST_SHARE = 0.25;

/**
 * A second sound within the spacing counts when it is at least this share of the first, this far from it, and this much
 * over the level between them.
 */
const FAINT = 0.22,
  APART = 0.2,
  LEAST_Z = 7;

/** Tick and tock are two sounds when the tock lies at least this many frames off the middle. */
const LEAST_SHIFT = 4;

/** Least distance of tick and tock, as a share of the pair. */
const LEAST_OFF = 0.28;

const DISTINCT_Z = 5.5,
  LEAST_APART = 0.15;

/** Some frames taken as one: their greatest. */
export function pooled(x: Float32Array, every: number): Float32Array {
  const out = new Float32Array(Math.floor(x.length / every));
  for (let i = 0, f = 0; i < out.length; i++) for (let j = 0; j < every; j++, f++) if (x[f]! > out[i]!) out[i] = x[f]!;
  return out;
}

/** Whether one is a multiple of the other or of half of it. */
export function related(a: number, b: number, tolerance: number, halves = true): boolean {
  const [small, large] = a < b ? [a, b] : [b, a];
  return (halves ? [1, 2] : [1]).some(
    (q) => Math.abs(q * large - Math.round((q * large) / small) * small) < tolerance * q,
  );
}

export interface Reading {
  lock: Lock;
  weight: number;
  met: number[];
}

/**
 * Decides what a spacing is: the beat itself, a pair of beats (one of which may be silent), or a multiple of the true
 * spacing, which says nothing.
 */
export function readSpacing(
  frames: Frames,
  from: number,
  ticks: Float32Array,
  series: Float64Array,
  spacing: number,
  repeat: Repeat,
  beats: number | undefined,
): Reading | null {
  const within = audible(humps(folded(series, spacing), APART, LEAST_Z));
  if (within.length === 0 || within.length > 2) return null;
  let beatFrames = spacing / 2,
    pair = spacing,
    heard: Lock['heard'] = 'both',
    ambiguous = false;
  const [first, second] = within as [Hump, Hump | undefined];
  const short = ticks.length < 4.4 * spacing;
  // Two sounds within the spacing: tick and tock, unless one of them goes on to differ every other time: then the
  // second is its echo.
  if (
    second &&
    between(first.phase, second.phase) >= LEAST_OFF &&
    (short || !distinct(frames, from, ticks, 2 * spacing, first.phase / 2, first.phase / 2 + 0.5))
  )
    return finish(first.phase, second.phase);
  if (short) {
    heard = 'one';
    ambiguous = beats === undefined;
    return finish(within[0]!.phase, null);
  }

  const both = folded(series, 2 * spacing);
  const [tick] = humps(both, APART / 2, LEAST_Z);
  if (!tick) return null;
  const shift = halfShift(both, Math.floor(0.16 * both.length));
  const tock = { phase: (tick.phase + 0.5 + shift / both.length) % 1 };
  const one = () => {
    heard = 'one';
    return finish(within[0]!.phase, null);
  };
  if (beats !== undefined) {
    if (Math.abs((spacing * frames.frameS * beats) / 3600 - 1) > offBy(beats)) return one();
  } else if (Math.abs(shift) <= LEAST_SHIFT && !distinct(frames, from, ticks, 2 * spacing, tick.phase, tock.phase)) {
    const [alone, withSilent] = [3600 / (spacing * frames.frameS), 7200 / (spacing * frames.frameS)];
    ambiguous = withSilent <= BEATS_RANGE[1] && (isUsual(withSilent) || !isUsual(alone));
    // Both alike: either two like sounds, or one of a pair whose fellow is not heard. The usual numbers decide, and it
    // is said.
    if (withSilent <= BEATS_RANGE[1] && isUsual(withSilent) && !isUsual(alone)) return one();
  }
  beatFrames = spacing;
  pair = 2 * spacing;
  return finish(tick.phase, tock.phase);

  function finish(tickPhase: number, tock: number | null): Reading | null {
    const beatsAnHour = 3600 / (beatFrames * frames.frameS);
    if (beatsAnHour < BEATS_RANGE[0] * 0.97 || beatsAnHour > BEATS_RANGE[1] * 1.03) return null;
    const tickAt = from + tickPhase * pair;
    const tockAt = from + (tock ?? (tickPhase + beatFrames / pair) % 1) * pair;
    const cover = coverage(frames, from, ticks, pair, tickPhase * pair, tock === null ? null : tock * pair);
    if (cover.met.length < LEAST_BEATS - (heard === 'one' ? 2 : 0) || cover.share < LEAST_SHARE) return null;
    return {
      lock: {
        beatFrames,
        tickAt,
        tockAt,
        heard,
        ambiguous,
        strength: repeat.strength,
        covered: cover.share,
        others: [],
      },
      met: cover.met,
      weight: cover.share ** 2 * cover.loudness ** 0.25,
    };
  }
}

/** Humps that are not too small beside the highest. */
export const audible = (found: Hump[]): Hump[] => found.filter((h) => h.height > FAINT * found[0]!.height);

/** Within 1 % of a number of beats that clocks were made to. */
export const isUsual = (beats: number): boolean => USUAL_BEATS.some((u) => Math.abs(u - beats) < 0.01 * u);

/** How many of the expected beats were heard, how loud they are, and where. Frames count from `from`. */
export function coverage(
  frames: Frames,
  from: number,
  ticks: Float32Array,
  pair: number,
  tickAt: number,
  tockAt: number | null,
): { beats: number; share: number; loudness: number; met: number[] } {
  const reach = Math.max(3, Math.round(0.008 / frames.frameS));
  const late = Math.round(STILL_S / frames.frameS);
  const met: number[] = [];
  let beats = 0,
    loudness = 0;
  for (const at of tockAt === null ? [tickAt] : [tickAt, tockAt])
    for (let f = at; f < ticks.length - reach; f += pair) {
      beats++;
      const near = peakNear(ticks, f, reach);
      if (near.height < LEAST_NOVELTY) {
        // Covered by a bell or a voice it could not be heard: it counts neither way.
        if (Math.min(frames.over(from + Math.round(f) - BEFORE), frames.over(from + Math.round(f) + late)) > DROWNED)
          beats--;
        continue;
      }
      met.push(Math.round(near.at));
      loudness += frames.loudness(from + Math.round(near.at), 4);
    }
  return { beats, share: met.length / Math.max(1, beats), loudness: met.length > 0 ? loudness / met.length : 0, met };
}

/**
 * Whether tick and tock differ in the level of any octave, or in position, by far more than chance.
 */
export function distinct(
  frames: Frames,
  from: number,
  ticks: Float32Array,
  pair: number,
  tickPhase: number,
  tockPhase: number,
): boolean {
  const reach = Math.max(3, Math.round(0.006 / frames.frameS));
  const rows = [tickPhase, tockPhase].map((phase) => {
    const out: number[][] = [];
    for (let f = phase * pair; f < ticks.length - reach; f += pair) {
      const near = peakNear(ticks, f, reach);
      if (near.height < LEAST_NOVELTY) continue;
      const frame = from + Math.round(near.at);
      const levels = Array.from({ length: frames.octaves }, (_, b) => {
        let e = 0;
        for (let j = 0; j < 5; j++) e = Math.max(e, frames.energy(b, frame + j));
        return Math.log(e + 1e-13);
      });
      const mean = levels.reduce((s, l) => s + l, 0) / levels.length;
      // Loudness changes from beat to beat, the colour of a sound does not.
      out.push([...levels, ...levels.map((l) => l - mean), near.at - f]);
    }
    return out;
  });
  const [even, odd] = rows as [number[][], number[][]];
  const least = Math.min(even.length, odd.length);
  if (least < 5) return false;
  // With few beats the true scatter is larger than the measured one.
  const clear = DISTINCT_Z * (1 + 6 / (least - 2));
  const last = 2 * frames.octaves;
  for (let c = 0; c <= last; c++) {
    const [a, b] = [stats(even.map((r) => r[c]!)), stats(odd.map((r) => r[c]!))];
    const apart = Math.abs(a.mean - b.mean);
    if (
      apart > (c === last ? 1 : LEAST_APART) &&
      apart / Math.sqrt(a.variance / even.length + b.variance / odd.length + 1e-9) > clear
    )
      return true;
  }
  return false;
}

/** Mean and variance of a sample (n − 1); of one value the variance is 0. */
export function stats(x: readonly number[]): { mean: number; variance: number } {
  const mean = x.reduce((s, v) => s + v, 0) / x.length;
  return { mean, variance: x.reduce((s, v) => s + (v - mean) ** 2, 0) / Math.max(1, x.length - 1) };
}

/**
 * An onset weaker than this is ignored. A sound that is still this loud, compared with its onset, this much later is no
 * tick.
 */
export const LEAST_NOVELTY = 0.4,
  STILL_S = 0.065,
  STILL_SHARE = 0.35,
  BEFORE = 6;
