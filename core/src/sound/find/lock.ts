import { USUAL_BEATS } from '../../train/index.ts';
import { between, folded, halfShift, humps, type Hump } from './fold.ts';
import { BEATS_RANGE, blurred, kinOfStrongest, repeats, type Repeat } from './period.ts';
import { peakNear } from './repeat.ts';
import type { Frames } from '../signal/frames.ts';

/** A beat that was found: its spacing, where tick and tock lie, and what is uncertain. */
export interface Lock {
  /** Frames from one beat to the next, mean of tick to tock and tock to tick. */
  beatFrames: number;
  /** The frame of one tick, and of the tock after it. */
  tickAt: number;
  tockAt: number;
  /** Whether tick and tock are both heard, or only one of them. */
  heard: 'both' | 'one';
  /** Only one sound is heard: its partner may be just as loud, or may be missing. */
  ambiguous: boolean;
  strength: number;
  /** Share of the expected beats that were heard, leaving out those covered by another sound. */
  covered: number;
  /** Beats an hour of other clocks in the room. */
  others: number[];
}

/** The longest stretch that is searched at once, seconds. */
export const LOCK_S = 64;
/**
 * Two scales, one for fast and one for slow beats: the width of a step, and the range of spacings from beat to beat (or
 * from pair to pair), seconds.
 */
const SCALES = [
  { everyS: 0.0025, spanS: [0.09, 2.3] },
  { everyS: 0.006, spanS: [1.6, 15.4] },
] as const;
/** A repetition weaker than this is no beat. Noise alone gives about 0.04 (calibrated on noise, talk and hammers). */
const LEAST_STRENGTH = 0.09;
/** How many clocks in one room can be told apart. */
const MOST_CLOCKS = 3,
  TRIES = 4;
/**
 * An onset weaker than this is ignored. A sound that is still this loud, compared with its onset, this much later is no
 * tick.
 */
/** A beat has ended by then: a lever drops at most 28 ms after it unlocks. */
const GOES_ON_S = 0.035;
const LEAST_NOVELTY = 0.4,
  STILL_S = 0.065,
  STILL_SHARE = 0.35,
  BEFORE = 6;
const DROWNED = 1;
/** Fewest beats before anything is said. */
const LEAST_BEATS = 5,
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

const leastAgree = (least: number, most: number, beats: number | undefined): readonly [number, number] => {
  if (beats === undefined) return [least, most];
  const beatS = 3600 / beats;
  return [Math.max(least, beatS * 0.94), Math.min(most, beatS * 2.12)];
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

/** Some frames taken as one: their greatest. */
function pooled(x: Float32Array, every: number): Float32Array {
  const out = new Float32Array(Math.floor(x.length / every));
  for (let i = 0, f = 0; i < out.length; i++) for (let j = 0; j < every; j++, f++) if (x[f]! > out[i]!) out[i] = x[f]!;
  return out;
}

/** Whether one is a multiple of the other or of half of it. */
function related(a: number, b: number, tolerance: number, halves = true): boolean {
  const [small, large] = a < b ? [a, b] : [b, a];
  return (halves ? [1, 2] : [1]).some(
    (q) => Math.abs(q * large - Math.round((q * large) / small) * small) < tolerance * q,
  );
}

interface Reading {
  lock: Lock;
  weight: number;
  met: number[];
}

/**
 * Decides what a spacing is: the beat itself, a pair of beats (one of which may be silent), or a multiple of the true
 * spacing, which says nothing.
 */
function readSpacing(
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
    if (Math.abs((spacing * frames.frameS * beats) / 3600 - 1) > 0.06) return one();
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
const audible = (found: Hump[]): Hump[] => found.filter((h) => h.height > FAINT * found[0]!.height);

const isUsual = (beats: number): boolean => USUAL_BEATS.some((u) => Math.abs(u - beats) < 0.01 * u);

/** How many of the expected beats were heard, how loud they are, and where. Frames count from `from`. */
function coverage(
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
function distinct(
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

function stats(x: readonly number[]): { mean: number; variance: number } {
  const mean = x.reduce((s, v) => s + v, 0) / x.length;
  return { mean, variance: x.reduce((s, v) => s + (v - mean) ** 2, 0) / Math.max(1, x.length - 1) };
}
