import { describe, expect, it } from 'vitest';
import { linearRegression } from 'simple-statistics';
import { fitLine, fitRate } from './index.ts';

describe('a straight line', () => {
  it('has the slope of a statistics library, and the interval of the tables', () => {
    const points: [number, number][] = [[1, 2.1], [2, 3.9], [3, 6.2], [4, 7.8], [5, 10.1]];
    const line = fitLine(points)!;
    expect(line.slope).toBeCloseTo(linearRegression(points).m, 12);
    // Published: t(3) = 3.182; worked by hand: SSR 0.107, Sxx 10, so 3.182·√(0.107/3/10) = 0.190.
    expect(line.halfWidth).toBeCloseTo(0.19, 3);
  });
  it('needs three points, not all in one place', () => {
    expect(fitLine([[1, 1], [2, 2]])).toBeNull();
    expect(fitLine([[1, 1], [1, 2], [1, 3]])).toBeNull();
  });
});

it('many readings are robust too', () => {
  const readings = Array.from({ length: 2000 }, (_, i) => ({ at: i * 3_600_000, errorS: i % 97 === 0 ? 900 : (4 * i) / 24 + ((i * 7919) % 13) / 13 }));
  const fit = fitRate(readings, 1)!;
  expect(fit.outliers).toHaveLength(Math.ceil(2000 / 97));
  expect(fit.rateSecondsPerDay).toBeCloseTo(4, 2);
});
