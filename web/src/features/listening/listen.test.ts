import { describe, expect, it } from 'vitest';
import { knownOfTyped } from './known.ts';
import { balanceOf } from './sides.ts';

describe('what is said of the beat', () => {
  const sides = { tickToTockMs: 514, tockToTickMs: 486 };
  // After the tick on the left it swings out to the left and back: that way belongs to the left.
  it.each([
    [null, 'Tock to tick short', 1],
    ['left', 'Right side short', 1],
    ['right', 'Left side short', -1],
  ] as const)('with the tick on the %s: %s', (tickSide, words, sign) => {
    const b = balanceOf(sides, tickSide, false);
    expect([b.words, Math.sign(b.share), b.ms, b.inBeat]).toEqual([words, sign, 14, false]);
  });
  // House rule: a third of the limit, 3 % for pendulums and 1 % for balances, counts as in beat.
  it('and when it is in beat', () => {
    expect(balanceOf({ tickToTockMs: 504, tockToTickMs: 496 }, null, false).inBeat).toBe(true);
    expect(balanceOf({ tickToTockMs: 100.8, tockToTickMs: 99.2 }, null, true).inBeat).toBe(false);
    expect(balanceOf({ tickToTockMs: 100.5, tockToTickMs: 99.5 }, null, true).words).toBe('Tock to tick short');
  });
});

describe('what is typed of a clock', () => {
  it('counts as far as it is right, and the rest is told at its field', () => {
    expect(knownOfTyped({ beats: '18 000', lift: '52,5', teeth: '' })).toEqual({
      known: { beats: 18_000, liftDeg: 52.5, teeth: undefined },
      wrong: {},
    });
    expect(knownOfTyped({ beats: '12', lift: 'x', teeth: '15' })).toEqual({
      known: { beats: undefined, liftDeg: undefined, teeth: 15 },
      wrong: { beats: 'From 300 to 40,000.', lift: 'From 20 to 90 degrees.' },
    });
  });
});
