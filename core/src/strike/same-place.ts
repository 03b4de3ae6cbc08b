import { ensure } from '../units/index.ts';

export interface Turning {
  name: string;
  /** Minutes of one turn. */
  minutes: number;
}

/** Share by which a spacing may differ from whole turns. */
const CLOSE = 0.03;

/** Mean minutes between stops, and their scatter. @throws Outside for fewer than two stops */
export function spacingOfStops(stopMinutes: readonly number[]): { minutes: number; scatter: number } {
  ensure(stopMinutes.length >= 2, 'stopMinutes', 'At least two stops, in minutes from the first start.');
  const gaps = stopMinutes.slice(1).map((t, i) => t - stopMinutes[i]!);
  ensure(
    gaps.every((g) => g > 0),
    'stopMinutes',
    'Each stop comes after the one before.',
  );
  const minutes = gaps.reduce((a, b) => a + b, 0) / gaps.length;
  return { minutes, scatter: Math.sqrt(gaps.reduce((n, g) => n + (g - minutes) ** 2, 0) / gaps.length) };
}

/**
 * Arbors whose turn fits the spacing, the slowest first: only a spacing of a whole turn, or a few, points at an arbor.
 */
export function arborsThatFit(spacingMinutes: number, arbors: readonly Turning[]): (Turning & { turns: number })[] {
  return arbors
    .flatMap((a) => {
      const turns = Math.round(spacingMinutes / a.minutes);
      return turns >= 1 && turns <= 3 && Math.abs(spacingMinutes / (turns * a.minutes) - 1) <= CLOSE
        ? [{ ...a, turns }]
        : [];
    })
    .sort((a, b) => b.minutes - a.minutes);
}

/** Motion work: turns of the minute hand for one of the hour hand. It must be 12. */
export const motionWork = (minuteWheel: number, cannon: number, hourWheel: number, pinion: number): number =>
  (minuteWheel / cannon) * (hourWheel / pinion);
