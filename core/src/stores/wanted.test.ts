import { describe, expect, it } from 'vitest';
import { maySatisfy, NEXT_STEPS, wantedEnd, WANTED_STEPS } from './index.ts';

describe('what may be what is wanted', () => {
  const wanted = { what: 'Alarm work', would: 'alarm mechanism; alarm train with hammers' };
  it('has all words of it, or of one way to satisfy it, in whatever order and number', () => {
    for (const name of ['Work of an alarm, kitchen clock', 'Alarm mechanism', 'Train with hammer, alarm'])
      expect(maySatisfy(wanted, name), name).toBe(true);
    for (const name of ['Alarm click', 'Mechanism', 'Clockwork alarmed', ''])
      expect(maySatisfy(wanted, name), name).toBe(false);
  });
  it('is nothing where nothing tells what it is', () => {
    expect(maySatisfy({ what: 'a', would: '; ,' }, 'a thing of the shop')).toBe(false);
    expect(maySatisfy({ what: 'Glas mit Blüten', would: '' }, 'Blüten, Glas mit Rand')).toBe(true);
  });
});

it('a thread goes on from every step that does not end it, and from none that does', () => {
  for (const step of WANTED_STEPS) expect(NEXT_STEPS[step].length > 0, step).toBe(wantedEnd(step) === null);
});
