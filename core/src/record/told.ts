import { dateInWords } from '../history/index.ts';
import { sentence } from '../units/index.ts';
import type { Column, KeptRow, Table } from './columns.ts';
import { SECTIONS, type Section, type SectionName } from './sections.data.ts';

/** A list of a section as a person reads it. */
export interface ToldList {
  title: string;
  /** Who wrote the rows and when, where one person wrote several on one day: then no row says it again. */
  by: string;
  rows: { lead: string; rest: string; by: string }[];
}

/** Millimetres as a caliper shows them, to the hundredth; what is finer stays. */
const figureWords = (value: number, unit = ''): string => {
  const short = String(Number(value.toFixed(4)));
  return unit === 'mm' && short.length < value.toFixed(2).length ? value.toFixed(2) : short;
};

/** Names in figures by name: `leanDeg` is “lean deg”. */
const plain = (name: string): string => name.replace(/([a-z])([A-Z])/g, '$1 $2').toLowerCase();

function valueWords(value: unknown): string {
  if (typeof value === 'number') return figureWords(value);
  if (typeof value === 'boolean') return value ? 'yes' : 'no';
  if (Array.isArray(value)) return value.map(valueWords).join(', ');
  if (typeof value === 'object' && value !== null)
    return Object.entries(value)
      .filter(([, v]) => v !== null && v !== '')
      .map(([k, v]) => `${plain(k)} ${valueWords(v)}`)
      .join(', ');
  return typeof value === 'string' ? value : '';
}

/** A day, or a moment to the minute as the shop that wrote it said it: in UTC, so that it reads the same everywhere. */
const momentWords = (at: string): string =>
  at.includes('T') ? `${at.slice(0, 10)} ${at.slice(11, 16)} UTC` : dateInWords(at);

function cellSaid({ is, unit }: Column, value: unknown): string {
  if (is === 'moment' && typeof value === 'string') return momentWords(value);
  return typeof value === 'number' ? figureWords(value, unit) : valueWords(value);
}

/** One value of a row, with its label and unit. Empty: nothing was said. */
export function cellWords(column: Column, value: unknown): string {
  const { is, label } = column;
  if (value === undefined || value === null) return '';
  if (is === 'flag') return (value === true ? label : column.not) ?? '';
  const said = cellSaid(column, value);
  if (said === '') return '';
  const unit = column.unit ? `\u00a0${column.unit}` : '';
  return [label, said + (column.unit === '°' ? '°' : unit)].filter(Boolean).join(' ');
}

/** A sentence within a line keeps no full stop of its own. */
const inOneLine = (said: readonly string[]): string => {
  const words = said.filter(Boolean);
  return words.map((w, i) => (i < words.length - 1 ? w.replace(/\.$/, '') : w)).join(', ');
};

function rowTold({ columns }: Table, row: KeptRow): ToldList['rows'][number] {
  const [[first, lead], ...others] = Object.entries(columns) as [[string, Column], ...[string, Column][]];
  const rest = others.filter(([name]) => name !== 'by' && name !== 'at' && name !== 'key');
  return {
    lead: sentence(cellWords(lead, row[first])),
    rest: inOneLine(rest.map(([name, column]) => cellWords(column, row[name]))),
    by: [row['by'], typeof row['at'] === 'string' && row['at'].slice(0, 10)].filter(Boolean).join(', '),
  };
}

function listTold(table: Table, kept: readonly KeptRow[]): ToldList {
  const rows = kept.map((row) => rowTold(table, row));
  const by = rows[0]!.by;
  const byOne = rows.length > 1 && rows.every((r) => r.by === by);
  return { title: table.title, by: byOne ? by : '', rows: byOne ? rows.map((r) => ({ ...r, by: '' })) : rows };
}

/** A section as a person reads it, list by list; lists of which nothing was said are left out. */
export function tellSection(name: SectionName, section: Readonly<Record<string, unknown>>): ToldList[] {
  return Object.entries((SECTIONS[name] as Section).tables).flatMap(([list, table]) => {
    const rows = section[list];
    return Array.isArray(rows) && rows.length > 0 ? [listTold(table, rows as KeptRow[])] : [];
  });
}
