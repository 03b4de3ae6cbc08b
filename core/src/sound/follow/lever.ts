import type { Kind } from './kind.ts';
import type { Onset } from './onset.ts';
import { fitTo, part, type Template } from './template.ts';

/** Unlocking and drop are searched for this far around their usual place. */
const REACH_S = 0.0025;
/** Least clearness of the unlocking (share of the sharpest onset) and of the drop, and what counts as equally loud. */
const CLEAR_SHARE = 0.5,
  CLEAR_RISE = 1.2,
  NEARLY = 0.6;

/**
 * The two blows of a lever that bound its lift: the parts of the envelope that hold them, and how far apart they are in
 * the mean, samples.
 */
export interface Blows {
  unlock: Template;
  drop: Template;
  apart: number;
}

/**
 * Finds unlocking and drop among the onsets of a kind. It is quiet before the unlocking, so that is the first clear
 * onset. The drop is the loudest one that any amplitude allows after it, and the first of nearly equal ones: an echo
 * comes later and quieter, even where it rises more sharply.
 * @param least, most samples from the one to the other
 */
export function leverOnsets(
  found: readonly Onset[],
  least: number,
  most: number,
): { unlock: Onset; drop: Onset } | null {
  const sharpest = Math.max(0, ...found.map((o) => o.rise));
  const unlock = found.find((o) => o.rise >= CLEAR_SHARE * sharpest);
  const after = unlock
    ? found.filter((o) => o.at - unlock.at >= least && o.at - unlock.at <= most && o.rise >= CLEAR_RISE)
    : [];
  if (!unlock || after.length === 0) return null;
  const top = Math.max(...after.map((o) => o.jump));
  return { unlock, drop: after.find((o) => o.jump >= NEARLY * top)! };
}

/**
 * Unlocking and drop of a kind of lever beat, found in its mean.
 * @param every steps between two values of the mean
 * @param least fewest steps from unlocking to drop
 * @param most and the most
 * @returns null where the two are not told apart
 */
export function blowsOf(
  { mean, onsets }: Kind,
  sampleRate: number,
  every: number,
  least: number,
  most: number,
): Blows | null {
  const found = leverOnsets(onsets, least, most);
  if (!found) return null;
  const reach = stepsOf(sampleRate, every);
  const around = (at: number) => {
    const middle = Math.round(at / every);
    return part(mean, Math.max(0, middle - reach), Math.min(mean.length, middle + reach + 1));
  };
  return { unlock: around(found.unlock.at), drop: around(found.drop.at), apart: found.drop.at - found.unlock.at };
}

/** From unlocking to drop of one beat, samples. `late`: where it lies against its kind, steps. */
export function unlockToDrop(blows: Blows, env: Float32Array, late: number, sampleRate: number, every: number): number {
  const reach = stepsOf(sampleRate, every);
  const [unlock, drop] = [
    fitTo(blows.unlock, env, reach, Math.round(late)),
    fitTo(blows.drop, env, reach, Math.round(late)),
  ];
  return blows.apart + (drop.late - unlock.late) * every;
}

const stepsOf = (sampleRate: number, every: number) => Math.max(2, Math.round((REACH_S * sampleRate) / every));
