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
 * Clearance at the near pivot from the sideways play of an arbor between its plates: both pivots give, each by its
 * share of the way, play = c_near · a/L + c_far · (1 − a/L). Where the far one is not known it is taken to be worn as
 * much: then the clearance is the play itself. Source: similar triangles.
 * @param measuredAtMm from the far pivot
 * @param farMm clearance of the far pivot where it is known
 */
export function clearanceFromPlay(
  playMm: number,
  measuredAtMm: number,
  betweenPlatesMm: number,
  farMm: number | null = null,
): number {
  ensure(playMm >= 0, 'playMm', 'Play is not negative.');
  ensure(
    measuredAtMm > 0 && measuredAtMm <= betweenPlatesMm,
    'measuredAtMm',
    'Measured between the plates, from the far pivot.',
  );
  if (farMm === null) return playMm;
  const share = measuredAtMm / betweenPlatesMm;
  return Math.max(0, (playMm - farMm * (1 - share)) / share);
}

/**
 * Lean of an arbor between plates, degrees: clearance over the gap. Hundredths of a degree: too little to judge by eye.
 */
export const leanBetweenPlatesDeg = (clearanceMm: number, gapMm: number): number =>
  Math.atan(clearanceMm / gapMm) * DEG;
