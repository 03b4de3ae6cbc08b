import { ensure } from '../units/index.ts';

export interface Turning {
  name: string;
  /** Minutes of one turn. */
  minutes: number;
}

/** Share of a turn by which one gap may be off whole turns, and all of them together (root of the mean square). */
const [OFF, TOGETHER] = [0.12, 0.05];
/** The shortest gap is at most so many turns: after more, a minute read wrong fits any arbor. */
const MOST_TURNS = 3;

/** Minutes from each stop to the next. @throws Outside for fewer than two stops, or where they do not go on in time */
export function gapsOf(stopMinutes: readonly number[]): number[] {
  ensure(stopMinutes.length >= 2, 'stopMinutes', 'At least two stops, in minutes from the first start.');
  const gaps = stopMinutes.slice(1).map((t, i) => t - stopMinutes[i]!);
  ensure(
    gaps.every((g) => g > 0),
    'stopMinutes',
    'Each stop comes after the one before.',
  );
  return gaps;
}

/** Mean minutes between stops, and their scatter. */
export function spacingOf(gaps: readonly number[]): { minutes: number; scatter: number } {
  const minutes = gaps.reduce((a, b) => a + b, 0) / gaps.length;
  return { minutes, scatter: Math.sqrt(gaps.reduce((n, g) => n + (g - minutes) ** 2, 0) / gaps.length) };
}

/**
 * Arbors that had made whole turns at every stop, the slowest first. It need not stop each time round: gaps of one, two
 * and three turns point at the same tooth as gaps of one. Practice.
 * @returns with each the turns of its shortest gap
 */
export function arborsThatFit(gaps: readonly number[], arbors: readonly Turning[]): (Turning & { turns: number })[] {
  return arbors
    .flatMap((a) => {
      const turns = gaps.map((g) => Math.round(g / a.minutes));
      const least = Math.min(...turns);
      const off = gaps.map((g, i) => g / a.minutes - turns[i]!);
      const together = Math.sqrt(off.reduce((n, o) => n + o * o, 0) / off.length);
      const fits = least >= 1 && least <= MOST_TURNS && together <= TOGETHER && off.every((o) => Math.abs(o) <= OFF);
      return fits ? [{ ...a, turns: least }] : [];
    })
    .sort((a, b) => b.minutes - a.minutes);
}

/** Motion work: turns of the minute hand for one of the hour hand. It must be 12. */
export const motionWork = (minuteWheel: number, cannon: number, hourWheel: number, pinion: number): number =>
  (minuteWheel / cannon) * (hourWheel / pinion);
