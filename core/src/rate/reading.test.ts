import { expect, it } from 'vitest';
import { readDial } from './reading.ts';

it.each([
  ['10:12', 36720],
  ['10 12 30', 36750],
  ['12:00:05', 5],
  ['22.12.30', 36750],
  ['3:05:07,5', 11107.5],
])('reads %s off the dial', (text, want) => expect(readDial(text)).toBe(want));
it.each(['', '10', '25:00', '10:61', '10:10:99', 'noon'])('does not take %j for a time', (text) =>
  expect(readDial(text)).toBeNull(),
);
