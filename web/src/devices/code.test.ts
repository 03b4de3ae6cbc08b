import { expect, it } from 'vitest';
import { placeOfCode } from './code.ts';

const ID = '0b5f3a52-6f0e-4c57-9d0a-0d6f8a3f9c11';

it('a label leads to its clock on this page’s own address, whatever host it was printed on', () => {
  expect(placeOfCode(`http://bench.example:4080/visits/${ID}`)).toBe(`/visits/${ID}`);
  expect(placeOfCode(` https://old.example/movements/${ID.toUpperCase()}?x=1#y `)).toBe(`/movements/${ID}`);
  expect(placeOfCode(`/visits/${ID}/run`)).toBe(`/visits/${ID}`);
  // The words of a slip end with it.
  expect(placeOfCode(`Clock movement M-777777\nOil 2031-05\nMovement ${ID}`)).toBe(`/movements/${ID}`);
  expect(placeOfCode(`Clock movement ${ID}`)).toBeNull();
});

it('a code of somebody else leads nowhere', () => {
  for (const text of [
    '',
    'https://example.org/',
    `javascript:location='/visits/${ID}'`,
    `https://example.org/x/visits/${ID}`,
    `//example.org/visits/${ID}`,
    `https://shop.example/visits/${ID}0`,
    `https://shop.example/people?next=/visits/${ID}`,
    'https://shop.example/visits/../people',
    `data:text/html,/visits/${ID}`,
  ])
    expect(placeOfCode(text), text).toBeNull();
});
