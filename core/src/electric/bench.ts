import { has, type Traits } from '../movement/index.ts';
import { ensure } from '../units/index.ts';
import { duty, judgeWindings } from './duty.ts';
import type { StepGrade } from './step-test.ts';

/** Has it anything for the electric bench? */
export const isElectric = (traits: Traits): boolean =>
  has(traits, 'coil') || has(traits, 'contacts') || has(traits, 'rotor');

/** Change of resistance of annealed copper for a degree, at 20 °C. Published: IEC 60028. */
export const COPPER_PER_K = 0.00393;

/** A reading at another temperature, as it would be at 20 °C, ohms. Domain −20 to 120 °C. */
export function ohmsAt20(ohms: number, atC: number): number {
  ensure(ohms > 0, 'ohms', 'More than 0.');
  ensure(atC >= -20 && atC <= 120, 'atC', 'Between −20 and 120 °C.');
  return ohms / (1 + COPPER_PER_K * (atC - 20));
}

export type CoilVerdict = 'open' | 'shorted' | 'low' | 'right' | 'high' | 'not known';
/** Practice: within a tenth of what belongs there; under a tenth of it is as good as a short. */
const RIGHT_SHARE = 0.1;

/** @param ohms null where the meter shows no reading; @param expectedOhms null where nobody knows what belongs there */
export function judgeCoil(
  ohms: number | null,
  expectedOhms: number | null,
  atC: number | null = null,
): { verdict: CoilVerdict; at20: number | null; words: string } {
  if (ohms === null) return { verdict: 'open', at20: null, words: 'No reading: the coil or its leads are open.' };
  const at20 = atC === null ? ohms : ohmsAt20(ohms, atC);
  const said = `${at20.toPrecision(3)} Ω${atC === null ? '' : ' at 20 °C'}`;
  if (expectedOhms === null)
    return {
      verdict: ohms < 1 ? 'shorted' : 'not known',
      at20,
      words: ohms < 1 ? `${said}: next to nothing, shorted.` : `${said}; what belongs there is not known.`,
    };
  const share = at20 / expectedOhms;
  if (share < RIGHT_SHARE)
    return { verdict: 'shorted', at20, words: `${said} where ${expectedOhms} Ω belong: shorted.` };
  if (share < 1 - RIGHT_SHARE)
    return {
      verdict: 'low',
      at20,
      words: `${said} where ${expectedOhms} Ω belong: turns are shorted, or another coil.`,
    };
  if (share > 1 + RIGHT_SHARE)
    return { verdict: 'high', at20, words: `${said} where ${expectedOhms} Ω belong: a bad joint, or another coil.` };
  return { verdict: 'right', at20, words: `${said} where ${expectedOhms} Ω belong.` };
}

/** What was done at the electric bench. */
export type ElectricTest =
  | { kind: 'coil'; what: string; ohms: number | null; expectedOhms: number | null; atC: number | null }
  | { kind: 'step'; volts: number; milliamps: number | null; did: StepGrade; supplyV: number }
  | {
      kind: 'contact';
      what: string;
      state: string;
      dwellMs: number | null;
      periodS: number | null;
      perMinute: number | null;
      expectedPerMinute: number | null;
      note: string;
    }
  | { kind: 'suppression'; what: string; value: string; note: string };

/** One of them in words, for the bench and for the book. */
export function electricWords(e: ElectricTest): string {
  switch (e.kind) {
    case 'coil':
      return `${e.what}: ${judgeCoil(e.ohms, e.expectedOhms, e.atC).words}`;
    case 'step':
      return `${e.volts} V${e.milliamps === null ? '' : `, ${e.milliamps} mA`}: ${e.did}`;
    case 'contact': {
      const closed =
        e.dwellMs === null
          ? ''
          : `, closed ${e.dwellMs} ms` +
            (e.periodS === null
              ? ''
              : ` of ${e.periodS} s (${(100 * duty(e.dwellMs / 1000, e.periodS)).toFixed(1)} %)`);
      const wound =
        e.perMinute === null
          ? ''
          : `; ${e.perMinute} windings a minute` +
            (e.expectedPerMinute === null ? '' : `, ${judgeWindings(e.expectedPerMinute, e.perMinute)}`);
      return `${e.what}: ${e.state}${closed}${wound}${e.note && `; ${e.note}`}`;
    }
    case 'suppression':
      return [e.what, e.value, e.note].filter(Boolean).join(', ');
  }
}
