import { counted, ensure } from '../units/index.ts';

export interface Heard {
  /** Hour that the hand shows, 1 to 12. */
  hand: number;
  /** Blows counted; 0 is silence. */
  heard: number;
}

export type StrikeVerdict =
  | { kind: 'right'; words: string }
  | { kind: 'offset'; by: number; words: string }
  | { kind: 'always few'; words: string }
  | { kind: 'run-on'; words: string }
  | { kind: 'misses'; words: string }
  | { kind: 'random'; words: string };

/** A run-on goes past any hour. */
const MOST_BLOWS = 12;

/**
 * What a list of hours and blows says. The count is compared round a dial of twelve: always ahead or behind by the same
 * number is a matter of setting, everything else of a lever, a tail or a warning run. Practice.
 * @throws Outside for fewer than three hours: two can agree by chance
 */
export function judgeStrike(list: readonly Heard[], control: 'count wheel' | 'rack'): StrikeVerdict {
  ensure(list.length >= 3, 'heard', 'At least three hours, better all twelve.');
  for (const { hand, heard } of list)
    ensure(
      Number.isInteger(hand) && hand >= 1 && hand <= 12 && Number.isInteger(heard) && heard >= 0,
      'heard',
      'Hours from 1 to 12, and whole blows.',
    );
  const wrong = list.filter((x) => x.heard !== x.hand);
  if (wrong.length === 0)
    return {
      kind: 'right',
      words:
        list.length < 12
          ? `Right in all ${list.length} hours heard. Hear the rest of the twelve.`
          : 'Right in all twelve hours.',
    };
  if (list.some((x) => x.heard > MOST_BLOWS))
    return {
      kind: 'run-on',
      words:
        'It runs on past twelve: the locking does not hold. Look at the locking lever or piece, its ' +
        'spring, and where the wheel stands when it should lock.',
    };
  if (list.every((x) => x.heard <= 2))
    return {
      kind: 'always few',
      words:
        control === 'rack'
          ? 'One or two whatever the hour: the rack does not fall. Look for oil on it, a bent tail, or a weak spring.'
          : 'One or two whatever the hour: the count lever drops at once. Look at its depth in the count wheel.',
    };
  if (wrong.every((x) => x.heard === 0))
    return {
      kind: 'misses',
      words:
        `Silent at ${wrong.map((x) => x.hand).join(', ')}, right else: the release is too short there, ` +
        'or the warning run too little.',
    };
  const offsets = list.map((x) => (((x.heard - x.hand) % 12) + 12) % 12);
  if (offsets.every((o) => o === offsets[0])) {
    const by = offsets[0]!;
    const back = by > 6 ? by - 12 : by;
    return control === 'count wheel'
      ? {
          kind: 'offset',
          by: back,
          words:
            `Always ${Math.abs(back)} too ` +
            (back > 0 ? 'many' : 'few') +
            `: the count is out of step. Trip it ${counted(12 - by, 'time')}, or set the hour hand ` +
            `${counted(by, 'hour')} on.`,
        }
      : {
          kind: 'offset',
          by: back,
          words:
            `Always ${Math.abs(back)} too ` +
            (back > 0 ? 'many' : 'few') +
            ': the hour hand or the snail sits wrong. Set the hour hand ' +
            (back > 0 ? 'on' : 'back') +
            ` by ${Math.abs(back)}, the tail resting mid-step.`,
        };
  }
  return {
    kind: 'random',
    words:
      control === 'rack'
        ? 'No rule in it: the rack tail lands on the edge of a step, a tooth is worn, or the gathering ' +
          'pallet slips. Look at the tail on each step, hands at the hour.'
        : 'No rule in it: the warning run is too short or too long, or a lever sticks. Look at it let ' +
          'off by hand, slowly.',
  };
}

/** Judges four quarters heard in order against 1, 2, 3, 4 changes. A constant turn means the drum is out of phase. */
export function judgeQuarters(changes: readonly number[]): { outOfPhaseBy: number | null; right: boolean } {
  ensure(
    changes.length === 4 && changes.every((c) => c >= 1 && c <= 4),
    'changes',
    'Changes heard at a quarter, a half, three quarters and the hour.',
  );
  for (let by = 0; by < 4; by++)
    if (changes.every((c, i) => c === ((i + by) % 4) + 1))
      return { outOfPhaseBy: by === 0 ? null : by, right: by === 0 };
  return { outOfPhaseBy: null, right: false };
}
