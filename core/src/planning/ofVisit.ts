import { byCount } from '../units/index.ts';
import {
  hoursOf,
  inRoute,
  routeName,
  routeToPlan,
  unanswered,
  type AgreedLine,
  type RouteId,
} from '../estimate/index.ts';
import type { Traits } from '../movement/index.ts';
import { protocolFor } from '../rate/index.ts';
import type { Choices } from '../rules/index.ts';
import type { Job, Wait } from './promise.ts';

/** How a shop works, as far as a date depends on it. */
export interface ShopPace {
  hoursPerWeek: number;
  /** Agreed hours of the other clocks that stand in the shop. */
  hoursAhead: number;
  /** Signed visits, and how many of them were taken up again at a stage that was done. */
  signed: number;
  takenUpAgain: number;
  /** Passes whose hours were kept, their mean, and the reason given most often. */
  passes: { counted: number; meanHours: number; usualReason: string } | null;
  /** What the shop's timed jobs took for each hour written. */
  taken: { jobs: number; share: number } | null;
}

/** Hours of one train taken through the shop, when nothing is written yet. House rule, from memory of practice. */
const HOURS_PER_TRAIN = 4;
/** Bench hours run from a fifth under to seven tenths over what was written. House rule. */
const BEST = 0.8,
  WORST = 1.7;
/** Mean of that triangle, as a share of its likeliest. Published: the mean of a triangular distribution. */
const MEAN = (BEST + 1 + WORST) / 3;
const PASS_SHARE = 0.3;
/** From so many passes on their own hours count. House rule. */
const ENOUGH_PASSES = 3;
/** One in four comes apart again, counted as four visits seen before the shop's own. House rule. */
const PASSES_SEEN = 1,
  VISITS_SEEN = 4;

const WAITS = {
  owner: { what: 'the owner’s answer', shortDays: 1, likelyDays: 3, longDays: 14 },
  parts: { what: 'parts', shortDays: 3, likelyDays: 7, longDays: 21 },
  outside: { what: 'work outside', shortDays: 7, likelyDays: 14, longDays: 42 },
} as const satisfies Record<string, Wait>;

/** The job that an estimate, this movement and the shop's own pace make, with the reason for each figure. */
export function jobOfVisit(
  traits: Traits,
  lines: readonly AgreedLine[],
  route: RouteId | null,
  pace: ShopPace,
  choices: Choices = {},
): { job: Job; reasons: string[] } {
  const planned = routeToPlan(lines, route);
  const written = hoursOf(lines, planned);
  const plain = written > 0 ? written : HOURS_PER_TRAIN * traits.trains.length;
  const hours = plain * (written > 0 ? (pace.taken?.share ?? 1) : 1);
  // What the shop's jobs took is a mean; the likeliest lies under it, since more goes wrong than right.
  const likely = written > 0 && pace.taken ? hours / MEAN : hours;
  const standing = lines.filter((l) => l.state !== 'declined' && inRoute(l, planned));
  const waits: Wait[] = [
    ...(lines.length === 0 || unanswered(lines, route).length > 0 ? [WAITS.owner] : []),
    ...(standing.some((l) => l.kind === 'part') ? [WAITS.parts] : []),
    ...(standing.some((l) => l.kind === 'outside work') ? [WAITS.outside] : []),
  ];
  const { shortestDays } = protocolFor(traits, choices);
  const chanceOfPass = (PASSES_SEEN + pace.takenUpAgain) / (VISITS_SEEN + pace.signed);
  const known = pace.passes && pace.passes.counted >= ENOUGH_PASSES ? pace.passes : null;
  const passHours = known ? known.meanHours : PASS_SHARE * hours;
  return {
    job: {
      hoursBest: BEST * likely,
      hoursLikely: likely,
      hoursWorst: WORST * likely,
      hoursPerWeek: pace.hoursPerWeek,
      hoursAhead: pace.hoursAhead,
      waits,
      chanceOfPass,
      passHours,
      testDays: shortestDays,
    },
    reasons: [
      written > 0
        ? `${written.toFixed(1)} h of bench work are written` +
          (planned !== null && route === null ? ` for “${routeName(planned)}”, the longest way on offer` : '')
        : `no hours are written yet: ${plain} h for ` +
          byCount(traits.trains.length, 'one train', `${traits.trains.length} trains`),
      ...(written > 0 && pace.taken
        ? [
            `your last ${pace.taken.jobs} timed jobs took ${pace.taken.share.toFixed(1)} times what ` +
              `was written: ${hours.toFixed(1)} h`,
          ]
        : []),
      pace.hoursAhead > 0
        ? `${pace.hoursAhead.toFixed(1)} h of other clocks come first, at ${pace.hoursPerWeek} h a week`
        : `nothing agreed stands before it, at ${pace.hoursPerWeek} h a week`,
      ...waits.map((w) => `waiting for ${w.what}: ${w.shortDays} to ${w.longDays} days, likeliest ${w.likelyDays}`),
      `the test run takes ${shortestDays} days`,
      `comes apart again: ${Math.round(100 * chanceOfPass)} % (${pace.takenUpAgain} of your ` +
        `${pace.signed} signed visits)`,
      ...(known
        ? [
            `coming apart again took ${known.meanHours.toFixed(1)} h on average, over ${known.counted}` +
              `; most often: ${known.usualReason}`,
          ]
        : []),
    ],
  };
}
