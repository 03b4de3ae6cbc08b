import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  barrelTurns,
  bestSetUp,
  chainLengthMm,
  chooseKey,
  dropMm,
  judgeKey,
  landing,
  lineToCutMm,
  powerMicrowatts,
  torqueOverWind,
  unevenness,
} from './index.ts';

const line = { barrelMm: 50, lineMm: 1.5, turns: 16 };
const fusee = { largeMm: 44, smallMm: 20, turns: 16, barrelMm: 50, chainMm: 1.4, spanMm: 40, restTurns: 8 };

describe('weights and lines', () => {
  it('fall half as far on a pulley', () => expect(dropMm(line, 2)).toBeCloseTo(dropMm(line, 1) / 2, 9));
  it('last the turns they have, when the case is deep enough', () => {
    // Practice: sixteen turns of twelve hours are eight days; the weight hangs when the case is deeper than the line.
    expect(landing(line, 2, 2000, 12)).toMatchObject({ days: expect.closeTo(8, 9), landsFirst: false });
    expect(landing(line, 2, 1000, 12).landsFirst).toBe(true);
  });
  it('want more line for more turns, path and knots', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 40 }), fc.integer({ min: 0, max: 900 }), (turns, path) => {
        expect(lineToCutMm({ ...line, turns: turns + 1 }, path + 1, 10)).toBeGreaterThan(
          lineToCutMm({ ...line, turns }, path, 10),
        );
      }),
    );
  });
  // By hand, m g h/t: 3.63 · 9.80665 · 1 / 691,200 s.
  it('give the power of mechanics', () => expect(powerMicrowatts(3.63, 1, 8)).toBeCloseTo(51.5, 1));
});

describe('a fusee', () => {
  it('holds the chain that a spiral wound step by step does', () => {
    // Oracle: sum of small steps along the groove.
    let groove = 0;
    for (let i = 0; i < 16000; i++) groove += ((20 + (24 * (i + 0.5)) / 16000 + 1.4) * Math.PI * 16) / 16000;
    expect(chainLengthMm(fusee)).toBeCloseTo(groove + 40 + 0.5 * Math.PI * 51.4, 3);
    expect(barrelTurns(fusee)).toBeCloseTo(groove / (Math.PI * 51.4), 6);
  });
  it('pulls most evenly at some set-up, and worse on both sides of it', () => {
    const best = bestSetUp(fusee);
    expect(best).toBeGreaterThan(0);
    expect(unevenness(fusee, best)).toBeLessThan(unevenness(fusee, Math.max(0, best - 1)));
    expect(unevenness(fusee, best)).toBeLessThan(unevenness(fusee, best + 1));
  });
  it('has no pull left at the end when its spring has no tension at all', () =>
    expect(torqueOverWind({ ...fusee, restTurns: 0 }, 0).at(-1)!.share).toBeCloseTo(0, 6));
  it('is smaller at its top', () => expect(() => chainLengthMm({ ...fusee, smallMm: 50 })).toThrow(RangeError));
});

describe('a key', () => {
  // Practice: across the flats, never by the stamped number.
  it.each([
    [4.25, 'does not go on'],
    [4.4, 'fits'],
    [4.6, 'loose'],
    [4.75, 'sloppy'],
  ] as const)('of %d mm on a square of 4.3 %s', (key, fit) => expect(judgeKey(key, 4.3).fit).toBe(fit));
  it('is the smallest that goes on', () =>
    expect([chooseKey(4.3, [5, 4.5, 4.25]), chooseKey(6, [5])]).toEqual([4.5, null]));
});
