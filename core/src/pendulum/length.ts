import { ensure } from '../units/index.ts';
import { STANDARD_GRAVITY } from './gravity.ts';

/**
 * Length in mm of the simple pendulum that beats so often: from the flexing point to the centre of oscillation, not to
 * the tip. L = g T²/4π², two beats an oscillation. Source: any text on mechanics. Domain: 300 to 40,000 beats an hour.
 */
export function lengthMmFor(beats: number, gravity = STANDARD_GRAVITY): number {
  ensure(beats >= 300 && beats <= 40000, 'beats', 'Between 300 and 40,000 beats an hour.');
  const period = 7200 / beats;
  return (1000 * gravity * period * period) / (4 * Math.PI * Math.PI);
}

/** Beats an hour of a simple pendulum of this length in mm (0.5 to 20,000). */
export function beatsForLength(lengthMm: number, gravity = STANDARD_GRAVITY): number {
  ensure(lengthMm >= 0.5 && lengthMm <= 20000, 'lengthMm', 'Between 0.5 mm and 20 m.');
  return 7200 / (2 * Math.PI * Math.sqrt(lengthMm / 1000 / gravity));
}

/** How much longer (positive) a pendulum must be made for this change of rate, mm: faster is shorter. Small changes. */
export const lengthenMm = (lengthMm: number, rateChangeSecondsPerDay: number): number =>
  (-2 * lengthMm * rateChangeSecondsPerDay) / 86400;
