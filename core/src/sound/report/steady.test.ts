import { linearRegression } from 'simple-statistics';
import { describe, expect, it } from 'vitest';
import { normal, seeded } from '../../simulated/index.ts';
import { steadiness } from './steady.ts';
import { wheelPattern } from './wheel.ts';

const index = Array.from({ length: 160 }, (_, k) => k);
function beats(scatterS: number, wanderS: number, seed: number) {
  const gauss = normal(seeded(seed));
  let walk = 0;
  return index.map((k) => {
    walk += wanderS * gauss();
    return 5 + 0.5 * k + walk + scatterS * gauss();
  });
}

describe('pace', () => {
  it('is the least-squares line where nothing wanders', () => {
    // Oracle: a statistics library, on beats without beat error; the odd offset is then all but unseen.
    for (let seed = 0; seed < 10; seed++) {
      const at = beats(1e-4, 0, seed);
      const line = linearRegression(index.map((k) => [k, at[k]!]));
      const s = steadiness(index, at);
      expect(Math.abs(s.beatS - line.m) / s.beatError).toBeLessThan(0.6);
      expect(s.scatterS).toBeGreaterThan(0.8e-4);
      expect(s.scatterS).toBeLessThan(1.2e-4);
    }
  });
  it('of a clock that only wanders is the way from the first beat to the last', () => {
    // Published: the best estimate of the drift of a random walk is its whole way, with σ/√n of error (any text on
    // Brownian motion).
    let sum = 0;
    for (let seed = 0; seed < 40; seed++) {
      const at = beats(1e-7, 1e-3, seed);
      const s = steadiness(index, at);
      expect(Math.abs(s.beatS - (at.at(-1)! - at[0]!) / 159)).toBeLessThan(0.15 * (1e-3 / Math.sqrt(159)));
      sum += s.beatError;
    }
    expect(sum / 40 / (1e-3 / Math.sqrt(159))).toBeGreaterThan(0.9);
    expect(sum / 40 / (1e-3 / Math.sqrt(159))).toBeLessThan(1.2);
  });
  it('knows the odd beats apart, and beats that are missing', () => {
    const at = beats(5e-5, 0, 3).map((t, k) => t + (k % 2 ? 0.006 : 0));
    const kept = index.filter((k) => k % 7 !== 3);
    const s = steadiness(
      kept,
      kept.map((k) => at[k]!),
    );
    expect(s.oddS).toBeCloseTo(0.006, 4);
    expect(s.beatS).toBeCloseTo(0.5, 5);
  });
  it('needs beats', () => expect(() => steadiness([0, 1, 2], [0, 1, 2])).toThrow(RangeError));
});

it('a wheel of 24 is found by a tooth that stands high, and none where there is none', () => {
  const gauss = normal(seeded(4));
  const all = Array.from({ length: 400 }, (_, k) => k);
  expect(
    wheelPattern(
      all,
      all.map((k) => 5e-5 * gauss() + (k % 48 < 4 ? 4e-4 : 0)),
    )!.teeth,
  ).toBe(24);
  expect(
    wheelPattern(
      all,
      all.map(() => 5e-5 * gauss()),
    ),
  ).toBeNull();
});
