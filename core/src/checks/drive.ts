import { ensure } from '../units/index.ts';

/** Dial work driven by hand through a whole cycle, a step at a time, with the steps at which something fouled. */
export interface Drive {
  of: number;
  done: number;
  fouled: readonly { step: number; note: string }[];
}

interface Cycle {
  /** How many steps a whole cycle has, with what is then fitted. The teeth are counted, not taken on trust. */
  lengths: readonly (readonly [steps: number, what: string])[];
  /** What is passed on the way, as shares of the cycle: where to look closest. */
  marks: readonly (readonly [share: number, what: string])[];
}

/**
 * Common practice: a moon disc carries two moons, so a whole turn is two lunations (59 days); a wheel of 118 teeth is
 * moved twice a day, one of 59 once.
 */
export const CYCLES: Record<'moon' | 'calendar', Cycle> = {
  moon: {
    lengths: [
      [118, '118 teeth, moved twice a day'],
      [59, '59 teeth, moved once a day'],
    ],
    marks: [
      [0, 'first new moon'],
      [0.125, 'first moon, first quarter'],
      [0.25, 'first full moon'],
      [0.375, 'first moon, last quarter'],
      [0.5, 'second new moon'],
      [0.625, 'second moon, first quarter'],
      [0.75, 'second full moon'],
      [0.875, 'second moon, last quarter'],
      [1, 'the first moon again'],
    ],
  },
  calendar: {
    lengths: [[31, '31 days']],
    marks: [
      [0, 'the 1st'],
      [27 / 31, 'the 28th: a short month is helped on from here'],
      [30 / 31, 'the 31st'],
      [1, 'the turn of the month'],
    ],
  },
};
export type CycleId = keyof typeof CYCLES;
/** Whether a check is driven by hand through a whole cycle. */
export const isCycle = (check: string): check is CycleId => check in CYCLES;

/**
 * Where it stands in its cycle.
 * @returns the mark it is at or past, the one that comes next with the steps to it, and whether the whole cycle is
 * through
 * @throws Outside for a cycle under 2 steps, or a step outside it
 */
export function driven(
  id: CycleId,
  { of, done }: Pick<Drive, 'of' | 'done'>,
): { past: string; next: { what: string; in: number } | null; whole: boolean } {
  ensure(Number.isInteger(of) && of >= 2 && of <= 1000, 'of', 'Between 2 and 1000 steps.');
  ensure(Number.isInteger(done) && done >= 0 && done <= of, 'done', 'A step of the cycle.');
  const marks = CYCLES[id].marks.map(([share, what]) => ({ at: Math.round(share * of), what }));
  const next = marks.find((m) => m.at > done);
  return {
    past: marks.findLast((m) => m.at <= done)!.what,
    next: next ? { what: next.what, in: next.at - done } : null,
    whole: done >= of,
  };
}

/** What is kept with the check: where it fouled, or that it is free all the way. */
export const drivenWords = (d: Drive): string =>
  d.fouled.length === 0
    ? `${d.of} steps, free all the way`
    : `fouls at ${d.fouled.map((f) => `${f.step} of ${d.of}${f.note && ` (${f.note})`}`).join(', ')}`;

/**
 * Windings counted by ear or eye.
 * @param times of each winding, ms, in order
 * @returns null under two windings; else how many a minute, seconds between two, and the scatter of one gap (standard
 * deviation, s; null under three)
 */
export function windings(
  times: readonly number[],
): { perMinute: number; everyS: number; scatterS: number | null } | null {
  if (times.length < 2) return null;
  const gaps = times.slice(1).map((t, i) => (t - times[i]!) / 1000);
  const everyS = gaps.reduce((a, b) => a + b) / gaps.length;
  return {
    perMinute: 60 / everyS,
    everyS,
    scatterS: gaps.length < 2 ? null : Math.sqrt(gaps.reduce((n, g) => n + (g - everyS) ** 2, 0) / (gaps.length - 1)),
  };
}
