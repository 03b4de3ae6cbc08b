import Papa from 'papaparse';
import type { BushStock } from './bush.ts';

/** Columns of the open table of bush sizes, in mm. */
export const STOCK_COLUMNS = ['bore_mm', 'outside_mm', 'height_mm'] as const;

/**
 * Reads a shop's own list of bushes: a CSV table with the columns bore_mm, outside_mm, height_mm in any order, others are
 * left alone; comma, semicolon or tab between, decimal point or comma.
 * @returns the rows that can be used, and what is wrong with each of the others
 */
export function readStock(csv: string): { stock: BushStock[]; problems: { line: number; message: string }[] } {
  const { data, meta } = Papa.parse<Record<string, string>>(csv.trim(), { header: true, skipEmptyLines: true, transformHeader: (h) => h.trim().toLowerCase() });
  const missing = STOCK_COLUMNS.filter((c) => !(meta.fields ?? []).includes(c));
  if (missing.length > 0) return { stock: [], problems: [{ line: 1, message: `The first line must name the columns ${STOCK_COLUMNS.join(', ')}; ${missing.join(', ')} is not there.` }] };
  const stock: BushStock[] = [];
  const problems: { line: number; message: string }[] = [];
  data.forEach((row, i) => {
    const [boreMm, outsideMm, heightMm] = STOCK_COLUMNS.map((c) => Number((row[c] ?? '').trim().replace(',', '.') || Number.NaN)) as [number, number, number];
    if (boreMm > 0 && outsideMm > boreMm && heightMm > 0 && outsideMm < 50 && heightMm < 50) stock.push({ boreMm, outsideMm, heightMm });
    else problems.push({ line: i + 2, message: 'Three sizes in mm, the outside larger than the bore.' });
  });
  return { stock, problems };
}

export const writeStock = (stock: readonly BushStock[]): string =>
  Papa.unparse({ fields: [...STOCK_COLUMNS], data: stock.map((b) => [b.boreMm, b.outsideMm, b.heightMm]) });
