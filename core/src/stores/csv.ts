import { numberIn, readTable, writeTable, type TableRow } from '../table/index.ts';
import { identityOf, sizeProblems, type Item } from './item.ts';
import { KIND_IDS, kindOf, SIZE_IDS, SIZES, type KindId, type SizeId, type Sizes } from './kinds.ts';

const WORDS = { name: 120, supplier: 80, supplier_no: 60, shelf: 60, batch: 40, note: 200 } as const;
/** The open table of the stores: one thing a line. */
export const STORE_COLUMNS = [
  'kind',
  'name',
  ...SIZE_IDS,
  'on_hand',
  'minimum',
  'price',
  'supplier',
  'supplier_no',
  'shelf',
  'batch',
  'note',
] as const;
export const MOST_ROWS = 20_000;

export interface StockRow extends Item {
  line: number;
  /** Null: the table does not say, so what lies there stays as it is. */
  onHand: number | null;
}
/** As it is read: null where the table has no column of batches, as those that were written before it have none. */
export type ReadRow = Omit<StockRow, 'batch'> & { batch: string | null };
export interface RowProblem {
  line: number;
  column: string;
  message: string;
}

/**
 * Reads a table of the stores. Every bad cell is named by line and column; a row with one is not among the rows.
 * A thing that stands twice in the table is a bad row too: which of the two holds?
 */
export function readStockTable(csv: string): { rows: ReadRow[]; problems: RowProblem[] } {
  const { rows, columns, missing } = readTable(csv, ['kind', 'name']);
  if (missing.length > 0)
    return {
      rows: [],
      problems: [
        {
          line: 1,
          column: missing[0]!,
          message:
            'The first line must name the columns: kind, name and as many of the others as you have. ' +
            `${missing.join(' and ')} is not there.`,
        },
      ],
    };
  if (rows.length > MOST_ROWS)
    return {
      rows: [],
      problems: [{ line: MOST_ROWS + 2, column: '', message: `At most ${MOST_ROWS} lines at once.` }],
    };
  const problems: RowProblem[] = [];
  const seen = new Map<string, number>();
  const good = rows.flatMap((row) => {
    const { item: read, wrong } = readRow(row);
    const item = { ...read, batch: columns.includes('batch') ? read.batch : null };
    const before = seen.get(identityOf(item));
    if (wrong.length === 0 && before !== undefined)
      wrong.push({ line: row.line, column: 'name', message: `The same thing stands in line ${before} already.` });
    if (before === undefined) seen.set(identityOf(item), row.line);
    problems.push(...wrong);
    return wrong.length === 0 ? [item] : [];
  });
  return { rows: good, problems };
}

function readRow(row: TableRow): { item: StockRow; wrong: RowProblem[] } {
  const wrong: RowProblem[] = [];
  const bad = (column: string, message: string) => wrong.push({ line: row.line, column, message });
  const typed = row.cell('kind').toLowerCase();
  const known = KIND_IDS.find((k) => k === typed || kindOf(k).name.toLowerCase() === typed);
  if (!known)
    bad('kind', typed === '' ? 'Which kind?' : `“${row.cell('kind')}” is no kind. Kinds are: ${KIND_IDS.join(', ')}.`);
  const kind: KindId = known ?? 'other';
  const words = (column: keyof typeof WORDS) => {
    const text = row.cell(column).replace(/^'(?=[=+\-@])/, '');
    if (text.length > WORDS[column]) bad(column, `Keep it under ${WORDS[column]} characters.`);
    return text;
  };
  const name = words('name');
  if (name === '') bad('name', 'A name is needed.');
  const whole = (column: string, least = 0) => {
    const n = numberIn(row.cell(column));
    if (n !== undefined && !(Number.isInteger(n) && n >= least && n <= 100_000))
      bad(column, `A whole number, ${least === 0 ? '0' : '−100,000'} to 100,000.`);
    return n;
  };
  const sizes: Sizes = {};
  for (const size of SIZE_IDS) {
    const n = numberIn(row.cell(size));
    if (n === undefined) continue;
    if (Number.isNaN(n)) bad(size, `${SIZES[size]}: “${row.cell(size)}” is no number.`);
    else sizes[size] = n;
  }
  if (known) for (const p of sizeProblems(kind, sizes)) bad(p.size, p.message);
  const price = row.cell('price').replace(',', '.');
  if (price !== '' && !/^\d{1,7}(\.\d{1,2})?$/.test(price)) bad('price', 'A price such as 12.50.');
  return {
    item: {
      line: row.line,
      kind,
      name,
      sizes,
      // More was used than counted: it is less than none until somebody counts.
      onHand: whole('on_hand', -100_000) ?? null,
      minimum: whole('minimum') ?? 0,
      price,
      supplier: words('supplier'),
      supplierNo: words('supplier_no'),
      shelf: words('shelf'),
      batch: words('batch'),
      note: words('note'),
    },
    wrong,
  };
}

/** The stores as a CSV table that `readStockTable` takes. */
export const writeStockTable = (items: readonly (Item & { onHand: number })[]): string =>
  writeTable(
    STORE_COLUMNS,
    items.map((i) => [
      i.kind,
      i.name,
      ...SIZE_IDS.map((s: SizeId) => i.sizes[s] ?? ''),
      i.onHand,
      i.minimum,
      i.price,
      i.supplier,
      i.supplierNo,
      i.shelf,
      i.batch,
      i.note,
    ]),
  );

const ITEM_FIELDS = ['minimum', 'price', 'supplier', 'supplierNo', 'shelf', 'batch', 'note'] as const;
export type Effect = 'new' | 'changed' | 'same';
/** What a row would do to the thing that is there, in words: `on hand 3 → 5`. */
export function effectOf(
  row: StockRow,
  there: (Item & { onHand: number }) | undefined,
): { effect: Effect; changes: string[] } {
  if (!there) return { effect: 'new', changes: [] };
  const names: Record<(typeof ITEM_FIELDS)[number], string> = {
    minimum: 'minimum',
    price: 'price',
    supplier: 'supplier',
    supplierNo: 'supplier’s number',
    shelf: 'shelf',
    batch: 'batch',
    note: 'note',
  };
  const changes = ITEM_FIELDS.filter((f) => row[f] !== there[f]).map(
    (f) => `${names[f]} ${there[f] === '' ? '—' : there[f]} → ${row[f] === '' ? '—' : row[f]}`,
  );
  if (row.onHand !== null && row.onHand !== there.onHand) changes.unshift(`on hand ${there.onHand} → ${row.onHand}`);
  return { effect: changes.length > 0 ? 'changed' : 'same', changes };
}
