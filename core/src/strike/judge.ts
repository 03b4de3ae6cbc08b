import { counted, ensure } from '../units/index.ts';
import { watchBells } from './sequences.ts';

export interface Heard {
  /** Hour that the hand shows, 1 to 12. */
  hand: number;
  /** Blows counted; 0 is silence. */
  heard: number;
}

export type StrikeVerdict =
  | { kind: 'right'; words: string }
  | { kind: 'offset'; by: number; words: string }
  | { kind: 'tail'; by: number; words: string }
  | { kind: 'always few'; words: string }
  | { kind: 'run-on'; words: string }
  | { kind: 'misses'; words: string }
  | { kind: 'random'; words: string };

export const CONTROLS = ['count wheel', 'rack', 'ship bells'] as const;
export type Control = (typeof CONTROLS)[number];
/** Whether a blow at the half comes off the count itself, from a lever of its own, or there is none. */
export const HALVES = ['not known', 'none', 'on the count', 'by a lever of their own'] as const;
export type Halves = (typeof HALVES)[number];

/** A run-on goes past any hour. */
const MOST_BLOWS = 12;
/** A bent tail is out by a step or two. Practice. */
const MOST_STEPS = 4;

/** Blows at an hour that the hand shows, 1 to 12. */
export const wantedBlows = (hand: number, control: Control): number =>
  control === 'ship bells' ? watchBells(2 * hand) : hand;

/**
 * What a list of hours and blows says. The count is compared round a dial of twelve: always ahead or behind by the same
 * number is a matter of setting, everything else of a lever, a tail or a warning run. Bells of the watch are compared
 * round their eight. Practice.
 * @throws Outside for fewer than three hours: two can agree by chance
 */
export function judgeStrike(list: readonly Heard[], control: Control, halves: Halves = 'not known'): StrikeVerdict {
  ensure(list.length >= 3, 'heard', 'At least three hours, better all twelve.');
  for (const { hand, heard } of list)
    ensure(
      Number.isInteger(hand) && hand >= 1 && hand <= 12 && Number.isInteger(heard) && heard >= 0,
      'heard',
      'Hours from 1 to 12, and whole blows.',
    );
  const wrong = list.filter((x) => x.heard !== wantedBlows(x.hand, control));
  if (wrong.length === 0)
    return {
      kind: 'right',
      words:
        list.length < 12
          ? `Right in all ${list.length} hours heard. Hear the rest of the twelve.`
          : 'Right in all twelve hours.',
    };
  const constant = wrongByOneNumber(list, control, halves);
  if (constant) return constant;
  if (list.some((x) => x.heard > MOST_BLOWS))
    return {
      kind: 'run-on',
      words:
        'It runs on past twelve: the locking does not hold. Look at the locking lever or piece, its ' +
        'spring, and where the wheel stands when it should lock.',
    };
  if (control !== 'ship bells' && list.every((x) => x.heard <= 2)) return { kind: 'always few', words: FEW[control] };
  if (wrong.every((x) => x.heard === 0))
    return {
      kind: 'misses',
      words:
        `Silent at ${wrong.map((x) => x.hand).join(', ')}, right otherwise: the release is too short there, ` +
        'or the warning run too little.',
    };
  return {
    kind: 'random',
    words:
      control === 'rack'
        ? 'No pattern: the rack tail lands on the edge of a step, a tooth is worn, or the gathering ' +
          'pallet slips. Look at the tail on each step, hands at the hour.'
        : 'No pattern: the warning run is too short or too long, or a lever sticks. Look at it let ' +
          'off by hand, slowly.',
  };
}

const FEW = {
  rack: 'One or two whatever the hour: the rack does not fall. Look for oil on it, a bent tail, or a weak spring.',
  'count wheel':
    'One or two whatever the hour. Hear the halves: if the hour comes there, it is half an hour out, and tripping it ' +
    'once cures it. If not, the count lever drops at once: look at its depth in the count wheel.',
} as const;

