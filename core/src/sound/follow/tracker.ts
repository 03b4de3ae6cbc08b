import type { Lock } from '../find/found.ts';
import type { Frames } from '../signal/frames.ts';

/** Where a beat was expected and where it was heard, frames. */
export interface Met {
  /** Beats are counted from the first of the lock; ticks are even. */
  index: number;
  expected: number;
  at: number | null;
  novelty: number;
}

/** How much of a beat's delay is carried to the next beat, and to the spacing. */
const FOLLOW = 0.35,
  FOLLOW_PACE = 0.04;
/** An onset weaker than this is not taken for the beat. */
const LEAST = 0.25;

/**
 * Goes from beat to beat: each beat is expected where the last one of its own kind predicts it. Tick and tock are
 * followed separately and share one pace, so that neither a beat error nor a slow drift misleads it.
 */
export class Tracker {
  private index: number;
  private readonly next: [number, number];
  private pair: number;
  private readonly reach: number;
  /** Beats in a row that were not heard. */
  lost = 0;

  /** @param direction forward from the lock, or back before it */
  constructor(
    private readonly frames: Frames,
    private readonly lock: Lock,
    private readonly direction: 1 | -1 = 1,
  ) {
    this.pair = 2 * lock.beatFrames;
    this.next =
      direction === 1
        ? [lock.tickAt, lock.tockAt < lock.tickAt ? lock.tockAt + this.pair : lock.tockAt]
        : [lock.tickAt - this.pair, (lock.tockAt < lock.tickAt ? lock.tockAt + this.pair : lock.tockAt) - this.pair];
    this.index = direction === 1 ? 0 : -1;
    this.reach = Math.max(4, Math.min(0.02 / frames.frameS, 0.07 * lock.beatFrames));
  }

  /** The next beat can only be decided when the sound reaches this frame. */
  get needs(): number {
    return this.next[this.kind] + this.reach + 6;
  }
  /** Frame at which the next beat is expected. */
  get upcoming(): number {
    return this.next[this.kind];
  }
  private get kind(): 0 | 1 {
    return (this.index & 1) as 0 | 1;
  }

  /** @param fine how late the beat is by its own sound, frames: goes before the coarse place where it can be told */
  step(fine: (index: number, expected: number) => number | null = () => null): Met {
    const kind = this.kind;
    const expected = this.next[kind];
    const heard = this.lock.heard === 'both' || kind === 0;
    let at: number | null = null,
      novelty = 0;
    if (heard) {
      let best = 0;
      for (let f = Math.ceil(expected - this.reach); f <= expected + this.reach; f++) {
        const n = this.frames.novelty(f);
        // Of two equal ones, the one nearer to the expected place.
        const weight = Math.sqrt(n) * (1 - 0.5 * ((f - expected) / this.reach) ** 2);
        if (n >= LEAST && weight > best) {
          best = weight;
          at = f;
          novelty = n;
        }
      }
      const late = fine(this.index, expected) ?? (at === null ? null : at + 0.5 - expected);
      if (late === null) this.lost++;
      else {
        this.lost = 0;
        this.next[kind] += FOLLOW * late;
        this.pair += this.direction * FOLLOW_PACE * late;
      }
    }
    this.next[kind] += this.direction * this.pair;
    const met = { index: this.index, expected, at, novelty };
    this.index += this.direction;
    return met;
  }

  /** Frames from beat to beat, as it is now. */
  get beatFrames(): number {
    return this.pair / 2;
  }
}
