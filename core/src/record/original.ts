import { byDate } from '../history/index.ts';
import { rowsIn, wordIn, type KeptRow } from './columns.ts';

/** What a hole is, as far as entries tell. A hole that was bushed is never as made again: the last of these counts. */
export const HOLE_STATES = ['not known', 'as made', 'punched', 'later bush'] as const;
export type HoleState = (typeof HOLE_STATES)[number];

/** What the survey calls the past of a hole. A bush of the factory, and a jewel, are as made. */
const OF_PAST = new Map(
  Object.entries<HoleState>({
    original: 'as made',
    'factory bush': 'as made',
    jewel: 'as made',
    punched: 'punched',
    'later bush': 'later bush',
  }),
);

export interface HoleLeft {
  key: string;
  hole: string;
  state: HoleState;
  /** Of the entry in which the latest bush was fitted; empty: it was there when it was first looked at. */
  date: string;
}

/** Something that is not as it was made, or not there. */
export interface Changed {
  entry: string;
  date: string;
  what: string;
  /** How: “made here”, “new, a guess”, “cannot be undone: filed”. */
  how: string;
}

export interface Original {
  holes: HoleLeft[];
  /** Parts that were put in, the oldest first. */
  parts: Changed[];
  /** Of case, dial and glass: what is not of this clock. */
  clock: Changed[];
  /** Work on parts that stayed, which cannot be undone. */
  work: Changed[];
  missing: Changed[];
}

interface Source {
  id: string;
  date: string;
  sections: Readonly<Record<string, unknown>>;
  record: { bushes: readonly { hole: string }[] } | null;
}

/** Every word that entries say of the state of a hole, by its key or its name. */
function holeFacts(entry: Source): { hole: string; state: HoleState; fitted: boolean }[] {
  const looked = rowsIn(entry.sections['survey'], 'holes').flatMap((row) => {
    const state = OF_PAST.get(wordIn(row, 'past'));
    return state ? [{ hole: wordIn(row, 'hole'), state, fitted: false }] : [];
  });
  const bushed = [...rowsIn(entry.sections['fitting'], 'bushes'), ...(entry.record?.bushes ?? [])];
  return [
    ...looked,
    ...bushed.map((row) => ({ hole: wordIn(row, 'hole'), state: 'later bush' as const, fitted: true })),
  ];
}

function holesLeft(entries: readonly Source[], holes: readonly { key: string; hole: string }[]): HoleLeft[] {
  const left = new Map<string, HoleLeft>(holes.map((h) => [h.hole, { ...h, state: 'not known', date: '' }]));
  for (const entry of entries)
    for (const { hole, state, fitted } of holeFacts(entry)) {
      const known = left.get(hole);
      if (!known) continue;
      if (HOLE_STATES.indexOf(state) > HOLE_STATES.indexOf(known.state)) known.state = state;
      if (fitted && entry.date > known.date) known.date = entry.date;
    }
  return [...left.values()];
}

const said = (...words: string[]): string => words.filter(Boolean).join(', ');

/**
 * What is left of a movement and its clock as they were made, as far as entries tell: nothing is taken for original
 * that nobody looked at. The order of the entries does not matter.
 * @param holes of the movement as it is described, by key and by name
 */
export function originalOf(entries: readonly Source[], holes: readonly { key: string; hole: string }[]): Original {
  const dated = [...entries].sort((a, b) => byDate(a.date, b.date) || (a.id < b.id ? -1 : 1));
  const all = (section: string, list: string, of: (row: KeptRow) => Pick<Changed, 'what' | 'how'> | null): Changed[] =>
    dated.flatMap((entry) =>
      rowsIn(entry.sections[section], list).flatMap((row) => {
        const changed = of(row);
        return changed ? [{ entry: entry.id, date: entry.date, ...changed }] : [];
      }),
    );
  return {
    holes: holesLeft(entries, holes),
    parts: all('fitting', 'parts', (row) => ({
      what: wordIn(row, 'what'),
      how: said(wordIn(row, 'source'), wordIn(row, 'oldPart') && `old part ${wordIn(row, 'oldPart')}`),
    })),
    clock: all('casework', 'tasks', (row) => {
      const origin = wordIn(row, 'origin');
      return origin && origin !== 'of this clock'
        ? { what: said(wordIn(row, 'place'), wordIn(row, 'what')), how: origin }
        : null;
    }),
    work: all('fitting', 'work', (row) =>
      row['reversible'] === false ? { what: wordIn(row, 'part'), how: wordIn(row, 'did') } : null,
    ),
    missing: all('reception', 'wanted', (row) =>
      wordIn(row, 'ended') === '' ? { what: wordIn(row, 'what'), how: wordIn(row, 'evidence') } : null,
    ),
  };
}
