import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  bestLengthMm,
  chooseSpring,
  coil,
  judgeFree,
  lengthsForTurns,
  solidLengthMm,
  strengthAgainst,
  torqueNmm,
  TURNS_LOST,
} from './index.ts';

const barrel = { barrelMm: 45, arborMm: 15, thicknessMm: 0.4 };

/**
 * Turns of a spiral of pitch e from radius r0 outwards (or inwards) that uses up a length, wound step by step: the
 * oracle.
 */
function windByHand(startMm: number, lengthMm: number, pitch: number): number {
  const step = 0.002; // radians
  let [angle, used] = [0, 0];
  while (used < lengthMm) {
    const r = startMm + (pitch * (angle + step / 2)) / (2 * Math.PI);
    used += Math.hypot(r, pitch / (2 * Math.PI)) * step;
    angle += step;
  }
  return angle / (2 * Math.PI);
}

describe('turns of a mainspring', () => {
  it.each([700, 1500, 1767, 2100])('%d mm wound step by step', (length) => {
    // Oracle: numerical winding of a spiral from the arbor outwards and from the wall inwards.
    const { turns } = coil(barrel, length);
    expect(turns).toBeCloseTo(windByHand(15 / 2, length, 0.4) - windByHand(45 / 2, length, -0.4), 2);
    // The middle line of a real strip lies half a thickness off both, which costs a part of the turn that practice
    // takes off.
    const real = windByHand(15 / 2 + 0.2, length, 0.4) - windByHand(45 / 2 - 0.2, length, -0.4);
    expect(turns - real).toBeGreaterThan(0.1);
    expect(turns - real).toBeLessThan(TURNS_LOST);
  });

  it('are most when half the free space is filled', () => {
    // Practice: a third each for arbor, spring and space.
    const best = bestLengthMm(barrel);
    expect(best).toBeCloseTo(1767, 0);
    expect(coil(barrel, best).fills).toBeCloseTo(0.5, 9);
    fc.assert(
      fc.property(fc.double({ min: 0.02, max: 0.98, noNaN: true }), (fill) => {
        expect(coil(barrel, fill * solidLengthMm(barrel)).turns).toBeLessThanOrEqual(coil(barrel, best).turns + 1e-9);
      }),
    );
  });

  it('come back from turns to the two lengths', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.5, max: 8.8, noNaN: true }), (turns) => {
        const [short, long] = lengthsForTurns(barrel, turns);
        expect(short).toBeLessThanOrEqual(long);
        for (const l of [short, long]) expect(coil(barrel, l).turns).toBeCloseTo(turns, 5);
      }),
    );
    expect(() => lengthsForTurns(barrel, 9)).toThrow(/8\.85/);
  });

  it('refuses what cannot be', () => {
    expect(() => coil(barrel, 3600)).toThrow(/at most 3534/);
    expect(() => coil({ ...barrel, arborMm: 45 }, 100)).toThrow(RangeError);
    expect(() => coil({ ...barrel, thicknessMm: 8 }, 100)).toThrow(/coils/);
  });
});

describe('strength', () => {
  const strip = { thicknessMm: 0.4, widthMm: 19, lengthMm: 1500 };
  it('goes with the cube of the thickness', () => {
    // Practice: 5 % thicker pulls 16 % harder.
    const at = (s: Partial<typeof strip>) => strengthAgainst({ ...strip, ...s }, strip, { barrelMm: 45, arborMm: 15 });
    expect(at({ widthMm: 38 })).toBeCloseTo(2, 9);
    // A thicker one lies in fewer coils on its arbor, which takes a little of the cube.
    expect(at({ thicknessMm: 0.42 })).toBeGreaterThan(1.11);
    expect(at({ thicknessMm: 0.42 })).toBeLessThan(1.16);
    // Common practice: 15 % shorter of the same strip is 4 to 6 % harder fully wound, not 18.
    expect(at({ lengthMm: 0.85 * 1500 })).toBeGreaterThan(1.04);
    expect(at({ lengthMm: 0.85 * 1500 })).toBeLessThan(1.06);
  });
  it('is that of a strip bent to a circle', () => {
    // Published, any text on elasticity: M = E I/ρ with I = b e³/12; one turn over the length has ρ = ℓ/2π.
    const moment = (206e3 * ((19 * 0.4 ** 3) / 12)) / (1500 / (2 * Math.PI));
    expect(torqueNmm(strip, 1)).toBeCloseTo(moment, 6);
  });
  it('chooses what goes in, and the nearest of it', () => {
    const stock = [
      { name: 'wide', widthMm: 20, thicknessMm: 0.4, lengthMm: 1700 },
      { name: 'too long', widthMm: 19, thicknessMm: 0.4, lengthMm: 4000 },
      { name: 'thick', widthMm: 18.5, thicknessMm: 0.45, lengthMm: 1600 },
      { name: 'near', widthMm: 18.5, thicknessMm: 0.4, lengthMm: 1700 },
    ];
    expect(chooseSpring(barrel, { widthMm: 19, thicknessMm: 0.4 }, stock).map((s) => s.name)).toEqual([
      'near',
      'thick',
    ]);
  });
  it('of a spring that hardly opens is gone', () => {
    // From memory of practice.
    expect([60, 100, 140].map((free) => judgeFree(free, 45))).toEqual(['set', 'tired', 'lively']);
  });
});
