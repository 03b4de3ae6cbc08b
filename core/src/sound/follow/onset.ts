/** An onset in a profile of power. */
export interface Onset {
  /** Samples from the start of the profile. */
  at: number;
  /** Natural logarithm of the power after over the power before. */
  rise: number;
  /** Growth of the power. */
  jump: number;
}

/**
 * Finds onsets in a profile of power (mean square of aligned beats, sample by sample). At each strong rise the exact
 * place is the point that best splits the profile into a quieter and a louder part: the change point of two normal
 * distributions of different variance, as for the first arrival of an earthquake (N. Maeda, A method for reading and
 * checking phase times in auto-processing system of seismic wave data, 1985).
 * @param width samples on either side that are compared, about a third of a millisecond
 * @param pooled beats in the profile: a rise must stand clear of what so many let chance do
 * @param edge samples at either end that not all beats reach
 */
export function onsets(power: Float64Array, width: number, pooled: number, leastRise: number, edge = 0): Onset[] {
  const n = power.length;
  const sums = new Float64Array(n + 1);
  for (let i = 0; i < n; i++) sums[i + 1] = sums[i]! + power[i]!;
  const mean = (from: number, to: number) => (sums[to]! - sums[from]!) / (to - from);
  const rise = new Float64Array(n);
  for (let i = 2 * width; i < n - width; i++)
    rise[i] = Math.log(mean(i, i + width) / Math.max(1e-30, mean(i - 2 * width, i)));
  const least = Math.max(leastRise, 6 * Math.sqrt(2 / (width * Math.max(1, pooled))));
  const found: Onset[] = [];
  for (let i = 2 * width + edge; i < n - width - edge; i++) {
    if (rise[i]! < least) continue;
    let top = i;
    while (i < n - width && rise[i]! >= least) {
      if (rise[i]! > rise[top]!) top = i;
      i++;
    }
    found.push({
      at: beginning(power, Math.max(0, top - 3 * width), Math.min(n, top + width), sums, width, pooled),
      rise: rise[top]!,
      jump: mean(top, top + width) - mean(top - 2 * width, top),
    });
  }
  return found;
}

/**
 * An onset is placed where the power reaches this share of its first peak, and at least this far above the noise
 * (standard deviations of its mean).
 */
const BEGUN = 0.12,
  CLEAR_OF_NOISE = 5;

/** From the change point back along the first flank to where it leaves the floor; linear between samples. */
function beginning(
  power: Float64Array,
  from: number,
  to: number,
  sums: Float64Array,
  width: number,
  pooled: number,
): number {
  const k = parting(from, to, sums);
  const [f0, f1] = [Math.max(0, k - 2 * width), Math.max(1, k - (width >> 1))];
  const floor = (sums[f1]! - sums[f0]!) / Math.max(1, f1 - f0);
  let top = k;
  for (let i = Math.max(1, k - (width >> 1)); i < Math.min(power.length, k + width); i++)
    if (power[i]! > power[top]!) top = i;
  const height = power[top]! - floor;
  const least = Math.max(BEGUN * BEGUN * height, CLEAR_OF_NOISE * floor * Math.sqrt(2 / Math.max(1, pooled)));
  const first = Math.max(1, k - width);
  for (let i = first; i <= top; i++) {
    if (power[i]! - floor < least || power[i + 1]! - floor < least) continue;
    const [a, b] = [Math.sqrt(Math.max(0, power[i - 1]! - floor)), Math.sqrt(power[i]! - floor)];
    return b > a ? i - Math.min(1, (b - Math.sqrt(least)) / (b - a)) : i;
  }
  return k;
}

function parting(from: number, to: number, sums: Float64Array): number {
  let best = from + 2,
    most = -Infinity;
  for (let k = from + 2; k <= to - 2; k++) {
    const before = (sums[k]! - sums[from]!) / (k - from),
      after = (sums[to]! - sums[k]!) / (to - k);
    if (after <= before) continue;
    const likely = -(k - from) * Math.log(before + 1e-30) - (to - k) * Math.log(after + 1e-30);
    if (likely > most) {
      most = likely;
      best = k;
    }
  }
  return best;
}

/** Of the pairs that agree, those nearly as sharp as the sharpest give the exact shift. */
const SHARP = 0.6;

/**
 * How much later the onsets of one profile are than those of another: the shift at which most agree, taken from the
 * sharpest.
 */
export function onsetShift(
  a: readonly Onset[],
  b: readonly Onset[],
  near: number,
  most: number,
): { shift: number; pairs: number } | null {
  let best: { pairs: { shift: number; rise: number }[]; weight: number } | null = null;
  for (const x of a)
    for (const y of b) {
      const guess = y.at - x.at;
      if (Math.abs(guess) > most) continue;
      const pairs = a.flatMap((u) => {
        const v = b.reduce<Onset | null>(
          (n, o) =>
            Math.abs(o.at - u.at - guess) <= near &&
            (n === null || Math.abs(o.at - u.at - guess) < Math.abs(n.at - u.at - guess))
              ? o
              : n,
          null,
        );
        return v ? [{ shift: v.at - u.at, rise: Math.min(u.rise, v.rise) }] : [];
      });
      const weight = pairs.reduce((s, p) => s + p.rise, 0);
      if (best === null || weight > best.weight) best = { pairs, weight };
    }
  if (!best) return null;
  const sharpest = Math.max(...best.pairs.map((p) => p.rise));
  const told = best.pairs.filter((p) => p.rise >= SHARP * sharpest);
  return {
    shift: told.reduce((s, p) => s + p.rise * p.shift, 0) / told.reduce((s, p) => s + p.rise, 0),
    pairs: told.length,
  };
}
