import FFT from 'fft.js';

const made = new Map<number, FFT>();
/** A transform holds large tables, so each size is made only once. */
export function transformOf(size: number): FFT {
  const known = made.get(size) ?? new FFT(size);
  made.set(size, known);
  return known;
}

/** Autocorrelation of a series at each lag, 1 at lag 0; each lag is weighted by how much overlaps. */
export function repetition(series: ArrayLike<number>, mostLag: number): Float64Array {
  const n = series.length;
  const lags = Math.min(mostLag, n - 1);
  const size = 2 ** Math.ceil(Math.log2(n + lags + 1));
  const fft = transformOf(size);
  let mean = 0;
  for (let i = 0; i < n; i++) mean += series[i]!;
  mean /= n;
  const input = new Float64Array(size);
  for (let i = 0; i < n; i++) input[i] = series[i]! - mean;
  const spectrum = new Float64Array(2 * size);
  fft.realTransform(spectrum, input);
  const power = new Float64Array(2 * size);
  for (let i = 0; i <= size; i += 2) {
    const p = spectrum[i]! * spectrum[i]! + spectrum[i + 1]! * spectrum[i + 1]!;
    power[i] = p;
    if (i > 0 && i < size) power[2 * size - i] = p;
  }
  // The power spectrum of a real series is even, so the same transform goes back.
  fft.transform(spectrum, power);
  const out = new Float64Array(lags + 1);
  const whole = spectrum[0]! / n || 1;
  for (let lag = 0; lag <= lags; lag++) out[lag] = spectrum[2 * lag]! / (n - lag) / whole;
  return out;
}

/** Greatest value near a place, and where exactly by the parabola through it and its neighbours. */
export function peakNear(series: ArrayLike<number>, at: number, reach: number): { at: number; height: number } {
  let best = Math.max(0, Math.round(at - reach));
  const to = Math.min(series.length - 1, Math.round(at + reach));
  for (let i = best + 1; i <= to; i++) if (series[i]! > series[best]!) best = i;
  const [a, b, c] = [series[best - 1] ?? 0, series[best] ?? 0, series[best + 1] ?? 0];
  const bend = a - 2 * b + c;
  const shift = bend < 0 ? Math.max(-0.5, Math.min(0.5, (0.5 * (a - c)) / bend)) : 0;
  return { at: best + shift, height: b };
}
