/** One section of second order. Coefficients as in R. Bristow-Johnson's cookbook for audio filters (published 1998). */
interface Section {
  b0: number;
  b1: number;
  b2: number;
  a1: number;
  a2: number;
}

function section(kind: 'high' | 'low', hz: number, sampleRate: number): Section {
  const w = (2 * Math.PI * hz) / sampleRate;
  const [cos, alpha] = [Math.cos(w), Math.sin(w) / Math.SQRT2];
  const a0 = 1 + alpha;
  const b1 = (kind === 'high' ? -(1 + cos) : 1 - cos) / a0;
  return { b0: Math.abs(b1) / 2, b1, b2: Math.abs(b1) / 2, a1: (-2 * cos) / a0, a2: (1 - alpha) / a0 };
}

/**
 * Lets through what lies between two frequencies (Butterworth, second order at each edge), and nothing before its time.
 */
export class Passband {
  private readonly sections: Section[];
  constructor(sampleRate: number, fromHz: number, toHz: number) {
    this.sections = [
      section('high', fromHz, sampleRate),
      ...(toHz < 0.4 * sampleRate ? [section('low', toHz, sampleRate)] : []),
    ];
  }
  through(samples: Float32Array): Float32Array {
    let x = samples;
    for (const { b0, b1, b2, a1, a2 } of this.sections) {
      const y = new Float32Array(x.length);
      let x1 = 0,
        x2 = 0,
        y1 = 0,
        y2 = 0;
      for (let i = 0; i < x.length; i++) {
        const now = x[i]!;
        const out = b0 * now + b1 * x1 + b2 * x2 - a1 * y1 - a2 * y2;
        x2 = x1;
        x1 = now;
        y2 = y1;
        y1 = out;
        y[i] = out;
      }
      x = y;
    }
    return x;
  }
}
