import { ensure } from '../units/index.ts';

/** Arithmetic-geometric mean; both positive. Converges quadratically: six rounds are exact in double precision. */
function agm(a: number, b: number): number {
  for (let i = 0; i < 40 && Math.abs(a - b) > 1e-16 * a; i++) [a, b] = [(a + b) / 2, Math.sqrt(a * b)];
  return a;
}

/**
 * Seconds a day that a pendulum loses by swinging wide, against one that hardly swings. `semiArcDeg` is from the middle
 * to one side, 0 to 90 degrees. Exact: T = T₀/agm(1, cos θ/2). Published: Gauss's mean in the theory of the pendulum,
 * any text on elliptic integrals.
 */
export function circularErrorSecondsPerDay(semiArcDeg: number): number {
  ensure(semiArcDeg >= 0 && semiArcDeg <= 90, 'semiArcDeg', 'The semi-arc lies between 0 and 90 degrees.');
  return 86400 * (1 - agm(1, Math.cos((semiArcDeg * Math.PI) / 360)));
}

/** The semi-arc in degrees seen as `swingMm` to one side at `fromPivotMm` below the flexing point. */
export function semiArcDeg(swingMm: number, fromPivotMm: number): number {
  ensure(swingMm >= 0 && swingMm < fromPivotMm, 'swingMm', 'The swing is smaller than the distance it is measured at.');
  return (Math.asin(swingMm / fromPivotMm) * 180) / Math.PI;
}

/**
 * Expansion of rods, per °C. From memory of handbooks; a given alloy or board may differ by a tenth, wood by a third.
 */
export const RODS = { steel: 11.5e-6, brass: 18.7e-6, invar: 1.2e-6, 'pine along the grain': 5e-6 } as const;
export type Rod = keyof typeof RODS;

/**
 * Seconds a day that a clock loses for each °C warmer with this rod. Half the expansion of a day, since T goes as √L.
 */
export const temperatureSecondsPerDayPerC = (rod: Rod): number => 43200 * RODS[rod];
