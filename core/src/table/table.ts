import Papa from 'papaparse';

export interface TableRow {
  /** As an editor counts them: the names stand in line 1. */
  line: number;
  cell: (column: string) => string;
}

/**
 * A CSV table whose first line names its columns, in any order; comma, semicolon or tab between. Columns it does not
 * know are left alone.
 * @returns the rows, or the needed columns that are not there
 */
export function readTable(
  csv: string,
  needed: readonly string[],
): { rows: TableRow[]; columns: string[]; missing: string[] } {
  const { data, meta } = Papa.parse<Record<string, string>>(csv.replace(/^\uFEFF/, '').trim(), {
    header: true,
    skipEmptyLines: false,
    transformHeader: (h) => h.trim().toLowerCase().replaceAll(' ', '_'),
  });
  const columns = meta.fields ?? [];
  const rows = data
    .map((row, i) => ({ line: i + 2, cell: (column: string) => (row[column] ?? '').trim() }))
    .filter((r) => columns.some((c) => r.cell(c) !== ''));
  return { rows, columns, missing: needed.filter((c) => !columns.includes(c)) };
}

/** A cell as a number, with decimal point or comma; NaN where it is none. An empty cell is `undefined`. */
export function numberIn(cell: string): number | undefined {
  if (cell === '') return undefined;
  return /^-?\d+([.,]\d+)?$/.test(cell) ? Number(cell.replace(',', '.')) : Number.NaN;
}

/** A cell that a spreadsheet would take for a formula is sent as words. OWASP, "CSV injection". */
const harmless = (cell: unknown) => (typeof cell === 'string' && /^[=+\-@\t\r]/.test(cell) ? `'${cell}` : cell);
/** A CSV table (RFC 4180); a cell that a spreadsheet would run is written as text. */
export const writeTable = (columns: readonly string[], rows: readonly (readonly unknown[])[]): string =>
  Papa.unparse({ fields: [...columns], data: rows.map((r) => r.map(harmless)) });
