import type { OctaveShape } from './octaves.ts';

/** The noise floor is the level that a quarter of the frames stay below: a room is quiet between beats. */
const FLOOR_SHARE = 0.25;
/** How fast the floor follows the sound, natural logarithm per frame. */
const FLOOR_STEP = 0.02;
/** Below the first value (standard deviations over the floor) a frame is noise; above the second it says no more. */
const LEAST = 2,
  MOST = 14;
/** A sound that rises slower than this is not an onset. */
const FORGET_S = 0.02;
/** Echoes go up and down as they die away: an onset must rise by this much over what was just heard. */
const CLEARLY = 1.25;
const TINY = 1e-13;

/**
 * Finds onsets: the energy of each octave over its own floor, in standard deviations, and of that only the part that
 * rises over what was just heard. A loud sound counts no more than a clear one, so a hammer weighs as much as a tick.
 */
export class Novelty {
  private readonly floor: Float64Array;
  private readonly sd: Float64Array;
  private readonly keep: number;
  private heard = 0;
  private begun = false;

  constructor(shape: OctaveShape, sampleRate: number) {
    this.floor = new Float64Array(shape.bands.length);
    // Deviation of the logarithm of a mean of so many squares: √ψ′(n/2), here by its series (Abramowitz and Stegun
    // 6.4.12).
    this.sd = Float64Array.from(shape.bands, ({ count }) => {
      const x = count / 2;
      return Math.sqrt(1 / x + 1 / (2 * x * x) + 1 / (6 * x ** 3));
    });
    this.keep = Math.exp(-shape.frame / sampleRate / FORGET_S);
  }

  /** @param energies what `Octaves.push` gave; @param into takes the novelty of each frame */
  push(energies: readonly Float32Array[], into: (novelty: number, level: number) => void): void {
    const frames = energies[0]!.length;
    if (frames === 0) return;
    const logs = energies.map((e) => {
      const l = new Float32Array(e.length);
      for (let i = 0; i < l.length; i++) l[i] = Math.log(e[i]! + TINY);
      return l;
    });
    if (!this.begun) this.begin(logs);
    for (let f = 0; f < frames; f++) {
      let over = 0;
      for (let b = 0; b < logs.length; b++) {
        const l = logs[b]![f]!;
        const q = this.floor[b]!;
        this.floor[b] = q + FLOOR_STEP * (l > q ? FLOOR_SHARE : FLOOR_SHARE - 1) * this.sd[b]! * 2;
        const z = (l - q) / this.sd[b]! - LEAST;
        if (z > 0) over += Math.sqrt(z < MOST ? z : MOST);
      }
      over = (over / logs.length) ** 2;
      into(Math.max(0, over - CLEARLY * this.heard), over);
      this.heard = Math.max(over, this.heard * this.keep);
    }
  }

  private begin(logs: readonly Float32Array[]): void {
    this.begun = true;
    logs.forEach((l, b) => {
      const s = Float32Array.from(l).sort();
      this.floor[b] = s[Math.floor(FLOOR_SHARE * s.length)]!;
    });
  }
}
