import { ELECTRIC } from './electric.ts';
import { ESCAPEMENT } from './escapement.ts';
import { POWER } from './power.ts';
import type { Cause } from './row.ts';
import { STRIKE } from './strike.ts';
import { TRAIN } from './train.ts';

/** The knowledge base. Ids are stable: looks that were taken are stored by them. */
export const CAUSES: readonly Cause[] = [...POWER, ...TRAIN, ...ESCAPEMENT, ...STRIKE, ...ELECTRIC];
export { LEVELS, LIKELIHOOD, PRIOR, readShows, type Cause, type Level } from './row.ts';
