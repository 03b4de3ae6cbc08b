import { linearRegression } from 'simple-statistics';
import { describe, expect, it } from 'vitest';
import tQuantile from '@stdlib/stats-base-dists-t-quantile';
import { familyById } from '../movement/index.ts';
import { fitRate } from './fit.ts';
import { currentSegment, dialError } from './reading.ts';
import { judgeRate, protocolFor } from './verdict.ts';
import { rateInWords } from './words.ts';

const DAY = 86_400_000;
const T0 = Date.UTC(2031, 4, 1);
const line = (rate: number, days: number[], wobble: number[] = []) =>
  days.map((d, i) => ({ at: T0 + d * DAY, errorS: 5 + rate * d + (wobble[i] ?? 0) }));

/** Small seeded generator (mulberry32, public domain) so that the trial below is the same every time. */
function seeded(seed: number) {
  return () => {
    seed = (seed + 0x6d2b79f5) | 0;
    let t = Math.imul(seed ^ (seed >>> 15), 1 | seed);
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  };
}

describe('rate from readings', () => {
  it('uses the published t table', () => {
    // Published: two-sided 95 % points of Student's t, e.g. NIST/SEMATECH e-Handbook of Statistical Methods, 1.3.6.7.2.
    for (const [degrees, t] of [
      [1, 12.706],
      [4, 2.776],
      [10, 2.228],
      [30, 2.042],
    ] as const)
      expect(tQuantile(0.975, degrees)).toBeCloseTo(t, 3);
  });

  it('agrees with a general statistics library on the slope', () => {
    const readings = line(12.5, [0, 1, 2, 3.2, 4, 5.1], [0.4, -0.8, 0.3, 0.9, -0.5, 0.1]);
    const reference = linearRegression(readings.map((r) => [(r.at - T0) / DAY, r.errorS]));
    expect(fitRate(readings, 1)!.rateSecondsPerDay).toBeCloseTo(reference.m, 9);
  });

  it('knows to about 4 s a day after one day of two readings with a seconds hand', () => {
    // By the tables: t(4) = 2.776, two readings a day apart of 1 s each: σ/√Sxx = √2 s/day.
    expect(fitRate(line(3, [0, 1]), 1)!.halfWidthSecondsPerDay).toBeCloseTo(2.776 * Math.SQRT2, 2);
  });

  it('holds the true rate in its interval about 95 times in a hundred', () => {
    const random = seeded(7);
    const normal = () => Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random());
    let inside = 0;
    for (let trial = 0; trial < 1000; trial++) {
      const fit = fitRate(line(-20, [0, 1, 2, 3, 4, 5, 6, 7], Array.from({ length: 8 }, normal)), 1)!;
      if (Math.abs(fit.rateSecondsPerDay + 20) <= fit.halfWidthSecondsPerDay) inside++;
    }
    expect(inside).toBeGreaterThan(925);
    expect(inside).toBeLessThan(985);
  });

  it('marks a misread minute and does not follow it', () => {
    const readings = line(10, [0, 1, 2, 3, 4, 5], [0, 0.5, 60, -0.3, 0.2, 0]);
    const fit = fitRate(readings, 1)!;
    expect(fit.outliers).toEqual([2]);
    expect(fit.rateSecondsPerDay).toBeCloseTo(10, 0);
  });

  it('has no rate from one reading, or two at one moment', () => {
    expect(fitRate(line(1, [0]), 1)).toBeNull();
    expect(fitRate(line(1, [2, 2]), 1)).toBeNull();
    expect(() => fitRate(line(1, [0, 1]), 0)).toThrow(RangeError);
  });
});

describe('readings of a dial', () => {
  const hms = (h: number, m: number, s = 0) => h * 3600 + m * 60 + s;
  // Facts of a twelve-hour dial.
  it.each([
    [hms(10, 12, 30), hms(10, 12), 30],
    [hms(0, 1), hms(23, 59), 120],
    [hms(11, 58), hms(0, 1), -180],
    [hms(1, 0), hms(13, 0), 0],
  ])('hands %d against %d: %d s', (dial, reference, want) => expect(dialError(dial, reference)).toBe(want));

  it('starts again after an adjustment', () => {
    expect(currentSegment(line(1, [0, 1, 2, 3]), [T0 + 1.5 * DAY]).map((r) => (r.at - T0) / DAY)).toEqual([2, 3]);
  });
});

describe('a rate in words', () => {
  it.each([
    [5.34, 'gains 5.3 s a day'],
    [-12.6, 'loses 13 s a day'],
    [0.04, 'keeps time'],
    [-0.02, 'keeps time'],
  ])('%d %s', (rate, words) => expect(rateInWords(rate)).toBe(words));
});

describe('the verdict', () => {
  const spring = protocolFor(familyById('mantel-barrels').traits);
  it('takes the house tolerance from the traits', () => {
    // Practice: house rules for the test run.
    expect(spring).toMatchObject({ shortestDays: 8, toleranceSecondsPerDay: 60 });
    expect(protocolFor(familyById('riveted-alarm').traits).toleranceSecondsPerDay).toBe(180);
    expect(protocolFor(familyById('longcase').traits).toleranceSecondsPerDay).toBeCloseTo(60 / 7, 0);
    expect(protocolFor(familyById('torsion').traits).shortestDays).toBe(30);
    // By house rule a week, or two to three weeks read daily; 2 min a week over 30 days needs its 30 days all the same.
    const lasts = (family: string, school: string) => {
      const p = protocolFor(familyById(family).traits, { 'run-length': school });
      return [p.shortestDays, p.readEveryHours];
    };
    expect([
      lasts('mantel-barrels', 'week'),
      lasts('mantel-barrels', 'weeks'),
      lasts('torsion', 'week'),
      lasts('torsion', 'weeks'),
    ]).toEqual([
      [7, 24],
      [14, 24],
      [30, 48],
      [30, 24],
    ]);
  });
  it('waits for the whole run before it says inside', () => {
    const days = [0, 1, 2, 3];
    expect(judgeRate(fitRate(line(8, days), 1), spring, T0, T0 + 3 * DAY)).toMatchObject({
      kind: 'not yet',
      readAgainAt: T0 + 8 * DAY,
    });
    expect(judgeRate(fitRate(line(8, [...days, 5, 8]), 1), spring, T0, T0 + 8 * DAY).kind).toBe('inside');
  });
  it('says outside only when the whole interval is', () => {
    expect(judgeRate(fitRate(line(200, [0, 1]), 1), spring, T0, T0 + DAY).kind).toBe('outside');
    const near = judgeRate(fitRate(line(58, [0, 1]), 1), spring, T0, T0 + DAY);
    expect(near.kind).toBe('not yet');
  });
  it('promises a time to read again that keeps its word', () => {
    const days = [0, 0.5];
    const first = judgeRate(fitRate(line(50, days), 10), spring, T0, T0 + 0.5 * DAY);
    if (first.kind !== 'not yet' || first.readAgainAt === null) throw new Error('expected a time');
    const again = fitRate(line(50, [...days, (first.readAgainAt - T0) / DAY]), 10)!;
    expect(again.halfWidthSecondsPerDay).toBeLessThanOrEqual(10);
  });
});
