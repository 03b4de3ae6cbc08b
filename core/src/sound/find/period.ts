import { peakNear, repetition } from './repeat.ts';

/** The search covers this range of beats per hour: a torsion clock of 480 may lose a quarter of them. */
export const BEATS_RANGE = [360, 36_000] as const;

/** A clock whose number is known may be off it by so much and is still heard: a slow torsion clock by a quarter. */
export const offBy = (beats: number): number => (beats < 1500 ? 0.28 : 0.06);

/** A spacing at which the sound repeats itself. */
export interface Repeat {
  /** Frames. */
  spacing: number;
  /** Mean correlation at its multiples, 0 to 1. */
  strength: number;
  /** How many multiples were compared. */
  multiples: number;
}

const MOST_MULTIPLES = 12;
/** A smaller spacing may be the true one when its strength is at least this share of the strongest. */
const AS_STRONG = 0.55;
/** Half-width of the smoothing, seconds: beats scatter, and a beat may fall into either of two frames. */
const BLUR_S = 0.004;

/** Novelty prepared for comparing it with itself: its square root (loud counts less), smoothed by a triangle. */
export function blurred(novelty: ArrayLike<number>, frameS: number): Float64Array {
  const half = Math.max(1, Math.round(BLUR_S / frameS));
  const root = new Float64Array(novelty.length);
  for (let i = 0; i < root.length; i++) root[i] = Math.sqrt(novelty[i]!);
  return boxed(boxed(root, half), half);
}

/** Running mean over 2·half + 1. */
function boxed(x: Float64Array, half: number): Float64Array {
  const out = new Float64Array(x.length);
  let sum = 0;
  for (let i = -half; i < x.length; i++) {
    if (i + half < x.length) sum += x[i + half]!;
    if (i - half - 1 >= 0) sum -= x[i - half - 1]!;
    if (i >= 0) out[i] = sum / (2 * half + 1);
  }
  return out;
}

/** Spacings at which the series repeats, the strongest first; each is the smallest of its kind, not a multiple. */
export function repeats(series: Float64Array, frameS: number, [leastS, mostS]: readonly [number, number]): Repeat[] {
  const r = repetition(series, Math.min(Math.floor(series.length * 0.6), Math.ceil(4 * (mostS / frameS))));
  const least = Math.floor(leastS / frameS);
  const most = Math.min(Math.ceil(mostS / frameS), Math.floor((r.length - 2) / 1.5));
  const found: Repeat[] = [];
  let top = 0;
  for (let lag = least; lag <= most; lag++) if (r[lag]! > top) top = r[lag]!;
  for (let lag = least; lag <= most; lag++) {
    if (r[lag]! < 0.3 * top || r[lag]! < r[lag - 1]! || r[lag]! <= r[lag + 1]!) continue;
    found.push(comb(r, lag));
  }
  return found.sort((a, b) => score(b) - score(a));
}

/**
 * How much a repeat counts: by its strength and by how often it was seen. Two agreements may be chance, twelve are not.
 */
const score = (c: Repeat) => c.strength * Math.sqrt(c.multiples);

/** Makes a spacing more exact at greater and greater multiples, and gives its mean strength over all of them. */
function comb(r: Float64Array, lag: number): Repeat {
  let spacing = peakNear(r, lag, 0).at;
  const multiples = Math.max(1, Math.min(MOST_MULTIPLES, Math.floor((r.length - 2) / spacing)));
  let sum = 0;
  for (let m = 1; m <= multiples; m++) {
    const near = peakNear(r, m * spacing, 2 + 0.002 * m * spacing);
    sum += near.height;
    if (near.height > 0) spacing += (near.at / m - spacing) * (m === 1 ? 1 : 0.5);
  }
  return { spacing, strength: sum / multiples, multiples };
}

/** The strongest spacing and all of which it is a multiple, smallest first. The true one is among them. */
export function kinOfStrongest(found: readonly Repeat[]): Repeat[] {
  const [strongest] = found;
  if (!strongest) return [];
  return found
    .filter((c) => {
      const n = strongest.spacing / c.spacing;
      return (
        Math.round(n) >= 1 &&
        Math.abs(n - Math.round(n)) * c.spacing < 4 + 0.003 * strongest.spacing &&
        c.strength >= AS_STRONG * strongest.strength
      );
    })
    .sort((a, b) => a.spacing - b.spacing);
}
