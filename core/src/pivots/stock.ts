import { numberIn, readTable, writeTable } from '../table/index.ts';
import type { BushStock } from './bush.ts';

/** Columns of the open table of bush sizes, in mm. A table of the stores has them too. */
export const STOCK_COLUMNS = ['bore_mm', 'outside_mm', 'height_mm'] as const;

/**
 * Reads a shop's own list of bushes. Rows of a table of the stores that are no bushes are passed over.
 * @returns the rows that can be used, and what is wrong with each of the others
 */
export function readStock(csv: string): { stock: BushStock[]; problems: { line: number; message: string }[] } {
  const { rows, columns, missing } = readTable(csv, STOCK_COLUMNS);
  if (missing.length > 0)
    return {
      stock: [],
      problems: [
        {
          line: 1,
          message:
            `The first line must name the columns ${STOCK_COLUMNS.join(', ')}; ${missing.join(', ')} ` +
            'is not there.',
        },
      ],
    };
  const stock: BushStock[] = [];
  const problems: { line: number; message: string }[] = [];
  for (const row of rows.filter((r) => !columns.includes('kind') || r.cell('kind').toLowerCase() === 'bush')) {
    const [boreMm, outsideMm, heightMm] = STOCK_COLUMNS.map((c) => numberIn(row.cell(c)) ?? Number.NaN) as [
      number,
      number,
      number,
    ];
    if (boreMm > 0 && outsideMm > boreMm && heightMm > 0 && outsideMm < 50 && heightMm < 50)
      stock.push({ boreMm, outsideMm, heightMm });
    else problems.push({ line: row.line, message: 'Three sizes in mm, the outside larger than the bore.' });
  }
  return { stock, problems };
}

/** The bush stock as a CSV table that `readStock` takes. */
export const writeStock = (stock: readonly BushStock[]): string =>
  writeTable(
    STOCK_COLUMNS,
    stock.map((b) => [b.boreMm, b.outsideMm, b.heightMm]),
  );
