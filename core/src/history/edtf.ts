import { Outside } from '../units/index.ts';

/**
 * Dates as old inscriptions give them, written as in ISO 8601-2:2019 (extended date/time format), of which these
 * shapes are used: 1894-03-07, 1894-03, 1894, 189X (some year of that decade), XXXX (illegible).
 */
export const EDTF_SHAPE = /^(?:\d{4}(?:-(?:0[1-9]|1[0-2])(?:-(?:0[1-9]|[12]\d|3[01]))?)?|\d{3}X|XXXX)$/;

export const PRECISIONS = ['day', 'month', 'year', 'decade', 'illegible'] as const;
export type Precision = (typeof PRECISIONS)[number];

/** @throws Outside for text of another shape, or a day that its month does not have */
export function precisionOf(edtf: string): Precision {
  if (!isEdtf(edtf)) throw new Outside('date', `"${edtf}" is not a date.`);
  if (edtf === 'XXXX') return 'illegible';
  if (edtf.endsWith('X')) return 'decade';
  if (edtf.length === 4) return 'year';
  return edtf.length === 7 ? 'month' : 'day';
}

/** Whether a text is one of the date shapes that a book takes, and a day that exists. */
export function isEdtf(text: string): boolean {
  if (!EDTF_SHAPE.test(text)) return false;
  if (text.length !== 10) return true;
  const day = new Date(`${text}T00:00:00Z`);
  return !Number.isNaN(day.getTime()) && day.toISOString().startsWith(text);
}

const MONTHS = [
  'January',
  'February',
  'March',
  'April',
  'May',
  'June',
  'July',
  'August',
  'September',
  'October',
  'November',
  'December',
];

/** The year, which leads where entries are read in their order, and what else is known: "1894" and "7 March". */
export function dateParts(edtf: string): { year: string; rest: string } {
  const month = () => MONTHS[Number(edtf.slice(5, 7)) - 1]!;
  switch (precisionOf(edtf)) {
    case 'day':
      return { year: edtf.slice(0, 4), rest: `${Number(edtf.slice(8))} ${month()}` };
    case 'month':
      return { year: edtf.slice(0, 4), rest: month() };
    case 'year':
      return { year: edtf, rest: '' };
    case 'decade':
      return { year: `${edtf.slice(0, 3)}0s`, rest: 'year illegible' };
    case 'illegible':
      return { year: 'undated', rest: '' };
  }
}

/** "7 March 1894", "March 1894", "1894", "1890s, year illegible", "undated". */
export function dateInWords(edtf: string): string {
  const { year, rest } = dateParts(edtf);
  if (rest === '') return year;
  return precisionOf(edtf) === 'decade' ? `${year}, ${rest}` : `${rest} ${year}`;
}

/** First and last moment it can mean, as years with fractions; null when illegible. */
export function yearSpan(edtf: string): [from: number, to: number] | null {
  const precision = precisionOf(edtf);
  if (precision === 'illegible') return null;
  if (precision === 'decade') return [Number(`${edtf.slice(0, 3)}0`), Number(`${edtf.slice(0, 3)}0`) + 10];
  const year = Number(edtf.slice(0, 4));
  if (precision === 'year') return [year, year + 1];
  const month = year + (Number(edtf.slice(5, 7)) - 1) / 12;
  return precision === 'month'
    ? [month, month + 1 / 12]
    : [month + (Number(edtf.slice(8)) - 1) / 372, month + Number(edtf.slice(8)) / 372];
}

/** Order of entries in a book: by the earliest they can mean, undated ones first (they are the oldest guesses). */
export const byDate = (a: string, b: string): number =>
  (yearSpan(a)?.[0] ?? -Infinity) - (yearSpan(b)?.[0] ?? -Infinity) || a.localeCompare(b);
