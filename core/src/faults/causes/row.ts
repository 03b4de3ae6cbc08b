import type { Purpose, SourceKind, Train, Traits } from '../../movement/index.ts';
import { SYMPTOM_IDS, type SymptomId } from '../symptoms.ts';

/** How often a symptom shows when the cause is there. Starting values, practice: H about 0.8, M 0.4, L 0.1. */
export const LIKELIHOOD = { H: 0.8, M: 0.4, L: 0.1 } as const;
export type Grade = keyof typeof LIKELIHOOD;
/** How often a clock that comes in has the cause. House rule. */
export const PRIOR = { common: 0.15, usual: 0.05, rare: 0.01 } as const;
/** How far the clock must be taken down for a look. */
export const LEVELS = ['watch and listen', 'hands or dial off', 'movement out', 'power down and plates apart'] as const;
export type Level = 0 | 1 | 2 | 3;

export interface Cause {
  id: string;
  name: string;
  prior: keyof typeof PRIOR;
  /** What can have it: the movement once, each of its trains, or each of its sources of power. */
  of: 'movement' | 'train' | 'source';
  /** Which movements can have it, which of their trains, or which of their sources. */
  applies: (t: Traits, part?: Train | SourceKind) => boolean;
  shows: Partial<Record<SymptomId, Grade>>;
  look: { what: string; minutes: number; level: Level };
  remedy: string;
}

export type Row = readonly [
  id: string,
  name: string,
  prior: keyof typeof PRIOR,
  shows: string,
  look: string,
  minutes: number,
  level: Level,
  remedy: string,
];

/** "stops-hours M, dead L" as the table says it. @throws Error naming the row when a symptom or a grade is not known */
export function readShows(id: string, text: string): Cause['shows'] {
  return Object.fromEntries(
    text.split(', ').map((part): [string, keyof typeof LIKELIHOOD] => {
      const [symptom, grade, ...rest] = part.split(' ');
      if (!SYMPTOM_IDS.includes(symptom as SymptomId) || !(grade! in LIKELIHOOD) || rest.length > 0)
        throw new Error(`cause ${id}: "${part}" is not a symptom with H, M or L`);
      return [symptom!, grade as keyof typeof LIKELIHOOD];
    }),
  );
}

const build =
  (of: Cause['of']) =>
  (applies: Cause['applies'], rows: readonly Row[]): Cause[] =>
    rows.map(([id, name, prior, shows, what, minutes, level, remedy]) => ({
      id,
      name,
      prior,
      of,
      applies,
      shows: readShows(id, shows),
      look: { what, minutes, level },
      remedy,
    }));

/** Causes that a movement has once. */
export const ofMovement = build('movement');
/** Causes that each train may have: what they show is told of the going train, and translated for the others. */
export const ofEachTrain = build('train') as (
  applies: (t: Traits, train: Train) => boolean,
  rows: readonly Row[],
) => Cause[];
/** Causes that each source of power may have: they show in every train that it drives. */
export const ofEachSource = build('source') as (
  applies: (t: Traits, kind: SourceKind) => boolean,
  rows: readonly Row[],
) => Cause[];

/** How a trouble of another train than the going one shows itself; what is not named does not show. */
export const SHOWN_BY_TRAIN: Record<Exclude<Purpose, 'going'>, Partial<Record<SymptomId, SymptomId>>> = {
  strike: {
    dead: 'no-strike',
    'stops-hours': 'misses-strike',
    'stops-late': 'strikes-slow',
    'small-swing': 'strikes-slow',
    'stops-place': 'misses-strike',
    'misses-strike': 'misses-strike',
    'wrong-random': 'wrong-random',
    'repeater-uneven': 'repeater-uneven',
    'wont-stay-wound': 'wont-stay-wound',
  },
  chime: {
    dead: 'no-chime',
    'stops-hours': 'no-chime',
    'stops-place': 'no-chime',
    'wont-stay-wound': 'wont-stay-wound',
  },
  alarm: { dead: 'alarm-fails', 'stops-hours': 'alarm-fails', 'wont-stay-wound': 'wont-stay-wound' },
  music: { dead: 'no-chime', 'stops-hours': 'no-chime', 'wont-stay-wound': 'wont-stay-wound' },
  print: {},
  figure: {},
};
/** Told in the table of a strike train, and not shown by the going one. */
export const ONLY_BY_STRIKE: readonly SymptomId[] = ['misses-strike', 'wrong-random', 'repeater-uneven'];
