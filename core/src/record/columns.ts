/**
 * What a column of a section holds. `word`: Eclat’s own, the name of who worked, or what stands elsewhere too;
 * `text`: typed by a person, so that an owner’s word may stand in it; `values`: figures and words of Eclat’s by name;
 * `noted`: with typed ones among them.
 */
interface Held {
  word: string | null;
  words: readonly string[];
  text: string;
  texts: readonly string[];
  figure: number | null;
  flag: boolean | null;
  moment: string | null;
  values: Readonly<Record<string, unknown>>;
  noted: Readonly<Record<string, unknown>>;
}

export type HeldAs = keyof Held;

export interface Column {
  is: HeldAs;
  /** Said before the value; of a flag: what is said where it is so. Empty: the value speaks for itself. */
  label: string;
  /** Of a figure. */
  unit?: string;
  /** Of a flag: what is said where it is not so. */
  not?: string;
}

const column =
  <Is extends HeldAs>(is: Is) =>
  (label = '') =>
    ({ is, label }) as const;

export const word = column('word');
export const words = column('words');
export const text = column('text');
export const texts = column('texts');
export const moment = column('moment');
export const values = column('values');
export const noted = column('noted');
export const figure = (label = '', unit = '') => ({ is: 'figure', label, unit }) as const;
export const flag = (label: string, not = '') => ({ is: 'flag', label, not }) as const;
/** On what was done by somebody, some day. */
export const signed = { by: word('by'), at: moment() } as const;

/** A list of one sort of fact. The first column leads. */
export interface Table {
  title: string;
  /** Where a word of the owner is found: “a finding”. */
  where: string;
  columns: Readonly<Record<string, Column>>;
}

export const table = <const C extends Table['columns']>(title: string, where: string, columns: C) => ({
  ...{ title, where, columns },
});

export type RowOf<T extends Table> = { readonly [K in keyof T['columns']]: Held[T['columns'][K]['is']] };

/** A row as it stands in a record: what was not said is not there. */
export type KeptRow = Record<string, unknown>;

const isSaid = (value: unknown): boolean => {
  if (value === null || value === undefined || value === '') return false;
  return typeof value !== 'object' || Object.keys(value).length > 0;
};

/** Of each row the columns of the table, as far as something is said. */
export function keepRows<T extends Table>({ columns }: T, rows: readonly RowOf<T>[]): KeptRow[] {
  return rows.map((row) => {
    const of = row as Readonly<Record<string, unknown>>;
    return Object.fromEntries(Object.keys(columns).flatMap((name) => (isSaid(of[name]) ? [[name, of[name]]] : [])));
  });
}

/** Rows of a list in a section, as far as there are any: a stranger’s may hold anything. */
export function rowsIn(section: unknown, list: string): KeptRow[] {
  const rows = (section as Record<string, unknown> | null | undefined)?.[list];
  return Array.isArray(rows)
    ? (rows as unknown[]).filter((r): r is KeptRow => typeof r === 'object' && r !== null)
    : [];
}

/** What a row says in words under a name; empty where it says none. */
export const wordIn = (row: KeptRow, name: string): string => (typeof row[name] === 'string' ? row[name].trim() : '');
