import { has, type Traits } from '../movement/index.ts';
import { counted } from '../units/index.ts';
import { judgeQuarters, judgeStrike, type StrikeVerdict } from './judge.ts';

/** What was heard: `h3` at three, `p3` at half past three, `q1` … `q4` at the quarters (changes of a quarter). */
export interface HeardMark {
  mark: string;
  heard: number;
}

export const HOURS = Array.from({ length: 12 }, (_, i) => i + 1);

/** The places of the dial where something is to be heard, in the order in which they come. */
export function dialMarks(traits: Traits, halves: boolean): string[] {
  if (traits.strike === 'none') return [];
  const quarters = has(traits, 'chime drum') ? ['q1', 'q2', 'q3', 'q4'] : [];
  return [...HOURS.flatMap((h) => (halves ? [`h${h}`, `p${h}`] : [`h${h}`])), ...quarters];
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
  random: 'wrong-random',
  'always few': 'far-too-few',
  'run-on': 'runs-on',
  misses: 'misses-strike',
};

/** Judges all that was heard round the dial. Hours from three on, quarters when all four are there. */
export function judgeDial(traits: Traits, heard: readonly HeardMark[]): DialVerdict {
  const of = new Map(heard.map((x) => [x.mark, x.heard]));
  const list = HOURS.flatMap((hand) => (of.has(`h${hand}`) ? [{ hand, heard: of.get(`h${hand}`)! }] : []));
  const hours = list.length >= 3 ? judgeStrike(list, traits.strike === 'rack' ? 'rack' : 'count wheel') : null;
  const halves = judgeHalves(HOURS.flatMap((h) => (of.has(`p${h}`) ? [{ hour: h, heard: of.get(`p${h}`)! }] : [])));
  const changes = [1, 2, 3, 4].map((q) => of.get(`q${q}`));
  const quarters = changes.every((c) => c !== undefined) ? judgeChanges(changes) : null;
  const symptoms = [hours && SYMPTOM[hours.kind], quarters && !quarters.right ? 'quarters-order' : null].filter(
    (s): s is string => s !== null,
  );
  return {
    hours,
    halves,
    quarters,
    symptoms: [...new Set(symptoms)],
    right: hours?.kind === 'right' && halves?.right !== false && quarters?.right !== false,
  };
}

function judgeHalves(list: readonly { hour: number; heard: number }[]): DialVerdict['halves'] {
  if (list.length < 3) return null;
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

function judgeChanges(changes: readonly number[]): DialVerdict['quarters'] {
  if (changes.some((c) => c < 1 || c > 4))
    return { right: false, words: 'A quarter is silent or runs on: the locking of the chime, before its phase.' };
  const { right, outOfPhaseBy } = judgeQuarters(changes);
  if (right) return { right, words: 'Each quarter plays its own phrase.' };
  return {
    right,
    words:
      outOfPhaseBy === null
        ? 'Not a matter of phase: the locking or the self-correction is at fault.'
        : `${counted(outOfPhaseBy, 'quarter')} ahead of the hand: re-phase the drum against its ` +
          'release, then hear all four again.',
  };
}
