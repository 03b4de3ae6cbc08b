import { CARE } from './care/index.ts';
import { ELECTRICS } from './electrics/index.ts';
import { PENDULUM } from './pendulum/index.ts';
import { PIVOTS } from './pivots/index.ts';
import { PLANS } from './plans/index.ts';
import { RATES } from './rates/index.ts';
import { SPRINGS } from './springs/index.ts';
import { STRIKES } from './strikes/index.ts';
import { TORSION } from './torsion/index.ts';
import { TRAINS_WORKINGS } from './trains/index.ts';
import { UNITS } from './units/index.ts';
import { WEIGHTS } from './weights/index.ts';
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
