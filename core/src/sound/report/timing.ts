import { ensure } from '../../units/index.ts';

/**
 * The best that N beats can tell of a rate, s/day (one standard error), when each beat scatters independently by σ:
 * 86400 σ√12/(N^{3/2} τ). Source: variance of a least-squares slope over evenly spaced times, any text on regression.
 * Real escapements wander, and do worse.
 */
export function bestRateError(beats: number, seconds: number, scatterMs: number): number {
  ensure(beats > 0, 'beats', 'More than none.');
  ensure(seconds > 0 && (seconds * beats) / 3600 >= 3, 'seconds', 'At least three beats must fall into it.');
  ensure(scatterMs >= 0, 'scatterMs', 'Scatter is not negative.');
  const tau = 3600 / beats;
  const n = seconds / tau;
  return (86400 * (scatterMs / 1000) * Math.sqrt(12 / n)) / (n * tau);
}

/** Seconds of sound needed for a wanted standard error, s/day. */
export function secondsForError(beats: number, wanted: number, scatterMs: number): number {
  ensure(wanted > 0, 'wanted', 'More than 0.');
  const tau = 3600 / beats;
  return tau * ((86400 * (scatterMs / 1000) * Math.sqrt(12)) / (wanted * tau)) ** (2 / 3);
}

/** A sample clock that runs p parts in a million fast makes a clock read slow by this many s/day. 86400·10⁻⁶. */
export const SECONDS_PER_PPM = 0.0864;
/**
 * Rate in s/day as it is, from the rate that a sample clock of this error told.
 * @param ppmFast millionths, fast is positive
 */
export const trueRate = (measured: number, ppmFast: number): number => measured + SECONDS_PER_PPM * ppmFast;
