import { sentence } from '@eclat/core/units';
import type { Sides } from '@eclat/core/sound';
import { BEAT_LIMIT } from '@eclat/core/sound';

/** On which side it is when the louder of the two sounds falls: ears and a look know that, a microphone does not. */
export type TickSide = 'left' | 'right' | null;

export interface Balance {
  /** Names of the two ways, left on the picture first. */
  names: [string, string];
  /** Share of the beat by which the left one is longer; below nought it is the short one. */
  share: number;
  /** The beat error, ms. */
  ms: number;
  limit: number;
  inBeat: boolean;
  /** In big words. */
  words: string;
  which: string;
}

/**
 * What just now was heard, as the two sides of the swing. After the tick on the left it swings out to the left and
 * back: that way is the left side.
 */
export function balanceOf(sides: Sides, tickSide: TickSide, balance: boolean): Balance {
  const beat = (sides.tickToTockMs + sides.tockToTickMs) / 2;
  const longer = (sides.tickToTockMs - sides.tockToTickMs) / 2;
  const share = (tickSide === 'right' ? -longer : longer) / beat;
  const ms = Math.abs(longer);
  const limit = balance ? BEAT_LIMIT.balance : BEAT_LIMIT.pendulum;
  const names: [string, string] = tickSide === null ? ['tick to tock', 'tock to tick'] : ['left side', 'right side'];
  const inBeat = Math.abs(share) <= limit / 3;
  const which = share < 0 ? names[0] : names[1];
  return {
    names,
    share,
    ms,
    limit,
    inBeat,
    which,
    words: inBeat ? 'In beat' : `${sentence(which)} short`,
  };
}

export const msWords = (ms: number): string => `${ms.toFixed(ms < 3 ? 1 : 0)} ms`;
