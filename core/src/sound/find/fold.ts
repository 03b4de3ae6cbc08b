/** Folds a series at a spacing: the mean of each phase. */
export function folded(series: ArrayLike<number>, spacing: number): Float64Array {
  const bins = Math.max(8, Math.round(spacing));
  const sum = new Float64Array(bins);
  const count = new Float64Array(bins);
  for (let i = 0; i < series.length; i++) {
    const turn = i / spacing;
    const bin = Math.floor((turn - Math.floor(turn)) * bins);
    sum[bin] = sum[bin]! + series[i]!;
    count[bin] = count[bin]! + 1;
  }
  return sum.map((s, b) => (count[b]! > 0 ? s / count[b]! : 0));
}

export interface Hump {
  /** Share of the spacing, 0 to 1. */
  phase: number;
  height: number;
  /** Height over the median, in robust standard deviations. */
  z: number;
}

/** Humps of a folded series, highest first. None is nearer to a higher one than `apart` (a share of the whole). */
export function humps(profile: Float64Array, apart: number, leastZ: number): Hump[] {
  const n = profile.length;
  const sorted = Float64Array.from(profile).sort();
  const level = sorted[n >> 1]!;
  const scatter =
    1.4826 * Float64Array.from(profile, (p) => Math.abs(p - level)).sort()[n >> 1]! + 1e-9 + 0.002 * sorted[n - 1]!;
  const found: Hump[] = [];
  const order = Array.from(profile.keys()).sort((a, b) => profile[b]! - profile[a]!);
  for (const i of order) {
    const z = (profile[i]! - level) / scatter;
    if (z < leastZ || found.length >= 6) break;
    const phase = (i + 0.5) / n;
    if (found.every((h) => between(h.phase, phase) >= apart)) found.push({ phase, height: profile[i]! - level, z });
  }
  return found;
}

/** Distance of two phases on the circle, 0 to 0.5. */
export function between(a: number, b: number): number {
  const d = Math.abs(a - b) % 1;
  return Math.min(d, 1 - d);
}

/**
 * By how many bins the second half of a folded series lies later than the first: where the two fit best. Looks `most`
 * to either side.
 */
export function halfShift(profile: Float64Array, most: number): number {
  const n = profile.length;
  const half = n >> 1;
  let best = 0,
    height = -Infinity;
  for (let shift = -most; shift <= most; shift++) {
    let sum = 0;
    for (let i = 0; i < n; i++) sum += profile[i]! * profile[(i + half + shift + n) % n]!;
    // When two fit equally well, the one nearer to the middle.
    if (sum > height * (1 + 1e-9) || (sum > height * (1 - 1e-9) && Math.abs(shift) < Math.abs(best))) {
      height = sum;
      best = shift;
    }
  }
  return best;
}