const tooMany = (by: number): string => `${Math.abs(by)} too ${by > 0 ? 'many' : 'few'}`;

/** Wrong by the same number at all hours, round the dial or along it; null where there is no such number. */
function wrongByOneNumber(list: readonly Heard[], control: Control, halves: Halves): StrikeVerdict | null {
  const around = control === 'ship bells' ? 8 : 12;
  const offsets = list.map((x) => (((x.heard - wantedBlows(x.hand, control)) % around) + around) % around);
  // Silence has no place on the dial, nor has what goes past it.
  const onDial = list.every((x) => x.heard >= 1 && x.heard <= around) && offsets.every((o) => o === offsets[0]);
  const by = offsets[0]! > around / 2 ? offsets[0]! - around : offsets[0]!;
  if (control === 'rack') return wrongByTail(list, onDial ? by : null);
  if (!onDial) return null;
  const trips = around - offsets[0]!;
  if (control === 'ship bells')
    return {
      kind: 'offset',
      by,
      words: `The watch is out: always ${tooMany(by)}. Trip it ${counted(trips, 'time')}, a half-hour each.`,
    };
  const often = {
    none: counted(trips, 'time'),
    'by a lever of their own': counted(trips, 'time'),
    'on the count': counted(2 * trips, 'time'),
    'not known': `${counted(trips, 'time')}, or ${2 * trips} where the blow of the half is on the wheel too`,
  }[halves];
  return {
    kind: 'offset',
    by,
    words:
      `Always ${tooMany(by)}: the count is out of step. Trip it ${often}; or set the hour hand ` +
      `${counted(offsets[0]!, 'hour')} on.`,
  };
}

/**
 * A rack counts along the snail: a bent tail is wrong by the same number at all hours, thirteen at twelve or silence at
 * one. An hour hand or snail in the wrong place is wrong round the dial: one at twelve.
 */
function wrongByTail(list: readonly Heard[], round: number | null): StrikeVerdict | null {
  const steps = list.map((x) => x.heard - x.hand);
  const along = steps.every((s) => s === steps[0]) && Math.abs(steps[0]!) <= MOST_STEPS ? steps[0]! : null;
  if (round === null && along === null) return null;
  const hand =
    `the hour hand or the snail sits wrong. Set the hour hand ${(round ?? 0) > 0 ? 'on' : 'back'} by ` +
    `${Math.abs(round ?? 0)}, the tail resting mid-step.`;
  if (along === null) return { kind: 'offset', by: round!, words: `Always ${tooMany(round!)}: ${hand}` };
  const tail = 'the rack tail is bent. Set the tail; not the hand.';
  if (round === null) return { kind: 'tail', by: along, words: `${tooMany(along)} at every hour: ${tail}` };
  const tells = along > 0 ? 12 : 1;
  return {
    kind: 'offset',
    by: along,
    words:
      `Always ${tooMany(along)} so far. Hear ${tells} o’clock: if it gives ` +
      `${along > 0 ? `${12 + along}, ${tail}` : `less than one, ${tail}`} ` +
      `If it gives ${along > 0 ? along : 12 + along + 1}, ${hand}`,
  };
}

/**
 * Judges four quarters heard in order against 1, 2, 3, 4 changes. How many are played comes from the locking plate: a
 * constant turn means that the plate, its release or the minute hand is out of step. Which are played comes from the
 * drum. Practice.
 */
export function judgeQuarters(changes: readonly number[]): { outOfStepBy: number | null; right: boolean } {
  ensure(
    changes.length === 4 && changes.every((c) => c >= 1 && c <= 4),
    'changes',
    'Changes heard at a quarter, a half, three quarters and the hour.',
  );
  for (let by = 0; by < 4; by++)
    if (changes.every((c, i) => c === ((i + by) % 4) + 1))
      return { outOfStepBy: by === 0 ? null : by, right: by === 0 };
  return { outOfStepBy: null, right: false };
}
