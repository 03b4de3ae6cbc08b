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

/**
 * Local time of day that a dial is read against, seconds since midnight. A dial does not follow summer time by itself:
 * until its hands are set again it is read against the time that was in force when they were.
 * @param at when it is read, and `setAt` when its hands were last set, ms since 1970
 * @param aheadOfUtcS how far local time is ahead of UTC at a moment, s
 */
export function dialReference(at: number, setAt: number, aheadOfUtcS: (at: number) => number): number {
  const s = at / 1000 + aheadOfUtcS(setAt);
  return ((s % 86_400) + 86_400) % 86_400;
}

/** Readings since the last event that breaks the line: a stop, a setting, an adjustment. Both in order of time. */
export function currentSegment<R extends Reading>(readings: readonly R[], breaksAt: readonly number[]): R[] {
  const last = Math.max(-Infinity, ...breaksAt);
  return readings.filter((r) => r.at >= last);
}

/** Seconds since twelve of what the hands show, or null: "10:12", "10 12 30". */
export function readDial(text: string): number | null {
  const parts = /^(\d{1,2})[:. ](\d{1,2})(?:[:. ](\d{1,2}(?:[.,]\d)?))?$/.exec(text.trim());
  if (!parts) return null;
  const [h, m, s] = [Number(parts[1]), Number(parts[2]), Number((parts[3] ?? '0').replace(',', '.'))];
  return h < 24 && m < 60 && s < 60 ? (h % 12) * 3600 + m * 60 + s : null;
}

/** What a room with a clock in it can have, °C. */
export const ROOM_CELSIUS = [-30, 60] as const;
/** Whether it is a temperature that a room with a clock in it can have. */
export const isRoomCelsius = (celsius: number): boolean => celsius >= ROOM_CELSIUS[0] && celsius <= ROOM_CELSIUS[1];
/** A twelve-hour dial is at most six hours off, either way, s. */
export const MOST_ERROR_S = HALF_DIAL_S;
