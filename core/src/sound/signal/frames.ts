import { Novelty } from './novelty.ts';
import { Octaves } from './octaves.ts';

/**
 * Sound as frames: for each frame its novelty (how clearly something begins), its level over the floor, and the level
 * of each octave. Keeps the last `capacityS` seconds; a frame keeps its number for ever.
 */
export class Frames {
  readonly frameS: number;
  readonly octaves: number;
  private readonly split: Octaves;
  private readonly sense: Novelty;
  private readonly size: number;
  private novelties: Float32Array;
  private overs: Float32Array;
  private readonly bands: Float32Array[];
  /** Of all octaves together. */
  private readonly powers: Float32Array;
  /** The number of the next frame. */
  end = 0;

  constructor(
    readonly sampleRate: number,
    capacityS: number,
  ) {
    this.split = new Octaves(sampleRate);
    this.sense = new Novelty(this.split.shape, sampleRate);
    this.frameS = this.split.shape.frame / sampleRate;
    this.octaves = this.split.shape.bands.length;
    this.size = Math.ceil(capacityS / this.frameS);
    this.novelties = new Float32Array(this.size);
    this.overs = new Float32Array(this.size);
    this.powers = new Float32Array(this.size);
    this.bands = this.split.shape.bands.map(() => new Float32Array(this.size));
  }

  /** The first frame that is still there. */
  get start(): number {
    return Math.max(0, this.end - this.size);
  }
  bandFromHz(b: number): number {
    return this.split.shape.bands[b]!.fromHz;
  }

  push(samples: Float32Array): void {
    const energies = this.split.push(samples);
    const from = this.end;
    this.sense.push(energies, (novelty, over) => {
      const i = this.end++ % this.size;
      this.novelties[i] = novelty;
      this.overs[i] = over;
    });
    energies.forEach((e, b) => {
      const [band, { powers, size }] = [this.bands[b]!, this];
      for (let f = 0, i = from % size; f < e.length; f++) {
        const p = e[f]!;
        band[i] = p;
        powers[i] = b === 0 ? p : powers[i]! + p;
        if (++i === size) i = 0;
      }
    });
  }

  novelty(frame: number): number {
    return frame >= this.start && frame < this.end ? this.novelties[frame % this.size]! : 0;
  }
  over(frame: number): number {
    return frame >= this.start && frame < this.end ? this.overs[frame % this.size]! : 0;
  }
  /** Mean square of an octave. */
  energy(band: number, frame: number): number {
    return frame >= this.start && frame < this.end ? this.bands[band]![frame % this.size]! : 0;
  }

  /** The loudest of so many frames from one on, mean square over all octaves. */
  loudness(frame: number, count: number): number {
    let most = 0;
    for (let f = Math.max(frame, this.start), to = Math.min(frame + count, this.end); f < to; f++) {
      const p = this.powers[f % this.size]!;
      if (p > most) most = p;
    }
    return most;
  }

  /** The loudest novelty of a stretch of frames, and where. */
  loudest(from: number, to: number): { frame: number; novelty: number } {
    let frame = from,
      novelty = -1;
    for (let f = Math.max(from, this.start); f <= to && f < this.end; f++) {
      const n = this.novelties[f % this.size]!;
      if (n > novelty) {
        novelty = n;
        frame = f;
      }
    }
    return { frame, novelty: Math.max(0, novelty) };
  }

  /** Novelty of a stretch, `every` frames taken as one: their greatest. */
  series(from: number, to: number, every: number): Float32Array {
    const out = new Float32Array(Math.floor((to - from) / every));
    for (let i = 0, f = from; i < out.length; i++) {
      let most = 0;
      for (let j = 0; j < every; j++, f++) {
        const n = this.novelties[f % this.size]!;
        if (n > most) most = n;
      }
      out[i] = most;
    }
    return out;
  }
}
