import { ensure } from '../units/index.ts';

export type KeyFit = 'does not go on' | 'fits' | 'loose' | 'sloppy';

/**
 * Play between key and square, mm across flats. Practice: more than a fifth of a millimetre is felt, more than a third
 * rounds the corners.
 */
const LOOSE_MM = 0.2;
const SLOPPY_MM = 0.35;

/**
 * Does a key of this square go on an arbor of that one? Both across the flats, mm. Numbers stamped on keys are not
 * used: makers disagree.
 */
export function judgeKey(keyMm: number, arborMm: number): { fit: KeyFit; playMm: number } {
  ensure(keyMm > 0 && arborMm > 0, 'keyMm', 'Measure across the flats.');
  const playMm = keyMm - arborMm;
  return {
    fit: fitOf(playMm),
    playMm,
  };
}

function fitOf(playMm: number) {
  if (playMm <= 0) return 'does not go on';
  if (playMm <= LOOSE_MM) return 'fits';
  if (playMm <= SLOPPY_MM) return 'loose';
  return 'sloppy';
}

/** The smallest key of a list that goes on, or null. */
export const chooseKey = (arborMm: number, keysMm: readonly number[]): number | null =>
  [...keysMm].sort((a, b) => a - b).find((k) => k > arborMm) ?? null;
