import { CARE } from './care.ts';
import { ELECTRICS } from './electrics.ts';
import { PENDULUM } from './pendulum.ts';
import { PIVOTS } from './pivots.ts';
import { PLANS } from './plans.ts';
import { RATES } from './rates.ts';
import { SPRINGS } from './springs.ts';
import { STRIKES } from './strikes.ts';
import { TORSION } from './torsion.ts';
import { TRAINS_WORKINGS } from './trains.ts';
import { UNITS } from './units.ts';
import { WEIGHTS } from './weights.ts';
import type { Working } from './working.ts';

/**
 * Every calculation of Eclat, in the order of the subjects. The pages, the panels, the command line and the API run
 * these.
 */
export const WORKINGS: readonly Working[] = [
  ...UNITS,
  ...TRAINS_WORKINGS,
  ...PENDULUM,
  ...TORSION,
  ...SPRINGS,
  ...WEIGHTS,
  ...PIVOTS,
  ...STRIKES,
  ...ELECTRICS,
  ...CARE,
  ...RATES,
  ...PLANS,
];

export const workingById = (id: string): Working | undefined => WORKINGS.find((w) => w.id === id);

export * from './fields.ts';
export * from './run.ts';
export * from './working.ts';
export * from './typed.ts';
export { suits } from './suits.ts';
