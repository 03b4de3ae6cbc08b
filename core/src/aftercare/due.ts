import { yearsAfter, type Day } from '../days/index.ts';
import { NEW_MOVEMENT_YEARS, serviceInterval } from '../oiling/index.ts';
import type { Traits } from '../movement/index.ts';

/** The days on which it is due again, `2034-05-02`: for oil, and for an overhaul. House rules of the interval. */
export function dueAgain(traits: Traits, signedOn: Day, newMovement = false): { oil: string; overhaul: string } {
  const { oilYears, overhaulYears } = serviceInterval(traits);
  const after = (years: number) => yearsAfter(signedOn, years);
  return { oil: after(newMovement ? NEW_MOVEMENT_YEARS : oilYears), overhaul: after(overhaulYears) };
}
