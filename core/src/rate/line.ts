import tQuantile from '@stdlib/stats-base-dists-t-quantile';

export interface Line {
  slope: number;
  /** Half the 95 % interval of the slope. */
  halfWidth: number;
  /** Value at x = 0. */
  at0: number;
  n: number;
}

/**
 * Straight line by least squares with the 95 % interval of its slope from the scatter alone, Student's t with n − 2
 * degrees. Published: normal linear model, any text on statistics. @returns null for fewer than three points or all x
 * alike
 */
export function fitLine(points: readonly (readonly [x: number, y: number])[]): Line | null {
  const n = points.length;
  if (n < 3) return null;
  const mx = points.reduce((a, [x]) => a + x, 0) / n;
  const my = points.reduce((a, [, y]) => a + y, 0) / n;
  const sxx = points.reduce((a, [x]) => a + (x - mx) ** 2, 0);
  if (sxx === 0) return null;
  const slope = points.reduce((a, [x, y]) => a + (x - mx) * (y - my), 0) / sxx;
  const ssr = points.reduce((a, [x, y]) => a + (y - my - slope * (x - mx)) ** 2, 0);
  return { slope, halfWidth: tQuantile(0.975, n - 2) * Math.sqrt(ssr / (n - 2) / sxx), at0: my - slope * mx, n };
}
