import { describe, expect, it } from 'vitest';
import { byDate, dateInWords, isEdtf, precisionOf, yearSpan } from './edtf.ts';
import { dateFrom } from './dating.ts';
import { canonical } from './canonical.ts';

describe('dates as inscriptions give them', () => {
  // Published: ISO 8601-2:2019, unspecified digits are written X.
  it.each([
    ['1894-03-07', 'day', '7 March 1894'],
    ['1894-03', 'month', 'March 1894'],
    ['1894', 'year', '1894'],
    ['189X', 'decade', '1890s, year illegible'],
    ['XXXX', 'illegible', 'undated'],
  ])('%s is known to the %s', (edtf, precision, words) => {
    expect(precisionOf(edtf)).toBe(precision);
    expect(dateInWords(edtf)).toBe(words);
  });
  it('spans what it can mean and sorts by it', () => {
    expect(yearSpan('189X')).toEqual([1890, 1900]);
    expect(yearSpan('XXXX')).toBeNull();
    expect(['1921', '189X', '1894-03-07', 'XXXX'].sort(byDate)).toEqual(['XXXX', '189X', '1894-03-07', '1921']);
  });
  it('knows the calendar', () => {
    expect(['1900-02-29', '1894-13', '94', '', '1894-04-31'].filter(isEdtf)).toEqual([]);
    expect(isEdtf('1904-02-29')).toBe(true); // a leap year
    expect(() => yearSpan('soon')).toThrow(RangeError);
  });
});

describe('the record that leaves the visit', () => {
  it('has one form whatever order it was built in', () => {
    // Published: RFC 8785, keys sorted, no white space.
    expect(canonical({ b: [1, { d: null, c: 'é' }], a: true })).toBe('{"a":true,"b":[1,{"c":"é","d":null}]}');
    expect(() => canonical({ a: Number.NaN })).toThrow(RangeError);
    expect(() => canonical({ a: 'half \ud83d' })).toThrow(RangeError);
    expect(canonical('a backslash and \\ud83d')).toBe('"a backslash and \\\\ud83d"');
  });
  it('is written as the standard writes its own samples', () => {
    // Published: RFC 8785, 3.2.2 to 3.2.3.
    const sample =
      '{"numbers":[333333333.33333329,1E30,4.50,2e-3,0.000000000000000000000000001],' +
      '"string":"\\u20ac$\\u000F\\u000aA\'\\u0042\\u0022\\u005c\\\\\\"\\/","literals":[null,true,false]}';
    expect(canonical(JSON.parse(sample))).toBe(
      '{"literals":[null,true,false],"numbers":[333333333.3333333,1e+30,4.5,0.002,1e-27],' +
        '"string":"€$\\u000f\\nA\'B\\"\\\\\\\\\\"/"}',
    );
    const sorted = { '€': 5, '\r': 1, '\ufb33': 7, '1': 2, '😀': 6, '\u0080': 3, ö: 4 };
    expect(Object.values(JSON.parse(canonical(sorted)) as object).sort()).toEqual([1, 2, 3, 4, 5, 6, 7]);
    expect([...canonical(sorted).matchAll(/:(\d)/g)].map((m) => Number(m[1]))).toEqual([1, 2, 3, 4, 5, 6, 7]);
    // Appendix B.
    const bits = (hex: string) =>
      new DataView(Uint8Array.from(hex.match(/../g)!, (b) => parseInt(b, 16)).buffer).getFloat64(0);
    for (const [hex, says] of [
      ['0000000000000001', '5e-324'],
      ['7fefffffffffffff', '1.7976931348623157e+308'],
      ['4340000000000000', '9007199254740992'],
      ['44b52d02c7e14af6', '1e+23'],
      ['444b1ae4d6e2ef4f', '999999999999999900000'],
      ['3eb0c6f7a0b5ed8d', '0.000001'],
      ['41b3de4355555557', '333333333.33333343'],
      ['8000000000000000', '0'],
    ] as const)
      expect(canonical(bits(hex))).toBe(says);
  });
});

describe('dating from evidence', () => {
  it.each([
    [
      [
        [1871, null],
        [1868, null],
        [null, 1894],
      ],
      '1871 to 1894',
      false,
    ],
    [
      [
        [1871, null],
        [null, 1849],
      ],
      'Not before 1871 and not after 1849: a part or a reading is of another time',
      true,
    ],
    [[[null, 1894]], 'Not after 1894', false],
    [[], 'No evidence yet', false],
  ] as [[number | null, number | null][], string, boolean][])('%j is %s', (rows, words, contradiction) =>
    expect(dateFrom(rows.map(([notBefore, notAfter]) => ({ notBefore, notAfter, why: '' })))).toMatchObject({
      words,
      contradiction,
    }),
  );
});
