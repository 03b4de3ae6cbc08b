import { sourceName, type Traits } from '../movement/index.ts';
import { Outside } from '../units/index.ts';
import { kindOfEntry, type Field, type TableKindId } from './kinds.data.ts';

export type Values = Readonly<Record<string, string | number | null>>;
/** An entry whose fields stand in the table of kinds. */
export interface TableTest {
  kind: TableKindId;
  values: Values;
}

/** What was last entered of a kind, or null. */
export const last = (tests: readonly TableTest[], kind: TableKindId): Values | null =>
  tests.findLast((t) => t.kind === kind)?.values ?? null;

/** All that was entered of a kind, the oldest first. */
export const valuesOf = (tests: readonly TableTest[], kind: TableTest['kind']): Values[] =>
  tests.filter((t) => t.kind === kind).map((t) => t.values);
/** A figure of an entry, or null. */
export const figure = (v: Values | null | undefined, id: string): number | null =>
  typeof v?.[id] === 'number' ? v[id] : null;

/** The longest remark. */
const LONGEST = 200;

/** What is wrong with what was entered, by its field. Empty: nothing. */
export function wrongIn({ kind, values }: TableTest): { field: string; message: string }[] {
  const { fields } = kindOfEntry(kind);
  const empty = fields.every((f) => (values[f.id] ?? '') === '');
  if (empty) return [{ field: fields[0]!.id, message: 'One of these.' }];
  const unknown = Object.keys(values).filter((id) => !fields.some((f) => f.id === id));
  return [
    ...unknown.map((field) => ({ field, message: 'This is not asked here.' })),
    ...fields.flatMap((f) => {
      const message = wrongWith(f, values[f.id] ?? null);
      return message === null ? [] : [{ field: f.id, message }];
    }),
  ];
}

function wrongWith(f: Field, value: string | number | null): string | null {
  if (value === null || value === '') return f.needed ? 'This is needed.' : null;
  if (f.type === 'number') {
    if (typeof value !== 'number' || !Number.isFinite(value)) return 'A number.';
    const [from, to] = [f.from ?? -Infinity, f.to ?? Infinity];
    return value < from || value > to ? `Between ${from} and ${to}${f.unit ? ` ${f.unit}` : ''}.` : null;
  }
  if (typeof value !== 'string') return 'Words.';
  if (f.of && !f.of.includes(value)) return 'One of those offered.';
  return value.length > LONGEST ? `At most ${LONGEST} letters.` : null;
}

/** @throws Outside at the first field that is wrong */
export function mayEnter(test: TableTest): void {
  const [first] = wrongIn(test);
  if (first) throw new Outside(first.field, first.message);
}

/**
 * One entry in words, for the bench and for the book: what was said, in the order that it was asked.
 * @param traits whose sources are called by their names
 */
export function tableWords({ kind, values }: TableTest, traits: Traits): string {
  const { name, fields } = kindOfEntry(kind);
  const said = fields.flatMap((f) => {
    const value = values[f.id] ?? null;
    if (value === null || value === '') return [];
    if (f.type === 'source') {
      const source = traits.sources.find((s) => s.id === value);
      return [source ? sourceName(traits, source) : String(value)];
    }
    if (f.as) return [f.as.replace('{}', String(value))];
    const label = f.label.charAt(0).toLowerCase() + f.label.slice(1);
    if (f.type === 'text') return [f.id === 'by' ? `by ${value}` : String(value)];
    return [`${label} ${value}${f.unit ? ` ${f.unit}` : ''}`];
  });
  return `${name}: ${said.join(', ')}`;
}

/** Words a person typed into it. */
export const typedIn = ({ kind, values }: TableTest): string[] =>
  kindOfEntry(kind).fields.flatMap((f) => (f.type === 'text' && values[f.id] ? [String(values[f.id])] : []));
