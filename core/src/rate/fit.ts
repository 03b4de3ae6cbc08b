import { ensure } from '../units/index.ts';
import tCdf from '@stdlib/stats-base-dists-t-cdf';
import tQuantile from '@stdlib/stats-base-dists-t-quantile';
import type { Reading } from './reading.ts';

const DAY_MS = 86_400_000;
/** Weight, in degrees of freedom, of what the house already knows of its reading noise. House rule. */
const PRIOR_DEGREES = 4;

/** Scatter of one reading in seconds. Practice: a seconds hand reads to about 1 s, a minute hand alone to about 10. */
export const READING_NOISE_S = { 'seconds hand': 1, 'minute hand': 10 } as const;
export type ReadBy = keyof typeof READING_NOISE_S;

/** How much a clock wanders: seconds by which one day's going differs from the next, and how often that is so. */
export type Wander = readonly (readonly [secondsADay: number, weight: number])[];
/** What the house takes for likely before it has read a clock that goes by itself. Practice: seconds of it. */
export const HOUSE_WANDER: Wander = [
  [0, 2],
  [1, 1],
  [2, 1],
  [3, 1],
  [4, 1],
  [5, 1.5],
  [7, 1.5],
  [10, 0.5],
];
/** What is driven by another clock or by the mains does not wander from what drives it. */
export const NO_WANDER: Wander = [[0, 1]];

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
  /** Half the width that is to be expected after one more reading at a later time. */
  halfWidthIfReadAt: (at: number) => number;
  /** Indices of readings far off the line: shown, left out of the line, never hidden. */
  outliers: number[];
  n: number;
  /** Scatter of a reading as it now seems, s. */
  noiseS: number;
  /** From day to day, as it now seems, s. */
  wanderS: number;
}

/**
 * Rate from the readings of one segment. Theil–Sen finds readings that do not belong. A clock wanders from day to day
 * beside the noise of a reading, so what is left over the line is not independent: the error walks at random about it.
 * For each wander that is likely the line is found by generalised least squares (innovations of a Kalman filter whiten
 * the readings), σ² = (ν₀ s₀² + SSR)/(ν₀ + n − 2), Student's t with ν₀ + n − 2 degrees; the readings weigh the wanders
 * against each other, and the interval holds 95 % of their mixture.
 * Source: normal linear model with a scaled-inverse-χ² prior on σ², averaged over models (any text on Bayesian
 * regression); local level model and its innovations (any text on state space methods).
 * @param readings in order of time
 * @returns null for fewer than two readings at different times
 */
export function fitRate(readings: readonly Reading[], noiseS: number, wander: Wander = HOUSE_WANDER): RateFit | null {
  ensure(noiseS > 0, 'noiseS', 'The noise of a reading is more than nothing.');
  if (readings.length < 2) return null;
  const outliers = farOff(readings, Math.hypot(noiseS, Math.max(...wander.map(([most]) => most))));
  const far = new Set(outliers);
  const kept = readings.filter((_, i) => !far.has(i));
  const n = kept.length;
  const originAt = mean(kept.map((r) => r.at));
  const interceptS = mean(kept.map((r) => r.errorS));
  const days = kept.map((r) => (r.at - originAt) / DAY_MS);
  if (days.every((d) => d === days[0])) return null;
  const ahead = kept.map((r) => r.errorS - interceptS);

  const degrees = PRIOR_DEGREES + n - 2;
  const lines = weighed(
    wander.map(([secondsADay, weight]) => ({
      wanderS: secondsADay,
      weight,
      ...lineUnder(days, ahead, secondsADay / noiseS, noiseS),
    })),
  );
  const rate = sum(lines.map((l) => l.weight * l.rate));
  const half = halfOfMixture(lines, rate, degrees);
  const sigma = Math.sqrt(sum(lines.map((l) => l.weight * l.sigma ** 2)));
  const level = (tQuantile(0.975, degrees) * sigma) / Math.sqrt(n);
  const wanderS = sum(lines.map((l) => (l.weight * l.wanderS * l.sigma) / noiseS));
  const precision = (at: readonly number[]) => Math.sqrt(innovations(at, at, wanderS / sigma).uu);
  return {
    rateSecondsPerDay: rate,
    halfWidthSecondsPerDay: half,
    originAt,
    interceptS,
    bandS: (at) => Math.hypot(level, (half * (at - originAt)) / DAY_MS),
    outliers,
    n,
    noiseS: sigma,
    wanderS,
    halfWidthIfReadAt: (at) => (half * precision(days)) / precision([...days, (at - originAt) / DAY_MS]),
  };
}

