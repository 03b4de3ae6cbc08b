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
  const text = csv.replace(/^\uFEFF/, '');
  const names: string[] = [];
  const rows: TableRow[] = [];
  let line = 1,
    readTo = 0;
  Papa.parse<string[]>(text, {
    delimiter: delimiterOf(text),
    skipEmptyLines: false,
    step({ data, meta }) {
      const begins = line;
      // A cell may hold line breaks: lines are counted in the text, not in rows.
      line += linesIn(text.slice(readTo, meta.cursor));
      readTo = meta.cursor;
      const cells = data.map((c) => c.trim());
      if (cells.every((c) => c === '')) return;
      if (names.length === 0) names.push(...cells.map((c) => c.toLowerCase().replaceAll(' ', '_')));
      else {
        const at = new Map(names.map((n, i) => [n, cells[i] ?? '']));
        if (names.some((n) => at.get(n) !== '')) rows.push({ line: begins, cell: (column) => at.get(column) ?? '' });
      }
    },
  });
  return { rows, columns: names, missing: needed.filter((c) => !names.includes(c)) };
}

const linesIn = (text: string): number => (text.match(/\r\n|\n|\r/g) ?? []).length;
/** What stands between the names of the columns. */
const delimiterOf = (text: string): string => {
  const first = /^[^\r\n]*\S[^\r\n]*$/m.exec(text)?.[0] ?? '';
  const counted = [',', ';', '\t'].map((d) => [d, first.split(d).length] as const);
  return counted.toSorted((x, y) => y[1] - x[1])[0]![0];
};

/** A cell as a number, with decimal point or comma; NaN where it is none. An empty cell is `undefined`. */
export function numberIn(cell: string): number | undefined {
  if (cell === '') return undefined;
  return /^-?\d+([.,]\d+)?$/.test(cell) ? Number(cell.replace(',', '.')) : Number.NaN;
}

/** A cell that a spreadsheet would take for a formula is sent as words. OWASP, "CSV injection". */
const harmless = (cell: unknown) => (typeof cell === 'string' && /^[=+\-@\t\r]/.test(cell) ? `'${cell}` : cell);
/**
 * A CSV table (RFC 4180); a cell that a spreadsheet would run is written as text. It begins with the mark of UTF-8, by
 * which spreadsheets read its accents.
 */
export const writeTable = (columns: readonly string[], rows: readonly (readonly unknown[])[]): string =>
  '\uFEFF' + Papa.unparse({ fields: [...columns], data: rows.map((r) => r.map(harmless)) });

/**
 * The text of a table as a spreadsheet wrote it: UTF-8, UTF-16 by its mark, or else the code page of old Windows.
 * @returns `from` names the code page where it had to be guessed: whoever takes it in looks at its accents
 */
export function tableText(bytes: Uint8Array): { text: string; from: 'windows-1252' | null } {
  const [a, b] = bytes;
  if (a === 0xff && b === 0xfe) return { text: new TextDecoder('utf-16le').decode(bytes), from: null };
  if (a === 0xfe && b === 0xff) return { text: new TextDecoder('utf-16be').decode(bytes), from: null };
  try {
    return { text: new TextDecoder('utf-8', { fatal: true }).decode(bytes), from: null };
  } catch {
    return { text: new TextDecoder('windows-1252').decode(bytes), from: 'windows-1252' };
  }
}
