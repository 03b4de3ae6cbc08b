/**
 * One comparison of the dial with the reference: when, and how far the dial is ahead (gaining is positive), in seconds.
 */
export interface Reading {
  at: number;
  errorS: number;
}

const HALF_DIAL_S = 6 * 3600;

/**
 * How far a twelve-hour dial is ahead of the reference, in seconds between −6 h and +6 h.
 * @param dialS what the hands show, seconds since twelve
 * @param referenceS local time of day, seconds since midnight
 */
export function dialError(dialS: number, referenceS: number): number {
  const turn = 2 * HALF_DIAL_S;
  return ((((dialS - referenceS + HALF_DIAL_S) % turn) + turn) % turn) - HALF_DIAL_S;
}

/** Readings since the last event that breaks the line: a stop, a setting, an adjustment. Both in order of time. */
export function currentSegment<R extends Reading>(readings: readonly R[], breaksAt: readonly number[]): R[] {
  const last = Math.max(-Infinity, ...breaksAt);
  return readings.filter((r) => r.at >= last);
}
