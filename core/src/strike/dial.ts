import { has, type Traits } from '../movement/index.ts';
import { counted } from '../units/index.ts';
import { judgeQuarters, judgeStrike, wantedBlows, type Control, type StrikeVerdict } from './judge.ts';
import { watchBells } from './sequences.ts';

/**
 * What was heard: `h3` at three, `p3` at half past, `q1` … `q4` at the quarters (changes of a quarter), `f1` … `f4`
 * whether the phrases of that quarter are its own: 1, or 0.
 */
export interface HeardMark {
  mark: string;
  heard: number;
}

export const HOURS = Array.from({ length: 12 }, (_, i) => i + 1);
const QUARTERS = [1, 2, 3, 4] as const;

const controlOf = (traits: Traits): Control => (traits.strike === 'none' ? 'count wheel' : traits.strike);

/**
 * The places of the dial where something is to be heard, in the order in which they come. Bells of the watch have their
 * halves. Phrases are asked when each quarter plays as many changes as it should: before that they say nothing.
 */
export function dialMarks(traits: Traits, halves: boolean, heard: readonly HeardMark[] = []): string[] {
  if (traits.strike === 'none') return [];
  const drum = has(traits, 'chime drum');
  const withHalves = halves || traits.strike === 'ship bells';
  return [
    ...HOURS.flatMap((h) => (withHalves ? [`h${h}`, `p${h}`] : [`h${h}`])),
    ...(drum ? QUARTERS.map((q) => `q${q}`) : []),
    ...(drum && numbersRight(heard) ? QUARTERS.map((q) => `f${q}`) : []),
  ];
}

const numbersRight = (heard: readonly HeardMark[]): boolean =>
  QUARTERS.every((q) => heard.some((x) => x.mark === `q${q}` && x.heard === q));

/** What should be heard there: blows, changes, or 1 for phrases of its own. */
export function wantedAt(traits: Traits, mark: string): number {
  const n = Number(mark.slice(1));
  if (mark.startsWith('h')) return wantedBlows(n, controlOf(traits));
  if (mark.startsWith('p')) return traits.strike === 'ship bells' ? watchBells(2 * n + 1) : 1;
  return mark.startsWith('q') ? n : 1;
}

export interface DialVerdict {
  /** Null while too few are heard. */
  hours: StrikeVerdict | null;
  halves: { right: boolean; words: string } | null;
  quarters: { right: boolean; words: string } | null;
  /** What it amounts to as a symptom of the table of faults. */
  symptoms: string[];
  right: boolean;
}

const SYMPTOM: Record<StrikeVerdict['kind'], string | null> = {
  right: null,
  offset: 'wrong-constant',
  tail: 'wrong-linear',
  random: 'wrong-random',
  'always few': 'far-too-few',
  'run-on': 'runs-on',
  misses: 'misses-strike',
};

/** Judges all that was heard round the dial. Hours from three on, quarters when all four are there. */
export function judgeDial(traits: Traits, heard: readonly HeardMark[]): DialVerdict {
  const of = new Map(heard.map((x) => [x.mark, x.heard]));
  const at = (letter: string) =>
    HOURS.flatMap((hour) => (of.has(letter + hour) ? [{ hour, heard: of.get(letter + hour)! }] : []));
  const control = controlOf(traits);
  const list = at('h').map((x) => ({ hand: x.hour, heard: x.heard }));
  const wrongHalf = control === 'count wheel' && halfAnHourOut(at('h'), at('p'));
  const struck = list.length >= 3 ? judgeStrike(list, control, at('p').length >= 3 ? 'not known' : 'none') : null;
  const hours: StrikeVerdict | null = wrongHalf ? { kind: 'offset', by: 0, words: HALF_OUT } : struck;
  const halves = wrongHalf ? null : judgeHalves(traits, at('p'));
  const quarters = judgeChime(of);
  const symptoms = [
    wrongHalf ? 'half-hour-out' : hours && SYMPTOM[hours.kind],
    quarters && !quarters.right ? quarters.symptom : null,
  ].filter((s): s is string => s !== null);
  return {
    hours,
    halves,
    quarters,
    symptoms: [...new Set(symptoms)],
    right: hours?.kind === 'right' && halves?.right !== false && quarters?.right !== false,
  };
}

