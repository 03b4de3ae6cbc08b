import { describe, expect, it } from 'vitest';
import {
  effectOf,
  identityOf,
  isLow,
  KINDS,
  onHand,
  readStockTable,
  sizeWords,
  writeStockTable,
  type Item,
} from './index.ts';
import { tableText } from '../table/index.ts';

const bush: Item & { onHand: number } = {
  kind: 'bush',
  name: 'Brass bush',
  sizes: { bore_mm: 1.2, outside_mm: 2.5, height_mm: 2 },
  minimum: 5,
  price: '0.80',
  supplier: 'Aldermere Tools',
  supplierNo: 'B-12',
  shelf: 'drawer 2',
  batch: '',
  note: '',
  onHand: 12,
};

describe('the table of the stores', () => {
  it('comes back from its own table, awkward words too', () => {
    const odd = { ...bush, name: 'Bush, "proud"', note: '=1+1', sizes: { ...bush.sizes, bore_mm: 1.4 } };
    const { rows, problems } = readStockTable(writeStockTable([bush, odd]));
    expect(problems).toEqual([]);
    expect(rows.map(({ line: _, ...r }) => r)).toEqual([bush, odd]);
  });
  // CSV injection as OWASP describes it: a cell that begins with = + - @ is run by a spreadsheet.
  it('hands no formula to a spreadsheet', () =>
    expect(writeStockTable([{ ...bush, note: '=HYPERLINK("x")' }])).not.toMatch(/(^|,)"?=/m));
  it('takes semicolons, decimal commas, names of kinds in words and columns of others', () => {
    const { rows } = readStockTable(
      '\uFEFFName;Kind;Bore_mm;outside mm;height_mm;colour;on hand\nSmall;Bush;0,8;2;1,5;yellow;7',
    );
    expect(rows[0]).toMatchObject({
      kind: 'bush',
      sizes: { bore_mm: 0.8, outside_mm: 2, height_mm: 1.5 },
      onHand: 7,
      minimum: 0,
    });
  });
  it('takes in what it wrote: more used than counted, names in many letters, and more than five thousand', () => {
    const items = Array.from({ length: 5_001 }, (_, i) => ({
      ...{ kind: 'bush' as const, name: i === 7 ? 'Łoże, Ø 2\n“so”' : `b${i}`, sizes: { bore_mm: 1, outside_mm: 2 } },
      ...{ minimum: 0, price: '', supplier: 'Šebela', supplierNo: '', shelf: '', batch: '', note: '=1+1' },
      onHand: i - 20,
    }));
    const { rows, problems } = readStockTable(writeStockTable(items));
    expect(problems).toEqual([]);
    expect(rows.map(({ line: _, ...row }) => row)).toEqual(items);
    // RFC 4180: a cell may hold line breaks. What stands after it is named by its line in an editor.
    expect(rows.slice(6, 9).map((r) => r.line)).toEqual([8, 9, 11]);
  });
  it('reads what a spreadsheet of old Windows wrote, and says so', () => {
    // Facts: é is E9 in code page 1252, C3 A9 in UTF-8.
    expect(tableText(Uint8Array.of(0x6b, 0xe9))).toEqual({ text: 'ké', from: 'windows-1252' });
    expect(tableText(Uint8Array.of(0x6b, 0xc3, 0xa9))).toEqual({ text: 'ké', from: null });
    expect(tableText(Uint8Array.of(0xff, 0xfe, 0xe9, 0x00)).text).toBe('é');
  });
  it('lets no name of a column do harm', () => {
    const { rows, problems } = readStockTable('kind,name,__proto__,constructor,toString\npin,a,x,y,z');
    expect([rows.map((r) => r.name), problems]).toEqual([['a'], []]);
    expect(readStockTable('kind,__proto__\npin,a').problems[0]!.column).toBe('name');
  });
  it('names each bad cell by line and column, and lets none of its row in', () => {
    const { rows, problems } = readStockTable(
      [
        'kind,name,bore_mm,outside_mm,on_hand,price',
        'bush,a,2,1,1,1',
        'bush,b,1,2,-1,',
        'gold,c,,,,',
        ',d,,,,',
        '',
        'pin,,,,,',
        'bush,e,x,2,1.5,1.234',
        'bush,f,1,2,,',
        'bush,F,1,2,,',
        'pin,g,3,,,',
      ].join('\n'),
    );
    expect(rows.map((r) => r.name)).toEqual(['b', 'f']);
    expect(new Set(problems.map((p) => `${p.line} ${p.column}`))).toEqual(
      new Set([
        '2 outside_mm',
        '4 kind',
        '5 kind',
        '7 name',
        '8 on_hand',
        '8 bore_mm',
        '8 price',
        '10 name',
        '11 bore_mm',
      ]),
    );
    expect(problems.find((p) => p.line === 10)!.message).toContain('line 9');
  });
  it('says which columns are not there', () =>
    expect(readStockTable('a,b\n1,2').problems).toEqual([
      expect.objectContaining({ line: 1, message: expect.stringContaining('kind and name') }),
    ]));
});

describe('a row against what is there', () => {
  const [read] = readStockTable(
    'kind,name,bore_mm,outside_mm,height_mm,on_hand,minimum,price,supplier,supplier_no,shelf\nBUSH,brass  ' +
      'bush,1.2,2.5,2,9,5,0.90,Aldermere Tools,B-12,drawer 2',
  ).rows;
  const row = { ...read!, batch: '' };
  it('is the same thing by kind, name and sizes', () => expect(identityOf(row)).toBe(identityOf(bush)));
  it('tells what would change', () =>
    expect(effectOf(row, bush)).toEqual({ effect: 'changed', changes: ['on hand 12 → 9', 'price 0.80 → 0.90'] }));
  it('changes nothing that it does not say', () =>
    expect(effectOf({ ...row, onHand: null, price: '0.80' }, bush)).toEqual({ effect: 'same', changes: [] }));
});

describe('what lies there', () => {
  it('is what came in less what was used, and may show that a count was wrong', () =>
    expect(onHand([{ change: 3 }, { change: -4 }])).toBe(-1));
  it.each([
    [5, 0, false],
    [4, 0, true],
    [4, 1, false],
  ])('with %i there and %i on the way, a minimum of 5: low is %s', (hand, order, low) =>
    expect(isLow({ minimum: 5, onHand: hand, onOrder: order })).toBe(low),
  );
  it('is named by its sizes', () => {
    expect(sizeWords('bush', bush.sizes)).toBe('1.2 × 2.5 × 2 mm');
    expect(sizeWords('electric', { ohms: 2300, volts: 1.5 })).toBe('1.5 V, 2300 Ω');
    expect(new Set(KINDS.map((k) => k.id)).size).toBe(KINDS.length);
  });
});
