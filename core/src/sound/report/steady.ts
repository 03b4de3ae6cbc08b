import tCdf from '@stdlib/stats-base-dists-t-cdf';
import { ensure } from '../../units/index.ts';

/** The line through numbered moments: their pace, the offset of the odd ones, and how sure both are. */
export interface Steadiness {
  /** Seconds from beat to beat, its standard error, and half the width of its 95 % interval. */
  beatS: number;
  beatError: number;
  beatHalfWidth: number;
  /** By how much odd beats lie later than the middle between their even neighbours, seconds; and its standard error. */
  oddS: number;
  oddError: number;
  /** Independent scatter of a beat, and the step of its wandering from beat to beat, seconds. */
  scatterS: number;
  wanderS: number;
  /** Residuals of the beats, seconds, without pace and odd offset. */
  residuals: Float64Array;
  firstS: number;
}

/**
 * Ratios of wandering to scatter (variances) that are weighed against each other: none, and from what so many beats
 * could just tell from none up to a clock that only wanders, even in the logarithm.
 */
const ratiosFor = (n: number): number[] => {
  const out = [0];
  for (let r = 2 / n ** 2; r < 100; r *= 3) out.push(r);
  return out;
};
/**
 * For the standard error a clock that does not wander is believed before the beats are heard, by so many ratios; for
 * the interval it counts as one of them.
 */
const BELIEVED_STEADY = 40;

/**
 * Fits t = a + kτ + (k odd ? o : 0) where each beat scatters by itself and the whole wanders as a random walk besides.
 * Least squares alone is far too sure of a clock that wanders; so the pace is fitted for each ratio of wandering to
 * scatter (generalised least squares by way of a Kalman filter), and the fits are averaged by how likely each ratio
 * makes the beats (restricted likelihood). Where nothing wanders that is least squares.
 * Source: local level model with regressors; A. C. Harvey, Forecasting, Structural Time Series Models and the Kalman
 * Filter, 1989, sections 3.4 and 4.3; restricted likelihood: H. D. Patterson and R. Thompson, 1971.
 * @param index numbers of the beats, rising; @param timesS when, seconds
 * @throws Outside for fewer than four beats
 */
export function steadiness(index: ArrayLike<number>, timesS: ArrayLike<number>, oneKind = false): Steadiness {
  const n = index.length;
  ensure(n >= 4 && timesS.length === n, 'beats', 'At least four beats.');
  const [k0, t0] = [index[0]!, timesS[0]!];
  const span = index[n - 1]! - k0;
  ensure(span > 0, 'beats', 'Beats that follow each other.');
  const pace = (timesS[n - 1]! - t0) / span;
  // Columns: what is left of the times, the number of the beat from −½ to ½, and ±½ for odd and even.
  const y = new Float64Array(n),
    x = new Float64Array(n),
    o = new Float64Array(n);
  for (let i = 0; i < n; i++) {
    const k = index[i]! - k0;
    y[i] = timesS[i]! - t0 - k * pace;
    x[i] = k / span - 0.5;
    o[i] = oneKind ? 0 : Math.abs(index[i]! % 2) - 0.5;
  }
  const fits = ratiosFor(n).map((ratio) => fitWith(ratio, index, y, x, o, oneKind));
  const top = Math.max(...fits.map((f) => f.likely));
  const likely = fits.map((f) => Math.exp(f.likely - top));
  const weights = likely.map((l, i) => (i === 0 ? BELIEVED_STEADY * l : l));
  const whole = weights.reduce((a, b) => a + b, 0);
  const averaged = (value: (f: Fitted) => number) => fits.reduce((s, f, i) => s + (weights[i]! / whole) * value(f), 0);
  const slope = averaged((f) => f.slope),
    odd = averaged((f) => f.odd);
  const slopeError = Math.sqrt(averaged((f) => f.slopeVariance + (f.slope - slope) ** 2));
  const oddError = Math.sqrt(averaged((f) => f.oddVariance + (f.odd - odd) ** 2));
  const degrees = Math.max(1, n - (oneKind ? 2 : 3));
  const residuals = new Float64Array(n);
  for (let i = 0; i < n; i++) residuals[i] = y[i]! - slope * x[i]! - odd * o[i]!;
  const middle = residuals.reduce((a, b) => a + b, 0) / n;
  for (let i = 0; i < n; i++) residuals[i] = residuals[i]! - middle;
  return {
    beatS: pace + slope / span,
    beatError: slopeError / span,
    beatHalfWidth: halfWidth(fits, likely, slope, degrees) / span,
    oddS: odd,
    oddError,
    scatterS: Math.sqrt(averaged((f) => f.variance)),
    wanderS: Math.sqrt(averaged((f) => f.variance * f.ratio)),
    residuals,
    firstS: t0 + middle - slope * 0.5,
  };
}