const HALF_OUT = 'One blow at each hour, and the hour at each half: the count is half an hour out. Trip it once.';

/** One blow at each hour heard, and the hour just gone or to come at each half; two of each at least. */
function halfAnHourOut(hours: readonly HourHeard[], halves: readonly HourHeard[]): boolean {
  const told = hours.filter((x) => x.hour !== 1);
  return (
    told.length >= 2 &&
    hours.every((x) => x.heard === 1) &&
    halves.length >= 2 &&
    halves.some((x) => x.heard !== 1) &&
    [0, 1].some((to) => halves.every((x) => x.heard === ((x.hour - 1 + to) % 12) + 1))
  );
}

interface HourHeard {
  hour: number;
  heard: number;
}

function judgeHalves(traits: Traits, list: readonly HourHeard[]): DialVerdict['halves'] {
  if (list.length < 3) return null;
  if (traits.strike === 'ship bells') {
    const off = list.filter((x) => x.heard !== wantedAt(traits, `p${x.hour}`)).map((x) => x.hour);
    if (off.length === 0) return { right: true, words: 'The bells of the watch at each half.' };
    return { right: false, words: `At half past ${off.join(', ')} it does not give the bells of the watch.` };
  }
  if (list.every((x) => x.heard === 1)) return { right: true, words: 'One blow at each half.' };
  if (list.every((x) => x.heard === 0))
    return { right: false, words: 'Silent at every half: its lifting pin does not reach, or it has none.' };
  // Some repeat the hour at the half; the hour just gone, or the one to come.
  for (const [to, words] of [
    [0, 'It repeats the hour at the half.'],
    [1, 'It gives the coming hour at the half.'],
  ] as const)
    if (list.every((x) => x.heard === ((x.hour - 1 + to) % 12) + 1)) return { right: true, words };
  const odd = list.filter((x) => x.heard !== 1).map((x) => x.hour);
  return {
    right: false,
    words:
      `At half past ${odd.join(', ')} it is not one blow: the passing strike shares its lever with the ` +
      'count, look how far that drops.',
  };
}

/** The number of changes first, from the locking plate; then, when that is right, the phrases, from the drum. */
function judgeChime(of: ReadonlyMap<string, number>): (DialVerdict['quarters'] & { symptom: string }) | null {
  const changes = QUARTERS.map((q) => of.get(`q${q}`)).filter((c) => c !== undefined);
  if (changes.length < 4) return null;
  const symptom = 'quarters-order';
  if (changes.some((c) => c < 1 || c > 4))
    return { right: false, symptom, words: 'A quarter is silent or runs on: the locking of the chime comes first.' };
  const { right, outOfStepBy } = judgeQuarters(changes);
  if (!right) return { right, symptom, words: outOfStep(outOfStepBy) };
  const phrases = QUARTERS.map((q) => of.get(`f${q}`));
  if (phrases.includes(0))
    return {
      right: false,
      symptom: 'wrong-phrases',
      words:
        'The right number of changes, but not their own phrases: the drum is out of phase with its locking plate. ' +
        'Re-phase the drum, then hear all four again.',
    };
  return {
    right,
    symptom,
    words: phrases.every((p) => p === 1)
      ? 'Each quarter plays its own phrases.'
      : 'Each quarter plays as many changes as it should. Does each begin as it should?',
  };
}

/** What a wrong number of changes says; the drum is left alone until the number is right. */
export const outOfStep = (by: number | null): string =>
  by === null
    ? 'The numbers are in no order: the locking or the self-correction is at fault.'
    : `${counted(by, 'quarter')} ahead of the hand: the locking plate or its release is out of step. Put the minute ` +
      `hand ${counted(by, 'square')} on, or re-set the plate, and free the self-correction; leave the drum alone.`;
