import { drivenBy, type Traits, isMains } from '../movement/index.ts';

export interface ServiceInterval {
  oilYears: number;
  overhaulYears: number;
}

type Row = readonly [applies: (t: Traits) => boolean, oilYears: number, overhaulYears: number];

/** House rules (practice), the first row that applies: look and oil, and overhaul. */
const ROWS: readonly Row[] = [
  [(t) => drivenBy(t, isMains), 5, 5],
  [(t) => t.oscillator === 'torsion pendulum', 8, 8],
  [() => true, 3, 8],
];

/** After how many years it is looked at and oiled, and overhauled. House rules (practice). */
export function serviceInterval(traits: Traits): ServiceInterval {
  const [, oilYears, overhaulYears] = ROWS.find(([applies]) => applies(traits))!;
  return { oilYears, overhaulYears };
}

/** A new replacement movement is looked at after these years. House rule. */
export const NEW_MOVEMENT_YEARS = 5;
