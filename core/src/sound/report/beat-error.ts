import { ensure } from '../../units/index.ts';

export interface BeatError {
  ms: number;
  /** As a share of the beat. */
  share: number;
  /** Which of the two is the short one. */
  short: 'tick to tock' | 'tock to tick' | 'neither';
}

/** Half the difference of the two beats. Both in ms. Standard definition of the trade. */
export function beatError(tickToTockMs: number, tockToTickMs: number): BeatError {
  ensure(tickToTockMs > 0, 'tickToTockMs', 'More than 0.');
  ensure(tockToTickMs > 0, 'tockToTickMs', 'More than 0.');
  const ms = Math.abs(tickToTockMs - tockToTickMs) / 2;
  return {
    ms,
    share: ms / ((tickToTockMs + tockToTickMs) / 2),
    short: shortSideOf(tickToTockMs, tockToTickMs),
  };
}

function shortSideOf(tickToTockMs: number, tockToTickMs: number) {
  if (tickToTockMs === tockToTickMs) return 'neither';
  if (tickToTockMs < tockToTickMs) return 'tick to tock';
  return 'tock to tick';
}

/**
 * How far the rest position lies beside the middle of the escapement, degrees at the oscillator: A sin(π/2 · share).
 */
export const offsetDeg = (amplitude: number, share: number): number => amplitude * Math.sin((Math.PI / 2) * share);

/** Largest beat error, as a share of the beat. House rules, practice: balance 1 %, pendulum 3 %. */
export const BEAT_LIMIT = { balance: 0.01, pendulum: 0.03 } as const;
