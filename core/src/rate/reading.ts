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
