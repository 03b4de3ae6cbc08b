import { LEVELS, type Level } from './causes/index.ts';
import type { Look } from './infer.ts';
import type { Instance } from './instances.ts';
import type { SymptomId } from './symptoms.ts';

/** How often a look finds what is there, and how often it finds what is not. House rule, from memory of practice. */
export const SENSITIVITY = 0.9;
export const FALSE_ALARM = 0.05;
/** Once-only minutes to reach each level of dismantling. House rule. */
export const MINUTES_TO_REACH: Record<Level, number> = { 0: 0, 1: 5, 2: 20, 3: 90 };

export const OUTCOMES = ['found', 'clear', 'impossible'] as const;
export type LookOutcome = (typeof OUTCOMES)[number];
export type LooksTaken = Readonly<Record<string, LookOutcome>>;

/** What the outcome of a look says of its cause; a look that could not be taken says nothing. */
export const weigh = (outcome: LookOutcome | undefined): Look | null => {
  if (outcome === 'found') return { there: SENSITIVITY, notThere: FALSE_ALARM };
  return outcome === 'clear' ? { there: 1 - SENSITIVITY, notThere: 1 - FALSE_ALARM } : null;
};

export interface NextLook {
  instance: Instance;
  /** Expected information about the causes, bits. */
  bits: number;
  minutes: number;
  /** Minutes to get there first; none when it is that far apart already. */
  reachMinutes: number;
  /** Chance of the cause after the look, and of each outcome. */
  ifFound: number;
  ifClear: number;
  chanceFound: number;
}

const entropy = (p: number) => (p <= 0 || p >= 1 ? 0 : -p * Math.log2(p) - (1 - p) * Math.log2(1 - p));

/**
 * What is best looked at next: expected information about the causes for its minutes and the once-only cost of reaching
 * its level. A look speaks of its own cause, and of the others only through it, so its information about all of them is
 * what it tells of that one. Looks taken, or impossible here, are not offered; nor are looks at causes that could show
 * nothing of what was seen, while something was: they may be there, but the complaint does not ask for them.
 * @param level how far the clock is taken down already
 */
export function nextLooks(
  instances: readonly Instance[],
  marginals: readonly number[],
  present: readonly SymptomId[],
  taken: LooksTaken,
  level: Level,
): NextLook[] {
  return instances
    .flatMap((instance, i): NextLook[] => {
      if (taken[instance.id] || (present.length > 0 && !present.some((s) => instance.shows[s]))) return [];
      const p = marginals[i]!;
      const chanceFound = p * SENSITIVITY + (1 - p) * FALSE_ALARM;
      const { look } = instance.cause;
      const reachMinutes = Math.max(0, MINUTES_TO_REACH[look.level] - MINUTES_TO_REACH[level]);
      return [
        {
          instance,
          minutes: look.minutes,
          reachMinutes,
          chanceFound,
          bits: entropy(chanceFound) - p * entropy(SENSITIVITY) - (1 - p) * entropy(FALSE_ALARM),
          ifFound: (p * SENSITIVITY) / chanceFound,
          ifClear: (p * (1 - SENSITIVITY)) / (1 - chanceFound),
        },
      ];
    })
    .sort((a, b) => b.bits / (b.minutes + b.reachMinutes) - a.bits / (a.minutes + a.reachMinutes));
}

/** The deepest level at which a look was really taken. */
export const levelReached = (instances: readonly Instance[], taken: LooksTaken): Level =>
  instances.reduce<Level>(
    (deepest, i) =>
      taken[i.id] && taken[i.id] !== 'impossible' && i.cause.look.level > deepest ? i.cause.look.level : deepest,
    0,
  );

/** How far the clock is taken down, in words. */
export const levelName = (level: Level): string => LEVELS[level];
