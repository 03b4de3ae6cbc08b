import { describe, expect, it } from 'vitest';
import { nearestSixtyFourth, readLength, readMass } from './index.ts';

describe('a mass as it is typed', () => {
  // Published: 1 lb = 453.59237 g, 16 oz to the pound.
  it.each([
    ['1 lb', 453.59237],
    ['16oz', 453.59237],
    ['3,63 kg', 3630],
    ['120', 120],
    ['1/2 lb', 226.796185],
    ['1 1/2 lb', 680.388555],
  ])('%s', (text, grams) => {
    expect(readMass(text, [1, 50000])).toEqual({ kind: 'value', value: expect.closeTo(grams, 6) });
  });
  it.each(['heavy', '3 stone', '900 kg', ''])('refuses %j', (text) =>
    expect(readMass(text, [1, 50000]).kind).toBe('problem'),
  );
});

describe('fractions of an inch', () => {
  // Published: decimal equivalents of an inch.
  it.each([
    [9.525, '3/8'],
    [25.4, '1'],
    [36.5125, '1 7/16'],
    [1.190625, '3/64'],
    [0, '0'],
  ])('%d mm is %s in', (mm, text) => expect(nearestSixtyFourth(mm)).toEqual({ text, offMm: expect.closeTo(0, 9) }));
  it('are read back, whole and fraction', () =>
    expect(readLength('1 7/16 in', [1, 100])).toEqual({ kind: 'length', mm: expect.closeTo(36.5125, 9) }));
  it('need their unit', () =>
    expect(readLength('3/64', [0.1, 100])).toMatchObject({
      kind: 'problem',
      message: expect.stringContaining('A fraction of what'),
    }));
});