interface LineUnder {
  rate: number;
  /** Standard error of the rate. */
  se: number;
  /** Scatter of a reading, s. */
  sigma: number;
  /** Log of how well the readings go with this wander, up to a constant. */
  logLikelihood: number;
}

/**
 * Both series through the same Kalman filter of a level that walks at random under readings with noise: what each
 * reading brings that is new, u of the days and v of the error, weighed by its variance.
 * @param walk wander of a day over the scatter of a reading
 */
function innovations(days: readonly number[], ahead: readonly number[], walk: number) {
  // The level is known from the first reading to that reading's own scatter.
  let [level, slope, spread] = [ahead[0]!, days[0]!, 1];
  let [uu, uv, vv, logF] = [0, 0, 0, 0];
  for (let i = 1; i < days.length; i++) {
    spread += walk * walk * (days[i]! - days[i - 1]!);
    const f = spread + 1;
    const [u, v] = [days[i]! - slope, ahead[i]! - level];
    uu += (u * u) / f;
    uv += (u * v) / f;
    vv += (v * v) / f;
    logF += Math.log(f);
    const gain = spread / f;
    slope += gain * u;
    level += gain * v;
    spread *= 1 - gain;
  }
  return { uu, uv, vv, logF };
}

/** The line through readings whose error walks at random about it. */
function lineUnder(days: readonly number[], ahead: readonly number[], walk: number, noiseS: number): LineUnder {
  const { uu, uv, vv, logF } = innovations(days, ahead, walk);
  const degrees = PRIOR_DEGREES + days.length - 2;
  const rate = uv / uu;
  const scatter = PRIOR_DEGREES * noiseS * noiseS + Math.max(0, vv - rate * uv);
  const sigma = Math.sqrt(scatter / degrees);
  return {
    rate,
    se: sigma / Math.sqrt(uu),
    sigma,
    logLikelihood: -(logF + Math.log(uu) + degrees * Math.log(scatter)) / 2,
  };
}

/** The weights after the readings; they add up to one. */
function weighed<L extends LineUnder & { weight: number }>(lines: readonly L[]): L[] {
  const best = Math.max(...lines.map((l) => l.logLikelihood));
  const after = lines.map((l) => l.weight * Math.exp(l.logLikelihood - best));
  const all = sum(after);
  return lines.map((l, i) => ({ ...l, weight: after[i]! / all }));
}

/** Half the width about a rate that holds 95 % of a mixture of Student's t. */
function halfOfMixture(lines: readonly (LineUnder & { weight: number })[], rate: number, degrees: number): number {
  const within = (half: number) =>
    sum(
      lines.map(
        (l) => l.weight * (tCdf((rate + half - l.rate) / l.se, degrees) - tCdf((rate - half - l.rate) / l.se, degrees)),
      ),
    );
  const t = tQuantile(0.975, degrees);
  let [low, high] = [0, Math.max(...lines.map((l) => Math.abs(l.rate - rate) + t * l.se))];
  for (let i = 0; i < 40 && high - low > 1e-4 * high; i++) {
    const mid = (low + high) / 2;
    if (within(mid) < 0.95) low = mid;
    else high = mid;
  }
  return high;
}

/**
 * Readings more than five robust deviations off the Theil–Sen line; needs five to tell, and never more than a third of
 * them. @param leastS what a reading may be off at least: its noise and what the clock may wander in a day
 */
function farOff(readings: readonly Reading[], leastS: number): number[] {
  if (readings.length < 5) return [];
  const slope = median(pairSlopes(readings));
  const level = median(readings.map((r) => r.errorS - slope * r.at));
  const off = readings.map((r) => Math.abs(r.errorS - slope * r.at - level));
  const scale = Math.max(leastS, 1.4826 * median(off)); // 1.4826: MAD to σ of a normal distribution
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
