import type { Lock } from '../find/found.ts';
import type { Frames } from '../signal/frames.ts';
import type { Met } from '../follow/tracker.ts';

/** Where a beat was expected and not heard: the time around it, and the level from which another sound covered it. */
const AROUND_S = 0.03,
  DROWNED = 1;
/** An extra sound counts from this share of a usual beat's novelty on, and only this far from an expected beat. */
const EXTRA_SHARE = 0.5,
  BESIDE_S = 0.06;
/** How many recent beats say what is usual, and the fewest that can. */
const USUAL_OF = 121,
  LEAST_OF = 8;
/**
 * A sound with this many times the power of a usual loud beat is something else, or the beats differ much from each
 * other. Less is enough where such sounds come evenly.
 */
const LOUDER = 3,
  LOUD = 1.7;
/** Sounds are even when their gaps differ by less than this; at a beat when they are this near to it, seconds. */
const EVENLY = 0.012,
  AT_BEAT_S = 0.012,
  LEAST_EVEN = 3,
  RARER = 6;
/** A sound rises within so many frames. */
const RISES = 4;

/** What was counted since a frame. */
export interface Counts {
  missing: number;
  extra: number;
  louder: number;
  /** Seconds from one to the next of louder sounds that come evenly and are no beats of this clock. */ evenlyS:
    number | null;
}

/**
 * Counts beats that were missing although nothing covered them, sounds like beats where none is expected, and sounds
 * far louder than the beat.
 */
export class Account {
  /** The frame of each, in order. */
  private readonly missed: number[] = [];
  private readonly extras: number[] = [];
  /** From beat to beat the loudest, with how far from a beat it was. */
  private readonly tops: { at: number; level: number; off: number }[] = [];
  /** Beats in a row, up to now, that were not heard although nothing drowned them. */
  silent = 0;
  /** Expected place of the first of them, frames. */
  silentFrom = 0;
  private heardAny = false;
  private last: Met | null = null;
  private readonly novelties: number[] = [];
  private readonly levels: [number[], number[]] = [[], []];
  private readonly around: number;
  private readonly beside: number;

  constructor(
    private readonly frames: Frames,
    private readonly lock: Lock,
  ) {
    this.around = Math.round(AROUND_S / frames.frameS);
    this.beside = Math.min(BESIDE_S / frames.frameS, 0.3 * lock.beatFrames);
  }

  get missing(): number {
    return this.missed.length;
  }
  since(frame: number): Counts {
    const from = (at: readonly number[]) => at.filter((f) => f >= frame).length;
    const known = this.levels.filter((l) => l.length >= LEAST_OF);
    const ordinary = known.length === 0 ? Infinity : Math.max(...known.map(usual));
    const tops = this.tops.filter((t) => t.at >= frame);
    return {
      missing: from(this.missed),
      extra: from(this.extras),
      louder: tops.filter((t) => t.level > LOUDER * ordinary).length,
      evenlyS: this.evenly(tops.filter((t) => t.level > LOUD * ordinary)),
    };
  }

  /**
   * A slow clock beside a fast one is a few louder sounds, evenly apart; a louder tooth of the wheel itself falls on
   * the beat.
   */
  private evenly(loud: readonly { at: number; off: number }[]): number | null {
    if (loud.length < LEAST_EVEN || loud.every((t) => t.off < AT_BEAT_S / this.frames.frameS)) return null;
    const gaps = loud.slice(1).map((t, i) => t.at - loud[i]!.at);
    const gap = usual(gaps);
    if (gap < RARER * this.lock.beatFrames) return null;
    return gaps.every((g) => {
      const times = Math.max(1, Math.round(g / gap));
      return Math.abs(g / times / gap - 1) < EVENLY;
    })
      ? gap * this.frames.frameS
      : null;
  }
  /** What was before this frame is not needed any more. */
  dropBefore(before: number): void {
    const cut = <T>(list: T[], at: (of: T) => number) => {
      const n = list.findIndex((x) => at(x) >= before);
      list.splice(0, n < 0 ? list.length : n);
    };
    cut(this.missed, (f) => f);
    cut(this.extras, (f) => f);
    cut(this.tops, (t) => t.at);
  }

  /** Beats in the order of time, each with whether it was heard as one. */
  take(met: Met, heard: boolean): void {
    this.between(met);
    if (this.lock.heard === 'one' && met.index % 2 !== 0) return;
    if (met.at !== null) {
      keep(this.novelties, met.novelty);
      keep(this.levels[(met.index & 1) as 0 | 1], this.frames.loudness(met.at, RISES));
    }
    if (heard) {
      if (this.heardAny) for (let i = 0; i < this.silent; i++) this.missed.push(this.silentFrom);
      this.heardAny = true;
      this.silent = 0;
    } else if (!this.drowned(met)) {
      if (this.silent === 0) this.silentFrom = met.expected;
      this.silent++;
    }
  }

  private drowned(met: Met): boolean {
    const f = Math.round(met.expected);
    return Math.min(this.frames.over(f - this.around), this.frames.over(f + this.around)) > DROWNED;
  }

  private between(met: Met): void {
    const from = this.last?.expected ?? Infinity;
    const [a, b] = [from + this.beside, met.expected - this.beside];
    this.last = met;
    this.loudestTo(from, met.expected);
    if (b <= a || this.novelties.length === 0) return;
    const { frame, novelty } = this.frames.loudest(Math.ceil(a), Math.floor(b));
    if (novelty > EXTRA_SHARE * usual(this.novelties)) this.extras.push(frame);
  }

  private loudestTo(from: number, to: number): void {
    let top = { at: 0, level: 0, off: 0 };
    for (let f = Math.ceil(from - RISES); f < to - RISES; f++) {
      const level = this.frames.loudness(f, 1);
      if (level > top.level) top = { at: f, level, off: Math.min(Math.abs(f - from), to - f) };
    }
    if (top.level > 0) this.tops.push(top);
  }
}

const usual = (values: readonly number[]): number => [...values].sort((x, y) => x - y)[values.length >> 1]!;
function keep(values: number[], value: number): void {
  values.push(value);
  if (values.length > USUAL_OF) values.shift();
}
