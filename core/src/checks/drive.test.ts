import { describe, expect, it } from 'vitest';
import { CYCLES, driven, drivenWords, windings } from './drive.ts';

describe('dial work driven by hand', () => {
  // Published: a synodic month is 29.53059 days; a disc with two moons turns once in two of them.
  it('a whole turn of the moon disc is two lunations, whatever the teeth', () => {
    for (const [steps, what] of CYCLES.moon.lengths)
      expect(Math.abs(steps / (what.includes('twice') ? 2 : 1) - 2 * 29.53059)).toBeLessThan(0.1);
    expect(driven('moon', { of: 118, done: 30 })).toEqual({
      past: 'first full moon',
      next: { what: 'first moon, last quarter', in: 14 },
      whole: false,
    });
    expect(driven('moon', { of: 59, done: 59 })).toEqual({ past: 'the first moon again', next: null, whole: true });
  });
  it('a calendar is driven over the turn of the month', () => {
    expect(driven('calendar', { of: 31, done: 26 }).next).toEqual({
      what: 'the 28th: a short month is helped on from here',
      in: 1,
    });
    expect(driven('calendar', { of: 31, done: 30 }).past).toBe('the 31st');
  });
  it('refuses a cycle that is none', () => {
    expect(() => driven('moon', { of: 1, done: 0 })).toThrow('2 and 1000');
    expect(() => driven('moon', { of: 59, done: 60 })).toThrow('step');
  });
  it('says where it fouled', () => {
    expect(drivenWords({ of: 118, done: 118, fouled: [] })).toBe('118 steps, free all the way');
    expect(
      drivenWords({
        of: 118,
        done: 50,
        fouled: [
          { step: 41, note: 'hour hand' },
          { step: 44, note: '' },
        ],
      }),
    ).toBe('fouls at 41 of 118 (hour hand), 44 of 118');
  });
});

describe('windings', () => {
  it('are counted from gap to gap, with their scatter', () => {
    expect(windings([0])).toBeNull();
    expect(windings([0, 40_000, 80_000])).toEqual({ perMinute: 1.5, everyS: 40, scatterS: 0 });
    expect(windings([0, 38_000, 80_000])!.scatterS).toBeCloseTo(2.828, 3);
  });
});
