/** One way in which a struck thing rings. */
export interface Mode {
  hz: number;
  /** Time in which it falls to 1/e of its amplitude, seconds. */
  decayS: number;
  amplitude: number;
}

/** Something is struck: its modes begin together, at rest, at an exact moment. */
export interface Hit {
  atS: number;
  modes: readonly Mode[];
  gain: number;
}

interface Ringing {
  rest: number;
  y1: number;
  y2: number;
  a: number;
  b: number;
}

/** Modes are let go when they have fallen this far: −90 dB. */
const SILENT = Math.log(10 ** (90 / 20));

/**
 * Adds up what was struck, piece after piece. A mode is amplitude · e^(−t/decay) · sin(2πft) from its exact moment, run
 * as a resonator of two samples; modes over 0.45 of the sample rate cannot be carried and are left out.
 */
export class Striker {
  private ringing: Ringing[] = [];
  private waiting: Hit[] = [];
  private at = 0;
  constructor(private readonly sampleRate: number) {}

  /** Hits may come in any order, none before what was given out already. */
  strike(hit: Hit): void {
    let i = this.waiting.length;
    while (i > 0 && this.waiting[i - 1]!.atS > hit.atS) i--;
    this.waiting.splice(i, 0, hit);
  }

  /** The next samples, added to what `out` holds. */
  into(out: Float32Array): void {
    const from = this.at;
    const to = from + out.length;
    for (const r of this.ringing) run(r, out, 0);
    while (this.waiting.length > 0 && this.waiting[0]!.atS * this.sampleRate < to - 1) {
      const hit = this.waiting.shift()!;
      const first = Math.max(from, Math.ceil(hit.atS * this.sampleRate));
      for (const mode of hit.modes) {
        if (mode.hz > 0.45 * this.sampleRate) continue;
        const ringing = this.begin(hit, mode, first / this.sampleRate - hit.atS);
        run(ringing, out, first - from);
        if (ringing.rest > 0) this.ringing.push(ringing);
      }
    }
    this.ringing = this.ringing.filter((r) => r.rest > 0);
    this.at = to;
  }

  private begin(hit: Hit, { hz, decayS, amplitude }: Mode, sinceS: number): Ringing {
    const step = (2 * Math.PI * hz) / this.sampleRate;
    const fall = Math.exp(-1 / (decayS * this.sampleRate));
    const value = (t: number) => hit.gain * amplitude * Math.exp(-t / decayS) * Math.sin(2 * Math.PI * hz * t);
    // The two samples before the first one, as if it had always rung.
    return {
      rest: Math.ceil(SILENT * decayS * this.sampleRate),
      y1: value(sinceS - 1 / this.sampleRate),
      y2: value(sinceS - 2 / this.sampleRate),
      a: 2 * fall * Math.cos(step),
      b: -fall * fall,
    };
  }
}

function run(r: Ringing, out: Float32Array, from: number): void {
  const to = Math.min(out.length, from + r.rest);
  let { y1, y2 } = r;
  const { a, b } = r;
  for (let i = from; i < to; i++) {
    const y = a * y1 + b * y2;
    out[i] = out[i]! + y;
    y2 = y1;
    y1 = y;
  }
  r.rest -= to - from;
  r.y1 = y1;
  r.y2 = y2;
}
