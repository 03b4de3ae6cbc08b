import { ensure } from '../units/index.ts';

/** Share of the time a contact is closed. @throws Outside when it dwells longer than its period */
export function duty(dwellS: number, periodS: number): number {
  ensure(periodS > 0, 'periodS', 'The time from one closing to the next.');
  ensure(dwellS > 0 && dwellS <= periodS, 'dwellS', 'The contact closes for part of its period.');
  return dwellS / periodS;
}

/** Windings a minute against what belongs there. Practice: a tenth to either side is still right. */
export function judgeWindings(expected: number, counted: number): 'right' | 'too often' | 'too seldom' {
  ensure(expected > 0 && counted >= 0, 'expected', 'Windings a minute that belong there.');
  if (counted > 1.1 * expected) return 'too often';
  return counted < 0.9 * expected ? 'too seldom' : 'right';
}

/** Speed of a synchronous motor in turns a minute: 120 f/poles. Published: any text on electrical machines. */
export function synchronousRpm(hertz: number, poles: number): number {
  ensure(hertz > 0, 'hertz', 'A frequency is more than nothing.');
  ensure(Number.isInteger(poles) && poles >= 2 && poles % 2 === 0, 'poles', 'Poles come in pairs: 2, 4, 6 …');
  return (120 * hertz) / poles;
}

/** What a supply of another frequency makes of a synchronous clock, s/day. */
export const rateOnOtherMains = (madeForHertz: number, onHertz: number): number => 86400 * (onHertz / madeForHertz - 1);
