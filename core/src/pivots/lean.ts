import { ensure } from '../units/index.ts';

const DEG = 180 / Math.PI;

/**
 * How far an arbor held in one plate, its other end free, leans to each side of upright, degrees. Diametral clearance c
 * in a hole of working height h: atan(c/h). Only for that way of looking: between plates read sideways play.
 * @param plateMm plate less its oil sinks
 */
export function leanDeg(clearanceMm: number, plateMm: number): number {
  ensure(clearanceMm >= 0, 'clearanceMm', 'A clearance is not negative.');
  ensure(plateMm > 0, 'plateMm', 'The plate less its sinks has some height.');
  return Math.atan(clearanceMm / plateMm) * DEG;
}

/** The clearance that a lean to each side shows. Domain: 0 to 30 degrees. */
export function clearanceFromLean(lean: number, plateMm: number): number {
  ensure(lean >= 0 && lean <= 30, 'leanDeg', 'Between 0 and 30 degrees.');
  ensure(plateMm > 0, 'plateMm', 'The plate less its sinks has some height.');
  return plateMm * Math.tan(lean / DEG);
}

/**
 * Clearance at one pivot from the sideways play of the arbor, measured at a distance from the other pivot: the arbor
 * turns about the far pivot, which is taken to be tight: its own clearance would be seen here too.
 */
export function clearanceFromPlay(playMm: number, measuredAtMm: number, betweenPlatesMm: number): number {
  ensure(playMm >= 0, 'playMm', 'Play is not negative.');
  ensure(
    measuredAtMm > 0 && measuredAtMm <= betweenPlatesMm,
    'measuredAtMm',
    'Measured between the plates, from the far pivot.',
  );
  return (playMm * betweenPlatesMm) / measuredAtMm;
}

/**
 * Lean of an arbor between plates, degrees: clearance over the gap. Hundredths of a degree: too little to judge by eye.
 */
export const leanBetweenPlatesDeg = (clearanceMm: number, gapMm: number): number =>
  Math.atan(clearanceMm / gapMm) * DEG;
