import { describe, expect, it } from 'vitest';
import { byDate, dateInWords, isEdtf, precisionOf, yearSpan } from './edtf.ts';
import { dateFrom } from './dating.ts';
import { canonical } from './record.ts';

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