/**
 * How far a clock wanders is itself told from few beats: where it does, the interval is so much wider, calibrated on
 * generated wanderers (without it 88 to 90 of 100 held the truth).
 */
const WIDER = 0.15;

/** Half the width about the middle that holds 95 % of what the fits together say. */
function halfWidth(fits: readonly Fitted[], likely: readonly number[], middle: number, degrees: number): number {
  const whole = likely.reduce((a, b) => a + b, 0);
  const told = fits.map((f, i) => ({ f, share: likely[i]! / whole })).filter((t) => t.share > 1e-7);
  const within = (h: number) =>
    told.reduce((s, { f, share }) => {
      const sd = Math.sqrt(f.slopeVariance);
      return s + share * (tCdf((middle + h - f.slope) / sd, degrees) - tCdf((middle - h - f.slope) / sd, degrees));
    }, 0);
  let low = 0,
    high = Math.sqrt(Math.max(...fits.map((f) => f.slopeVariance))) * 20;
  for (let i = 0; i < 24; i++) {
    const mid = (low + high) / 2;
    if (within(mid) < 0.95) low = mid;
    else high = mid;
  }
  return high * (1 + WIDER * (1 - likely[0]! / whole));
}

interface Fitted {
  ratio: number;
  likely: number;
  slope: number;
  slopeVariance: number;
  odd: number;
  oddVariance: number;
  variance: number;
}

function fitWith(
  ratio: number,
  index: ArrayLike<number>,
  y: Float64Array,
  x: Float64Array,
  o: Float64Array,
  oneKind: boolean,
): Fitted {
  const n = y.length;
  // The level is wholly unknown at first: the first beat sets it, and tells nothing else.
  let p = 1,
    my = y[0]!,
    mx = x[0]!,
    mo = o[0]!;
  let logs = 0,
    xx = 0,
    xo = 0,
    oo = 0,
    xy = 0,
    oy = 0,
    yy = 0;
  for (let i = 1; i < n; i++) {
    p += ratio * (index[i]! - index[i - 1]!);
    const f = p + 1;
    const [vy, vx, vo] = [y[i]! - my, x[i]! - mx, o[i]! - mo];
    logs += Math.log(f);
    xx += (vx * vx) / f;
    xo += (vx * vo) / f;
    oo += (vo * vo) / f;
    xy += (vx * vy) / f;
    oy += (vo * vy) / f;
    yy += (vy * vy) / f;
    const gain = p / f;
    my += gain * vy;
    mx += gain * vx;
    mo += gain * vo;
    p *= 1 - gain;
  }
  if (oneKind) {
    oo = 1;
    xo = 0;
    oy = 0;
  }
  const det = xx * oo - xo * xo;
  const slope = (oo * xy - xo * oy) / det;
  const odd = oneKind ? 0 : (xx * oy - xo * xy) / det;
  const degrees = Math.max(1, n - (oneKind ? 2 : 3));
  const variance = Math.max(1e-18, (yy - slope * xy - odd * oy) / degrees);
  return {
    ratio,
    likely: -0.5 * (logs + Math.log(det) + degrees * Math.log(variance)),
    slope,
    slopeVariance: (variance * oo) / det,
    odd,
    oddVariance: oneKind ? 0 : (variance * xx) / det,
    variance,
  };
}

/**
 * Which beats lie with their neighbours of the same kind; the others were no beats. At most a third can be told off so.
 */
export function withNeighbours(index: ArrayLike<number>, timesS: ArrayLike<number>, beatS: number): boolean[] {
  const n = index.length;
  const off = new Float64Array(n);
  const REACH = 4;
  for (let i = 0; i < n; i++) {
    const near: number[] = [];
    for (let j = i - 1, c = 0; j >= 0 && c < REACH; j--)
      if ((index[j]! - index[i]!) % 2 === 0) {
        near.push(timesS[j]! + (index[i]! - index[j]!) * beatS);
        c++;
      }
    for (let j = i + 1, c = 0; j < n && c < REACH; j++)
      if ((index[j]! - index[i]!) % 2 === 0) {
        near.push(timesS[j]! + (index[i]! - index[j]!) * beatS);
        c++;
      }
    near.sort((a, b) => a - b);
    off[i] = near.length === 0 ? 0 : timesS[i]! - (near[(near.length - 1) >> 1]! + near[near.length >> 1]!) / 2;
  }
  const sizes = Float64Array.from(off, Math.abs).sort();
  const scale = Math.max(2e-5, 1.4826 * sizes[n >> 1]!);
  const kept = Array.from(off, (d) => Math.abs(d) <= 6 * scale);
  return kept.filter(Boolean).length * 3 >= 2 * n ? kept : kept.map(() => true);
}
