import { describe, expect, it } from 'vitest';
import { readLength } from './length.ts';

const pivot = [0.1, 12] as const;
const mm = (text: string) => {
  const read = readLength(text, pivot);
  return read.kind === 'length' ? Number(read.mm.toFixed(4)) : read.kind;
};

describe('a length as it is typed', () => {
  // Published: inch of 25.4 mm, international yard and pound agreement, 1959.
  it.each([
    ['1.22', 1.22],
    ['1,22', 1.22],
    [' 1.22 mm', 1.22],
    ['0.048in', 1.2192],
    ['.048"', 1.2192],
    ['48 thou', 1.2192],
    ['3/64in', 1.1906],
    ['0,12 cm', 1.2],
  ])('%s', (text, want) => expect(mm(text)).toBe(want));

  it('asks rather than guess between thousandths and millimetres', () => {
    expect(readLength('48', pivot)).toEqual({ kind: 'ask', asMm: 48, asThousandths: expect.closeTo(1.2192, 6) });
  });

  it.each(['', 'abc', '1.2.3', '5 furlongs', '1/0 in', '-1', '900 mm', '1e3'])('refuses %j with a message', (text) => {
    const read = readLength(text, pivot);
    expect(read.kind === 'problem' && read.message.length > 10).toBe(true);
  });
});

describe('an inch and its parts', () => {
  // Published: 1 in = 25.4 mm exactly, so 1000 thousandths, 64 sixty-fourths and 25.4 mm are one length.
  const wide = [0.001, 1000] as const;
  const length = (text: string) => {
    const read = readLength(text, wide);
    if (read.kind !== 'length') throw new Error(`${text}: ${read.kind}`);
    return read.mm;
  };
  it.each(['1in', '1 inch', '1"', '1000 thou', '64/64in', '25.4', '25,4 mm', '2.54cm'])('%s', (text) =>
    expect(length(text)).toBeCloseTo(25.4, 9),
  );
  it('is read alike with comma and point', () => {
    for (let hundredths = 1; hundredths < 400; hundredths += 7) {
      const text = (hundredths / 100).toFixed(2);
      expect(length(text.replace('.', ','))).toBe(length(text));
    }
  });
});
