import { ensure } from '../units/index.ts';

export interface Spacing {
  meanS: number;
  /** Scatter of the gaps as a share of their mean. */
  unevenness: number;
  /** How much longer the last third of the gaps is than the first, as a share. */
  slowing: number;
  /** Neither uneven nor slower or faster to its end. */
  even: boolean;
  words: string;
}

/**
 * Practice: a fly that holds keeps the gaps within a tenth of each other; slowing by a quarter is a train that tires.
 */
const UNEVEN = 0.1;
export const SLOWS = 0.25;

/**
 * Seconds between blows and what they say.
 * @param timesS when each blow was heard, rising.
 * @throws Outside for fewer than three
 */
export function judgeSpacing(timesS: readonly number[]): Spacing {
  ensure(timesS.length >= 3, 'timesS', 'At least three blows.');
  const gaps = timesS.slice(1).map((t, i) => t - timesS[i]!);
  ensure(
    gaps.every((g) => g > 0),
    'timesS',
    'Each blow comes after the one before.',
  );
  const mean = gaps.reduce((a, b) => a + b, 0) / gaps.length;
  const unevenness = Math.sqrt(gaps.reduce((n, g) => n + (g - mean) ** 2, 0) / Math.max(1, gaps.length - 1)) / mean;
  const third = Math.max(1, Math.floor(gaps.length / 3));
  const part = (list: readonly number[]) => list.reduce((a, b) => a + b, 0) / list.length;
  const slowing = part(gaps.slice(-third)) / part(gaps.slice(0, third)) - 1;
  const words = spacingWords(slowing, unevenness);
  const even = unevenness <= UNEVEN && Math.abs(slowing) <= SLOWS;
  return { meanS: mean, unevenness, slowing, even, words };
}

function spacingWords(slowing: number, unevenness: number) {
  if (slowing > SLOWS)
    return 'It slows as it strikes: power runs short. Look at the spring, dirt, and the pivots of the late train.';
  if (slowing < -SLOWS) return 'It hurries as it strikes: the fly slips on its arbor, or its spring is weak.';
  if (unevenness > UNEVEN)
    return 'Uneven blows: a loose fly, lifting pins or a star worn unequally, or a hammer that catches.';
  return 'Even blows: the fly holds.';
}
