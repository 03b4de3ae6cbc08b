import { expect, it } from 'vitest';
import { dialError, dialReference, readDial } from './reading.ts';

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

// Fact of the calendar: summer time ended in London on 2031-10-26 at 01:00 UTC; the dial knows nothing of it.
it('does not step by an hour when the clocks of the country change', () => {
  const ends = Date.UTC(2031, 9, 26, 1);
  const london = (at: number) => (at < ends ? 3600 : 0);
  const [set, before, after] = [25, 25, 26].map((day, i) => Date.UTC(2031, 9, day, 8 + i));
  const ahead = (at: number, setAt: number, dial: string) =>
    dialError(readDial(dial)!, dialReference(at, setAt, london));
  expect(ahead(before!, set!, '10:00:04')).toBe(4);
  expect(ahead(after!, set!, '11:00:08')).toBe(8); // ten by the radio, eleven by a dial that was set in summer
  expect(ahead(after!, after!, '10:00:00')).toBe(0); // set again
  expect(ahead(Date.UTC(2031, 6, 1, 23, 30), set!, '12:30:00')).toBe(0); // over midnight
});
