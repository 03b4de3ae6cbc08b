import type { Chance } from './chance.ts';

export const ROOMS = ['none', 'bench', 'hall'] as const;
export type RoomId = (typeof ROOMS)[number];

/** Reverberation time (to −60 dB) and how loud the room answers. From memory of small workshops and stone halls. */
const KINDS: Record<Exclude<RoomId, 'none'>, { t60S: number; wet: number; firstMs: readonly [number, number] }> = {
  bench: { t60S: 0.3, wet: 0.25, firstMs: [2, 12] },
  hall: { t60S: 0.9, wet: 0.5, firstMs: [5, 40] },
};
/**
 * Delays of the combs and all-passes, seconds. Source: M. R. Schroeder, Natural sounding artificial reverberation,
 * 1962.
 */
const COMBS_S = [0.0297, 0.0371, 0.0411, 0.0437],
  PASSES_S = [0.005, 0.0017],
  PASS_GAIN = 0.7;
const FIRST_REFLECTIONS = 6;

/**
 * A room round the sound: a few first reflections, then Schroeder's combs and all-passes. Works in place, piece after
 * piece.
 */
export class Room {
  private readonly combs: { line: Float32Array; gain: number; at: number }[];
  private readonly passes: { line: Float32Array; at: number }[];
  private readonly first: { back: number; gain: number }[];
  private readonly past: Float32Array;
  private at = 0;
  private readonly wet: number;

  constructor(room: Exclude<RoomId, 'none'>, sampleRate: number, chance: Chance) {
    const {
      t60S,
      wet,
      firstMs: [near, far],
    } = KINDS[room];
    this.wet = wet;
    this.combs = COMBS_S.map((s) => ({
      line: new Float32Array(Math.round(s * sampleRate)),
      gain: 10 ** ((-3 * s) / t60S),
      at: 0,
    }));
    this.passes = PASSES_S.map((s) => ({ line: new Float32Array(Math.max(1, Math.round(s * sampleRate))), at: 0 }));
    this.first = Array.from({ length: FIRST_REFLECTIONS }, () => {
      const ms = near + (far - near) * chance();
      return {
        back: Math.round((ms / 1000) * sampleRate),
        gain: wet * (chance() < 0.5 ? -1 : 1) * Math.sqrt(near / ms),
      };
    });
    this.past = new Float32Array(Math.ceil((far / 1000) * sampleRate) + 2);
  }

  through(samples: Float32Array): void {
    const { past } = this;
    for (let i = 0; i < samples.length; i++) {
      const dry = samples[i]!;
      past[this.at] = dry;
      let heard = dry;
      for (const { back, gain } of this.first) heard += gain * past[(this.at - back + past.length) % past.length]!;
      this.at = (this.at + 1) % past.length;
      let late = 0;
      for (const c of this.combs) {
        const y = c.line[c.at]!;
        c.line[c.at] = dry + c.gain * y;
        if (++c.at === c.line.length) c.at = 0;
        late += y;
      }
      late *= 0.25;
      for (const p of this.passes) {
        const y = p.line[p.at]!;
        const x = late + PASS_GAIN * y;
        p.line[p.at] = x;
        if (++p.at === p.line.length) p.at = 0;
        late = y - PASS_GAIN * x;
      }
      samples[i] = heard + this.wet * late;
    }
  }
}
