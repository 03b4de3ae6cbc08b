import { ensure } from '../units/index.ts';
import tQuantile from '@stdlib/stats-base-dists-t-quantile';
import type { Reading } from './reading.ts';

const DAY_MS = 86_400_000;
/** Weight, in degrees of freedom, of what the house already knows of its reading noise. House rule. */
const PRIOR_DEGREES = 4;

/** Scatter of one reading in seconds. Practice: a seconds hand reads to about 1 s, a minute hand alone to about 10. */
export const READING_NOISE_S = { 'seconds hand': 1, 'minute hand': 10 } as const;
export type ReadBy = keyof typeof READING_NOISE_S;

export interface RateFit {
  /** Gaining is positive. */
  rateSecondsPerDay: number;
  /** Half the width of the 95 % interval. */
  halfWidthSecondsPerDay: number;
  /** The line: error at time t is interceptS + rate · (t − originAt)/day. */
  originAt: number;
  interceptS: number;
  /** Half the width of the 95 % band of the line at a time, seconds. */
  bandS: (at: number) => number;
  /** Indices of readings far off the line: shown, left out of the line, never hidden. */
  outliers: number[];
  n: number;
  noiseS: number;
}

/**
 * Rate from the readings of one segment. Theil–Sen finds readings that do not belong, least squares gives the answer,
 * and the usual reading noise stands in for what few readings cannot tell:
 * σ² = (ν₀ s₀² + SSR)/(ν₀ + n − 2), Student's t with ν₀ + n − 2 degrees.
 * Source: normal linear model with a scaled-inverse-χ² prior on σ² (any text on Bayesian regression).
 * @returns null for fewer than two readings at different times
 */
export function fitRate(readings: readonly Reading[], noiseS: number): RateFit | null {
  ensure(noiseS > 0, 'noiseS', 'The noise of a reading is more than nothing.');
  if (readings.length < 2) return null;
  const outliers = farOff(readings, noiseS);
  const far = new Set(outliers);
  const kept = readings.filter((_, i) => !far.has(i));
  const n = kept.length;
  const meanAt = mean(kept.map((r) => r.at));
  const meanS = mean(kept.map((r) => r.errorS));
  const days = kept.map((r) => (r.at - meanAt) / DAY_MS);
  const sxx = sum(days.map((d) => d * d));
  if (sxx === 0) return null;

  const slope = sum(days.map((d, i) => d * (kept[i]!.errorS - meanS))) / sxx;
  const ssr = sum(days.map((d, i) => (kept[i]!.errorS - meanS - slope * d) ** 2));
  const degrees = PRIOR_DEGREES + n - 2;
  const sigma = Math.sqrt((PRIOR_DEGREES * noiseS * noiseS + ssr) / degrees);
  const t = tQuantile(0.975, degrees);
  return {
    rateSecondsPerDay: slope,
    halfWidthSecondsPerDay: (t * sigma) / Math.sqrt(sxx),
    originAt: meanAt,
    interceptS: meanS,
    bandS: (at) => t * sigma * Math.sqrt(1 / n + ((at - meanAt) / DAY_MS) ** 2 / sxx),
    outliers,
    n,
    noiseS: sigma,
  };
}

/**
 * Readings more than five robust deviations off the Theil–Sen line; needs five to tell, and never more than a third of
 * them.
 */
function farOff(readings: readonly Reading[], noiseS: number): number[] {
  if (readings.length < 5) return [];
  const slope = median(pairSlopes(readings));
  const level = median(readings.map((r) => r.errorS - slope * r.at));
  const off = readings.map((r) => Math.abs(r.errorS - slope * r.at - level));
  const scale = Math.max(noiseS, 1.4826 * median(off)); // 1.4826: MAD to σ of a normal distribution
  const far = off
    .map((d, i) => [d, i] as const)
    .filter(([d]) => d > 5 * scale)
    .map(([, i]) => i);
  return far.length * 3 <= readings.length ? far : [];
}

/** Beyond this many readings, all pairs are too many. */
const ALL_PAIRS_TO = 300;

/**
 * Slopes between pairs: all of them, or each reading with the one half the list away (Theil's incomplete method, 1950).
 */
function pairSlopes(readings: readonly Reading[]): number[] {
  const slopes: number[] = [];
  const n = readings.length;
  const add = (i: number, j: number) => {
    const dt = readings[j]!.at - readings[i]!.at;
    if (dt !== 0) slopes.push((readings[j]!.errorS - readings[i]!.errorS) / dt);
  };
  if (n <= ALL_PAIRS_TO) for (let i = 0; i < n; i++) for (let j = i + 1; j < n; j++) add(i, j);
  else for (let i = 0, half = n >> 1; i + half < n; i++) add(i, i + half);
  return slopes;
}

const sum = (xs: number[]) => xs.reduce((a, b) => a + b, 0);
const mean = (xs: number[]) => sum(xs) / xs.length;
function median(xs: readonly number[]): number {
  const s = Float64Array.from(xs).sort(); // typed arrays sort by number, and fast
  const mid = s.length >> 1;
  return s.length % 2 ? s[mid]! : (s[mid - 1]! + s[mid]!) / 2;
}
