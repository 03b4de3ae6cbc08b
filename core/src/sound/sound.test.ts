import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { linearRegression } from 'simple-statistics';
import {
  amplitudeDeg,
  beatError,
  bestRateError,
  judgeAmplitude,
  liftAngleDeg,
  offsetDeg,
  secondsForError,
  trueRate,
  unlockToDropMs,
} from './index.ts';

describe('amplitude', () => {
  // Published: simple harmonic swing through the lift angle, values worked by hand.
  it.each([
    [18000, 52, 280, 11.84],
    [14400, 50, 270, 14.758],
    [18000, 52, 150, 22.182],
  ])('%d, lift %d°, %d° is %d ms', (beats, lift, amplitude, ms) => {
    expect(unlockToDropMs(beats, lift, amplitude)).toBeCloseTo(ms, 2);
    expect(amplitudeDeg(beats, lift, ms)).toBeCloseTo(amplitude, 1);
    expect(liftAngleDeg(beats, amplitude, ms)).toBeCloseTo(lift, 1);
  });
  it('falls as the time grows', () => {
    fc.assert(
      fc.property(fc.double({ min: 100, max: 340, noNaN: true }), (a) => {
        expect(unlockToDropMs(18000, 52, a)).toBeGreaterThan(unlockToDropMs(18000, 52, a + 5));
      }),
    );
  });
  it('is refused for a pendulum, without a lift angle, and where no swing fits', () => {
    expect(() => amplitudeDeg(3600, 52, 12)).toThrow(/balances/);
    expect(() => amplitudeDeg(18000, 5, 12)).toThrow(/lift angle/);
    expect(() => amplitudeDeg(18000, 52, 90)).toThrow(RangeError);
  });
  it('has a healthy range', () =>
    expect([150, 260, 310, 330].map((a) => judgeAmplitude(a, 'lever').split(':')[0]!.split(' ')[0])).toEqual([
      'Too',
      'Healthy.',
      'Above',
      'It',
    ])); // From memory of practice.
});

describe('beat error', () => {
  it('is that of a swing about a displaced middle', () => {
    // Oracle: θ = A sin ωt passes the displaced middle; the two intervals are found by bisection.
    const [A, d, T] = [280, 4.4, 0.4];
    const cross = (from: number, to: number) => {
      for (let i = 0; i < 80; i++) {
        const mid = (from + to) / 2;
        if (
          Math.sign(A * Math.sin((2 * Math.PI * mid) / T) - d) === Math.sign(A * Math.sin((2 * Math.PI * from) / T) - d)
        )
          from = mid;
        else to = mid;
      }
      return from;
    };
    const [up, down, next] = [cross(0, T / 4), cross(T / 4, (3 * T) / 4), cross((3 * T) / 4, (5 * T) / 4)];
    const e = beatError(1000 * (down - up), 1000 * (next - down));
    expect(e.short).toBe('tick to tock');
    expect(offsetDeg(A, e.share)).toBeCloseTo(d, 2);
  });
  it('is nothing when both are equal', () => expect(beatError(500, 500)).toMatchObject({ ms: 0, short: 'neither' }));
});

describe('how well a rate can be known', () => {
  it('is the scatter of a fitted slope', () => {
    // Oracle: many lines fitted by a statistics library to beats with normal scatter.
    let seed = 12345;
    const uniform = () => ((seed = (seed * 1103515245 + 12345) % 2147483648) + 0.5) / 2147483648;
    const normal = () => Math.sqrt(-2 * Math.log(uniform())) * Math.cos(2 * Math.PI * uniform());
    const n = 120,
      tau = 0.5,
      slopes: number[] = [];
    for (let trial = 0; trial < 600; trial++)
      slopes.push(86400 * linearRegression(Array.from({ length: n }, (_, k) => [k * tau, 1e-4 * normal()])).m);
    const sd = Math.sqrt(slopes.reduce((s, x) => s + x * x, 0) / slopes.length);
    expect(bestRateError(7200, 60, 0.1) / sd).toBeGreaterThan(0.9);
    expect(bestRateError(7200, 60, 0.1) / sd).toBeLessThan(1.1);
  });
  it('says how long to listen', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.005, max: 1, noNaN: true }), (wanted) => {
        expect(bestRateError(18000, Math.max(1, secondsForError(18000, wanted, 0.1)), 0.1)).toBeLessThanOrEqual(
          wanted * 1.000001,
        );
      }),
    );
  });
  // By hand: a card ten parts in a million fast counts 86,400.864 s in a day, so a right clock seems slow by that much.
  it('takes the sample clock into account', () => expect(trueRate(0, 10)).toBeCloseTo(0.864, 9));
});
