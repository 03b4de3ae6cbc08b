import type { Lock } from './lock.ts';
import type { Frames } from './store.ts';
import type { Met } from './tracker.ts';

/** Frames before and after a beat that is not met, and the level there from which something else was drowning it. */
const AROUND_S = 0.03, DROWNED = 1;
/** Unlooked-for sounds count from this share of a usual beat's novelty, and outside so much around a beat. */
const EXTRA_SHARE = 0.5, BESIDE_S = 0.06;
/** What is usual is told by so many beats. */
const USUAL_OF = 121;

/** Beats missing between the first and the last that were heard although nothing drowned them, and sounds like beats where none is expected. */
export class Account {
  missing = 0;
  extra = 0;
  /** Beats in a row, up to now, that were not heard although nothing drowned them. */
  silent = 0;
  /** Expected place of the first of them, frames. */
  silentFrom = 0;
  private heardAny = false;
  private last: Met | null = null;
  private readonly novelties: number[] = [];
  private readonly around: number;
  private readonly beside: number;

  constructor(private readonly frames: Frames, private readonly lock: Lock) {
    this.around = Math.round(AROUND_S / frames.frameS);
    this.beside = Math.min(BESIDE_S / frames.frameS, 0.3 * lock.beatFrames);
  }

  /** Beats in the order of time, each with whether it was heard as one. */
  take(met: Met, heard: boolean): void {
    this.between(met);
    if (this.lock.heard === 'one' && met.index % 2 !== 0) return;
    if (met.at !== null) { this.novelties.push(met.novelty); if (this.novelties.length > USUAL_OF) this.novelties.shift(); }
    if (heard) {
      if (this.heardAny) this.missing += this.silent;
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
    const [a, b] = [(this.last?.expected ?? Infinity) + this.beside, met.expected - this.beside];
    this.last = met;
    if (b <= a || this.novelties.length === 0) return;
    const usual = [...this.novelties].sort((x, y) => x - y)[this.novelties.length >> 1]!;
    if (this.frames.loudest(Math.ceil(a), Math.floor(b)).novelty > EXTRA_SHARE * usual) this.extra++;
  }
}
