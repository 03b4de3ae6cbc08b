import { transformOf } from '../find/repeat.ts';

/** The bands of a colour, from about the lowest octave to the limit of microphones. */
const BANDS = 14,
  FROM_HZ = 650,
  TO_HZ = 12_000;
const LENGTH_S = 0.011;
/**
 * Two kinds of beat are two sounds when their colours differ by this many standard deviations (more for few beats) and
 * by at least this much, natural logarithm of power.
 */
const DISTINCT = 5.5,
  LEAST = 0.12,
  LEAST_BEATS = 5;

/**
 * How the power of a stretch of sound, from a place on, is spread over pitch: logarithms, less their mean, so that
 * loudness does not count.
 */
export function colour(samples: Float32Array, from: number, sampleRate: number): number[] {
  const size = 2 ** Math.round(Math.log2(LENGTH_S * sampleRate));
  const fft = transformOf(size);
  const input = new Float64Array(size);
  for (let i = 0; i < size; i++) input[i] = samples[from + i] ?? 0;
  const out = new Float64Array(2 * size);
  fft.realTransform(out, input);
  const top = Math.min(TO_HZ, 0.45 * sampleRate);
  const edge = (b: number) => Math.max(1, Math.round((FROM_HZ * (top / FROM_HZ) ** (b / BANDS) * size) / sampleRate));
  const logs = Array.from({ length: BANDS }, (_, b) => {
    let power = 0;
    for (let k = edge(b); k < Math.max(edge(b) + 1, edge(b + 1)); k++) power += out[2 * k]! ** 2 + out[2 * k + 1]! ** 2;
    return Math.log(power + 1e-14);
  });
  const mean = logs.reduce((a, b) => a + b, 0) / BANDS;
  return logs.map((l) => l - mean);
}

/** Whether two sets of colours differ in a band by far more than chance would. */
export function coloursDiffer(a: readonly (readonly number[])[], b: readonly (readonly number[])[]): boolean {
  const fewest = Math.min(a.length, b.length);
  if (fewest < LEAST_BEATS) return false;
  const clear = DISTINCT * (1 + 6 / (fewest - 2));
  for (let band = 0; band < BANDS; band++) {
    const [x, y] = [spread(a.map((c) => c[band]!)), spread(b.map((c) => c[band]!))];
    const apart = Math.abs(x.mean - y.mean);
    if (apart > LEAST && apart > clear * Math.sqrt(x.variance / a.length + y.variance / b.length + 1e-9)) return true;
  }
  return false;
}

function spread(x: readonly number[]): { mean: number; variance: number } {
  const mean = x.reduce((s, v) => s + v, 0) / x.length;
  return { mean, variance: x.reduce((s, v) => s + (v - mean) ** 2, 0) / Math.max(1, x.length - 1) };
}
