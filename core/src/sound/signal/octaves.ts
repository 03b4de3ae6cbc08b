/**
 * Splits sound into octaves and gives the energy of each, frame by frame of one to two milliseconds. Daubechies'
 * wavelets of four coefficients (I. Daubechies, Orthonormal bases of compactly supported wavelets, 1988) in the lifted
 * form of I. Daubechies and W. Sweldens (Factoring wavelet transforms into lifting steps, 1998): three multiplications
 * for two samples. What hums below the octaves is left out.
 */
const ROOT3 = Math.sqrt(3);
const DOWN = ROOT3 / 4,
  BACK = (ROOT3 - 2) / 4;
/** What the lifted form leaves out of both halves: squares of (√3 + 1)/√2 and (√3 − 1)/√2. */
const HIGH_SQUARE = (ROOT3 + 1) ** 2 / 2,
  LOW_SQUARE = (ROOT3 - 1) ** 2 / 2;

/** The lowest octave starts above this frequency: below it rooms hum and voices are loudest. */
const LOWEST_HZ = 650;
/** Octaves that start above this carry little of a clock. */
const HIGHEST_HZ = 10_500;
const FRAME_S = 0.001;

export interface OctaveShape {
  frame: number;
  /** From high to low: the level of halving, lower edge, and coefficients a frame. */
  bands: { level: number; fromHz: number; count: number }[];
}

/** How sound of this sample rate, Hz, is split: about 1 ms a frame, octaves from 650 Hz to 10.5 kHz. */
export function octaveShape(sampleRate: number): OctaveShape {
  const all: { level: number; fromHz: number }[] = [];
  for (let level = 1, fromHz = sampleRate / 4; fromHz >= LOWEST_HZ * 0.75; level++, fromHz /= 2)
    all.push({ level, fromHz });
  const deepest = all.at(-1)!.level;
  const frame = 2 ** Math.max(deepest, Math.ceil(Math.log2(FRAME_S * sampleRate)));
  return { frame, bands: all.filter((b) => b.fromHz < HIGHEST_HZ).map((b) => ({ ...b, count: frame >> b.level })) };
}

export class Octaves {
  readonly shape: OctaveShape;
  private readonly depth: number;
  private rest = new Float32Array(0);
  /** The last sum of each level. */
  private readonly past: Float64Array;

  constructor(sampleRate: number) {
    this.shape = octaveShape(sampleRate);
    this.depth = this.shape.bands.at(-1)!.level;
    this.past = new Float64Array(this.depth);
  }

  /** Mean squares of the whole frames that are now there: one array a band, high to low. What is left over waits. */
  push(samples: Float32Array): Float32Array[] {
    const { frame, bands } = this.shape;
    let input = samples;
    if (this.rest.length > 0) {
      input = new Float32Array(this.rest.length + samples.length);
      input.set(this.rest);
      input.set(samples, this.rest.length);
    }
    const frames = Math.floor(input.length / frame);
    this.rest = input.slice(frames * frame);
    let x: Float32Array = input.subarray(0, frames * frame);
    let scale = 1;
    const out: Float32Array[] = [];
    for (let level = 1; level <= this.depth; level++) {
      const half = x.length >> 1;
      const low = new Float32Array(half);
      const count = half / Math.max(1, frames);
      const squares = new Float32Array(frames);
      const mean = (scale * HIGH_SQUARE) / count;
      let before = this.past[level - 1]!;
      for (let f = 0, i = 0, j = 0; f < frames; f++) {
        let power = 0;
        for (const end = i + count; i < end; i++, j += 2) {
          const odd = x[j + 1]!;
          const sum = x[j]! + ROOT3 * odd;
          const d = odd - DOWN * sum - BACK * before;
          low[i] = before - d;
          power += d * d;
          before = sum;
        }
        squares[f] = power * mean;
      }
      this.past[level - 1] = before;
      if (bands.some((b) => b.level === level)) out.push(squares);
      scale *= LOW_SQUARE;
      x = low;
    }
    return out;
  }
}
