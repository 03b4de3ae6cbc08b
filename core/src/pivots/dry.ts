import { bushedHoles } from './bushed.ts';

/** How a pivot feels in its new bush while its train stands dry between the plates. */
export const DRY_WORDS = ['free', 'drags', 'shakes'] as const;
export type DryWord = (typeof DRY_WORDS)[number];

/** What is usually done then, before it is tried again. Common practice. */
export const DRY_CURES: Readonly<Record<DryWord, readonly string[]>> = {
  free: [],
  drags: ['driven out a hair', 'opened with a broach', 'set upright', 'pivot burnished again'],
  shakes: ['driven in a hair', 'bushed again'],
};

export interface DryTry {
  hole: string;
  word: DryWord;
  /** What was done about it: then it is to be tried again. */
  cure: string;
  /** ISO 8601. */
  at: string;
}

/**
 * Every bushed hole and how it stands: the last word on the bush that is in it now; null where it was not tried, or
 * something was done since.
 * @param bushes of the visit, the oldest first
 * @param tries the oldest first
 */
export function dryStanding(
  bushes: readonly { hole: string; off: boolean; at: string }[],
  tries: readonly DryTry[],
): Map<string, DryWord | null> {
  const inNow = new Map(bushes.map((b) => [b.hole, b.at]));
  return new Map(
    [...bushedHoles(bushes)].map((hole) => {
      const last = tries.findLast((t) => t.hole === hole && Date.parse(t.at) >= Date.parse(inNow.get(hole)!));
      return [hole, last && last.cure === '' ? last.word : null];
    }),
  );
}
