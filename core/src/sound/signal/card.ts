/**
 * Arrivals are grouped over this time, and only the earliest of each group counts: a message can be late but never
 * early.
 */
const BIN_MS = 10_000;
const LEAST_BINS = 6,
  MOST_BINS = 4000;
/** No arrival time is more exact than this, ms, however well the line fits. */
const LEAST_SPREAD_MS = 1;
/** When sound arrives this much later than ever before, some of it was not recorded. */
const GAP_MS = 1500;
const LATEST = 16;

export interface CardRate {
  /** The card samples so many millionths faster than it says; one standard error. */ ppmFast: number;
  error: number;
  minutes: number;
}

/**
 * How fast a sound card really samples, against the computer's own time: least squares through the earliest arrivals.
 * A second lost or won a day is 11.6 millionths. Also tells when sound was not taken for a while.
 */
export class CardClock {
  private first: number | null = null;
  private bins: { at: number; late: number }[] = [];
  private latest: number[] = [];
  private base = Infinity;

  constructor(private readonly sampleRate: number) {}

  /**
   * @param sample number of the piece's last sample; @param now when it came, ms of the computer's synchronised time
   * @returns samples that were lost before this piece; nought nearly always
   */
  take(sample: number, now: number): number {
    this.first ??= now - (sample / this.sampleRate) * 1000;
    const late = now - this.first - (sample / this.sampleRate) * 1000;
    this.latest.push(late);
    if (this.latest.length > LATEST) this.latest.shift();
    // A busy page delays messages and then catches up. A real gap stays.
    const surely = Math.min(...this.latest);
    if (this.latest.length === LATEST && this.base !== Infinity && surely - this.base > GAP_MS) {
      const lost = Math.round(((surely - this.base) / 1000) * this.sampleRate);
      this.first = null;
      this.bins = [];
      this.latest = [];
      this.base = Infinity;
      return lost;
    }
    const bin = this.bins.at(-1);
    if (!bin || now - bin.at >= BIN_MS) {
      this.bins.push({ at: now, late });
      if (bin) this.base = bin.late;
      // After many days every second group is dropped: the line is as good.
      if (this.bins.length > MOST_BINS) this.bins = this.bins.filter((_, i) => i % 2 === 0);
    } else if (late < bin.late) bin.late = late;
    return 0;
  }

  /** Null in the first minute. */
  rate(): CardRate | null {
    const bins = this.bins.slice(0, -1);
    const n = bins.length;
    if (n < LEAST_BINS) return null;
    const x0 = bins.reduce((s, b) => s + b.at, 0) / n,
      y0 = bins.reduce((s, b) => s + b.late, 0) / n;
    let sxx = 0,
      sxy = 0;
    for (const b of bins) {
      sxx += (b.at - x0) ** 2;
      sxy += (b.at - x0) * (b.late - y0);
    }
    const slope = sxy / sxx;
    const rest = bins.reduce((s, b) => s + (b.late - y0 - slope * (b.at - x0)) ** 2, 0) / (n - 2);
    return {
      ppmFast: -1e6 * slope,
      error: 1e6 * Math.sqrt(Math.max(rest, LEAST_SPREAD_MS ** 2) / sxx),
      minutes: (bins.at(-1)!.at - bins[0]!.at) / 60_000,
    };
  }
}
