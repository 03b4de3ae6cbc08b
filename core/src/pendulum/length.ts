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

/**
 * How much longer (positive) a pendulum of this length must be made to lose what it gains, mm. Its rate goes with the
 * root of its length: L ((1 + rate/86400)² − 1). Source: any text on mechanics. Domain: −7200 to 7200 s/day.
 */
export const lengthenMm = (lengthMm: number, gainsSecondsPerDay: number): number =>
  lengthMm * ((1 + gainsSecondsPerDay / 86400) ** 2 - 1);
