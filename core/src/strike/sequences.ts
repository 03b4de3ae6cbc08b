import { ensure } from '../units/index.ts';

/** Blows of a count wheel over twelve hours, in order, starting at one o'clock; with a single blow at each half. */
export const hourBlows = (halves: boolean): number[] =>
  Array.from({ length: 12 }, (_, i) => i + 1).flatMap((h) => (halves ? [h, 1] : [h]));

/** Which of the five changes of Cambridge Quarters sound at each quarter. Published: tune of 1793. */
export const CAMBRIDGE_QUARTERS: Record<1 | 2 | 3 | 4, readonly number[]> = {
  1: [1],
  2: [2, 3],
  3: [4, 5, 1],
  4: [2, 3, 4, 5],
};
export const NOTES_OF_A_CHANGE = 4;

/** Notes at a quarter of four-bell Cambridge Quarters: 4, 8, 12, 16. */
export const quarterNotes = (quarter: 1 | 2 | 3 | 4): number => NOTES_OF_A_CHANGE * CAMBRIDGE_QUARTERS[quarter].length;

/** Bells of the watch at a half-hour of the day (0 is midnight): 1 to 8 over four hours, eight at its end. */
export function watchBells(halfHour: number): number {
  ensure(Number.isInteger(halfHour) && halfHour >= 0 && halfHour < 48, 'halfHour', 'A half-hour of the day, 0 to 47.');
  return halfHour % 8 === 0 ? 8 : halfHour % 8;
}
/** As they are struck: in pairs, an odd one last. 5 is "2 2 1". */
export const inPairs = (bells: number): string =>
  [...Array<string>(Math.floor(bells / 2)).fill('2'), ...(bells % 2 ? ['1'] : [])].join(' ');
