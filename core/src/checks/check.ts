import type { Depth } from '../workflow/index.ts';

/** Where a check belongs: as it goes together, in position on test, on site at delivery. */
export const CHECK_PLACES = ['assemble', 'run', 'deliver'] as const;

export type CheckPlace = (typeof CHECK_PLACES)[number];

export interface Check {
  /** Stable: results are kept by it. */
  id: string;
  place: CheckPlace;
  /** Under which heading, in the order of work. */
  group: string;
  what: string;
  how: string;
  /** It must be right before the plates close. */
  before?: true;
  /** The shallowest pass after which it is asked again. */
  from: Depth;
  /** A caution that stands at the step. */
  caution?: string;
}
