import tQuantile from '@stdlib/stats-base-dists-t-quantile';
import fc from 'fast-check';
import { jStat } from 'jstat';
import { describe, expect, it } from 'vitest';
import { linearRegression } from 'simple-statistics';
import { fitLine, fitRate } from './index.ts';

describe('a straight line', () => {
  it('has the slope of a statistics library, and the interval of the tables', () => {
    const points: [number, number][] = [
      [1, 2.1],
      [2, 3.9],
      [3, 6.2],
      [4, 7.8],
      [5, 10.1],
    ];
    const line = fitLine(points)!;
    expect(line.slope).toBeCloseTo(linearRegression(points).m, 12);
    // Published: t(3) = 3.182; worked by hand: SSR 0.107, Sxx 10, so 3.182·√(0.107/3/10) = 0.190.
    expect(line.halfWidth).toBeCloseTo(0.19, 3);
  });
  it('has the interval of another statistics library, whatever the points', () => {
    for (const degrees of [1, 2, 3, 4, 8, 30, 200])
      expect(tQuantile(0.975, degrees)).toBeCloseTo(jStat.studentt.inv(0.975, degrees), 5);
    const point = fc.tuple(fc.integer({ min: -500, max: 500 }), fc.integer({ min: -5000, max: 5000 }));
    fc.assert(
      fc.property(fc.uniqueArray(point, { minLength: 4, maxLength: 25, selector: ([x]) => x }), (points) => {
        const ols = jStat.models.ols(
          points.map(([, y]) => y),
          points.map(([x]) => [1, x]),
        );
        const line = fitLine(points)!;
        expect(line.slope).toBeCloseTo(ols.coef[1]!, 5);
        const half = jStat.studentt.inv(0.975, points.length - 2) * ols.t.se[1]!;
        expect(Math.abs(line.halfWidth - half)).toBeLessThan(1e-5 * Math.max(1, half));
      }),
    );
  });
  it('needs three points, not all in one place', () => {
    expect(
      fitLine([
        [1, 1],
        [2, 2],
      ]),
    ).toBeNull();
    expect(
      fitLine([
        [1, 1],
        [1, 2],
        [1, 3],
      ]),
    ).toBeNull();
  });
});

it('many readings are robust too', () => {
  const readings = Array.from({ length: 2000 }, (_, i) => ({
    at: i * 3_600_000,
    errorS: i % 97 === 0 ? 900 : (4 * i) / 24 + ((i * 7919) % 13) / 13,
  }));
  const fit = fitRate(readings, 1)!;
  expect(fit.outliers).toHaveLength(Math.ceil(2000 / 97));
  expect(fit.rateSecondsPerDay).toBeCloseTo(4, 2);
});
