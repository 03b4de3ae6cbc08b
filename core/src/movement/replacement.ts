import { counted } from '../units/index.ts';
import { drivenBy, has, hasTrain, isSpring, type Traits } from './traits.ts';

/** A whole movement that takes another's place, as a route of checks. Practice. */
export const REPLACEMENT_PARTS = ['match', 'moves over', 'comes off', 'before it goes in'] as const;
export type ReplacementPart = (typeof REPLACEMENT_PARTS)[number];
export const CHECK_ANSWERS = ['yes', 'no', 'not here'] as const;
export type CheckAnswer = (typeof CHECK_ANSWERS)[number];
export const OLD_MOVEMENT_FATES = [
  'returned to the owner',
  'kept as a donor',
  'reconditioned into stock',
  'scrapped',
] as const;
export type OldMovementFate = (typeof OLD_MOVEMENT_FATES)[number];

export interface ReplacementCheck {
  id: string;
  part: ReplacementPart;
  asks: string;
  caution?: string;
}

/** How the springs of the new movement stand. */
const SPRINGS_FIRST = 'springs';

type Answers = Readonly<Record<string, { answer: CheckAnswer; note: string }>>;

/**
 * Why a point cannot be answered yet: its plates are not reached before somebody says how its springs stand. Null: it
 * can.
 */
export const answeredFirst = (point: string, checks: readonly ReplacementCheck[], answers: Answers): string | null =>
  point === 'one-nut' && checks.some((c) => c.id === SPRINGS_FIRST) && !answers[SPRINGS_FIRST]
    ? 'Say first how its springs stand: a new movement may come wound.'
    : null;

/**
 * What is asked before a new movement goes into an old case, from the traits of the one that comes out. Ids are stable:
 * they are stored.
 * @param oilRule the house rule for a new movement, in words
 */
export function replacementChecks(traits: Traits, oilRule: string): ReplacementCheck[] {
  const strikes = traits.strike !== 'none';
  const chimes = hasTrain(traits, 'chime');
  const of = (part: ReplacementPart, id: string, asks: string, caution?: string): ReplacementCheck => ({
    id,
    part,
    asks,
    ...(caution ? { caution } : {}),
  });
  return [
    of('match', 'type', 'Type and its suffix are the same, or the maker’s table names this one in its place'),
    of('match', 'made', 'The type is still made, so that the next shop can get it too'),
    of('match', 'shaft', 'Hand shaft: length past the dial, thread and shape'),
    of('match', 'holes', 'Winding and fixing holes stand where the dial and the case have theirs'),
    traits.oscillator === 'pendulum' &&
      of('match', 'pendulum', 'Pendulum: the same length and hook, or a new one comes with it'),
    traits.oscillator !== 'pendulum' &&
      of('match', 'no-pendulum', 'No pendulum: it beats by itself as the old one did'),
    chimes && of('match', 'chime', 'Chime: the same rods, hammers and tunes, and the hammers reach them'),
    strikes && of('match', 'strike', 'Strike: the hammer falls on the same bell, rod or gong'),
    of('moves over', 'posts', 'Posts, feet and brackets'),
    of('moves over', 'hand-nut', 'Nut and washers of the hands'),
    has(traits, 'suspension spring') && of('moves over', 'suspension', 'Suspension, if it is the better one'),
    has(traits, 'selector lever') && of('moves over', 'selector', 'Selector or silent lever'),
    (strikes || chimes) && of('moves over', 'hammers', 'Hammers, or their heads'),
    of('comes off', 'transit', 'Transit locks and ties'),
    has(traits, 'moon work') &&
      of('comes off', 'moon-stub', 'Any stub that fouls the moon dial: turn the moon by hand through its whole round'),
    has(traits, 'calendar work') && of('comes off', 'calendar-stub', 'Any stub that fouls the calendar work'),
    has(traits, 'lacquered plates') && of('comes off', 'lacquer', 'Lacquer that ran into a hole'),
    drivenBy(traits, isSpring) &&
      of(
        'before it goes in',
        SPRINGS_FIRST,
        'Its springs are let down or held. No: say why they stay wound',
        'A new movement may come with its springs set up: this before any nut is touched.',
      ),
    of(
      'before it goes in',
      'one-nut',
      'If its plates were opened: one pillar nut at a time was loosened and set again',
    ),
    of('before it goes in', 'oil', `Oil by house rule: ${oilRule}`),
    of('before it goes in', 'runs', 'It runs on the bench, strikes and chimes before it goes into its case'),
  ].filter((c): c is ReplacementCheck => c !== false);
}

/** Answered no, it wants words: how it is met all the same, or why the springs stay wound. */
export const wantsWords = ({ id, part }: ReplacementCheck, answer: CheckAnswer | undefined): boolean =>
  answer === 'no' && (part === 'match' || id === SPRINGS_FIRST);

/** Work under the dial that is the clock's: it stays with the dial, and the new movement drives it. Practice. */
export const DIAL_WORK = ['moon work', 'calendar work', 'selector lever', 'moving figure'] as const;
export type DialWork = (typeof DIAL_WORK)[number];
/** What of it this movement has. */
export const dialWorkOf = (traits: Traits): DialWork[] => DIAL_WORK.filter((w) => has(traits, w));

/** What still stands in the way: checks without an answer, and matches that were answered no. */
export function replacementObstacles(checks: readonly ReplacementCheck[], answers: Answers): string[] {
  const open = checks.filter((c) => !answers[c.id]);
  const wrong = checks.filter((c) => wantsWords(c, answers[c.id]?.answer) && answers[c.id]!.note.trim() === '');
  return [
    ...(open.length > 0 ? [`${counted(open.length, 'point is', 'points are')} not answered`] : []),
    ...wrong.map((c) => `“${c.asks}” is answered no: say how it is met`),
  ];
}
