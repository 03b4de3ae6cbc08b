import type { Lock } from '../find/found.ts';
import type { TimedBeat } from '../follow/timer.ts';
import type { Counts } from './account.ts';

/** What following the beat has gathered, before anything is reckoned from it. */
export interface Heard {
  lock: Lock;
  timed: readonly TimedBeat[];
  /** Tock less tick, of their own templates, seconds. */
  shiftS: number | null;
  /** The louder of the two is called the tick: whether it is the odd one. */
  tickIsOdd: boolean;
  counts: Counts;
  stoppedS: number | null;
}
