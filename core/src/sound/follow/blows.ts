import { Frames } from '../signal/frames.ts';

/** A blow has an onset at least this clear and rings on this long: no tick does. */
const LEAST_NOVELTY = 1.2,
  RINGS_S = [0.06, 0.16] as const,
  RINGS_OVER = 1.5,
  APART_S = 0.22;
/** A strike is over when the pause is this many times longer than between its blows. */
const OVER_S = 4;

export interface Strike {
  /** Seconds from the beginning of the listening. */
  fromS: number;
  blows: number;
  /** Mean seconds from blow to blow, and their scatter, s. */
  everyS: number | null;
  unevenS: number | null;
}

/** Counts blows on bell, rod or gong as they come, and their spacing. */
export class BlowCounter {
  readonly strikes: Strike[] = [];
  private readonly frames: Frames;
  private looked = 0;
  private at: number[] = [];
  constructor(sampleRate: number) {
    this.frames = new Frames(sampleRate, 12);
  }

  get seconds(): number {
    return this.frames.end * this.frames.frameS;
  }

  push(samples: Float32Array): void {
    const { frames } = this;
    frames.push(samples);
    const ring = Math.ceil(RINGS_S[1] / frames.frameS);
    const before = Math.round(0.02 / frames.frameS);
    for (; this.looked + ring < frames.end; this.looked++) {
      const f = this.looked;
      if (
        f < before ||
        frames.novelty(f) < LEAST_NOVELTY ||
        frames.novelty(f) < frames.novelty(f - 1) ||
        frames.novelty(f) < frames.novelty(f + 1)
      )
        continue;
      const last = this.at.at(-1);
      if (last !== undefined && (f - last) * frames.frameS < APART_S) continue;
      if (
        this.level(f + Math.round(RINGS_S[0] / frames.frameS), ring - Math.round(RINGS_S[0] / frames.frameS)) <
        RINGS_OVER * this.level(f - before, before - 2)
      )
        continue;
      this.at.push(f);
    }
    const last = this.at.at(-1);
    if (last !== undefined && (frames.end - last) * frames.frameS > OVER_S) this.end();
  }

  /** Blows of the strike that is under way. */
  get now(): number {
    return this.at.length;
  }

  private end(): void {
    const s = this.at.map((f) => f * this.frames.frameS);
    const gaps = s.slice(1).map((x, i) => x - s[i]!);
    const everyS = gaps.length > 0 ? gaps.reduce((a, b) => a + b, 0) / gaps.length : null;
    this.strikes.push({
      fromS: s[0]!,
      blows: s.length,
      everyS,
      unevenS: gaps.length > 1 ? Math.sqrt(gaps.reduce((a, g) => a + (g - everyS!) ** 2, 0) / (gaps.length - 1)) : null,
    });
    if (this.strikes.length > 500) this.strikes.shift();
    this.at = [];
  }

  private level(from: number, count: number): number {
    let sum = 0;
    for (let f = from; f < from + count; f++)
      for (let b = 0; b < this.frames.octaves; b++) sum += this.frames.energy(b, f);
    return sum / Math.max(1, count) + 1e-12;
  }
}
