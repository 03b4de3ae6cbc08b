import { useAppState, type Conflict } from './app-state.ts';

type Fields = Readonly<Record<string, unknown>>;

interface Given {
  what: string;
  mine: Fields;
  theirs: Fields;
  /** What the fields are called. */
  labels: Readonly<Record<string, string>>;
  /** How a field that is no word or number is said. */
  words?: Readonly<Record<string, (value: unknown) => string>>;
}

/** Two people changed one thing: shows what differs, and asks which to keep. */
export function chooseOne(
  { what, mine, theirs, labels, words = {} }: Given,
  keep: Record<'mine' | 'theirs', () => void>,
) {
  const inWords = (name: string, of: Fields) => (words[name] ?? shown)(of[name]);
  const fields: Conflict['fields'] = Object.keys(mine)
    .map((name) => ({ name, label: labels[name] ?? name, mine: inWords(name, mine), theirs: inWords(name, theirs) }))
    .filter(({ name, mine: m, theirs: t }) => name !== 'version' && m !== t);
  const close = (then: () => void) => () => {
    useAppState.getState().set({ conflict: null });
    then();
  };
  useAppState.getState().set({
    conflict: { what, fields, keepMine: close(keep.mine), takeTheirs: close(keep.theirs) },
  });
}

/** A value as the choice between two versions says it. */
function shown(value: unknown): string {
  if (value === null || value === undefined || value === '') return '—';
  if (typeof value === 'boolean') return value ? 'yes' : 'no';
  if (Array.isArray(value)) return value.map(shown).join(', ');
  if (typeof value === 'object') return Object.values(value).map(shown).join(', ');
  return typeof value === 'string' ? value : JSON.stringify(value);
}
