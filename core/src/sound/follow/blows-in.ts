/** Sound is kept this long: no alarm rings longer on one wind. Practice. */
export const HEARD_MOST_S = 180;

/** Taps of the prediction: two for each partial of a bell that is heard, and the room. */
const TAPS = 40;
/** Hammers are looked for in pieces of about this long, s. */
const PIECE_S = 0.0015;
/** A hammer that meets its bell twice within this has made one sound. */
const APART_S = 0.045;
/** A blow stands out of what is left of the sound at least so far, and is at most so much below the loud ones, dB. */
const LEAST_DB = 9;
const BELOW_LOUD_DB = 10;
/** Which of the loudest stands for the loud ones: one knock on the bench does not. */
const LOUD_ONE = 3;
/** So long after a blow a bell still rings, louder than the quiet of the room by this, dB. A tick does not. */
const RINGS_AT_S = [
  [0.03, 0.045],
  [0.09, 0.12],
] as const;
const RINGS_DB = 12;
/** A tick in the ringing is as loud as the other ticks; a blow that is no louder makes the bell ring louder, dB. */
const OVER_TICKS_DB = 3.5;
const BEFORE_S = [-0.03, -0.003] as const,
  AFTER_S = [0.012, 0.04] as const,
  LOUDER_DB = 1.5;
const QUIET_S = 0.01,
  QUIET_SHARE = 0.05;
const TINY = 1e-12;

/** A sample this near to the most that can be is cut off; more of them than this share, and nothing is to be told. */
const CUT = 0.99,
  CUT_SHARE = 0.001;

/** So many samples of nothing at all are no quiet room but sound that a busy machine did not carry. */
const NOTHING = 16;
/** More than this share of it, and a count is not to be trusted; a microphone may begin and end so late, s. */
const LOST_SHARE = 0.02,
  LATE_S = 0.6;

/** One blow of a hammer. */
export interface Blow {
  /** Seconds from the beginning of the listening. */
  atS: number;
  /** Strength of the blow, dB against full scale: the bell's ringing is not in it. */
  db: number;
}

/**
 * Finds every blow of a short recording, also of an alarm, whose blows come while the bell still rings from the one
 * before. What rings can be told in advance from what was just heard, a blow cannot: the sound less its linear
 * prediction is the hammer. Source: J. Makhoul, Linear prediction, Proceedings of the IEEE 63, 1975.
 */
export class BlowFinder {
  private readonly pieces: Float32Array[] = [];
  private count = 0;
  private cut = 0;
  private zeros = 0;
  private silent = 0;
  private sounds = false;
  constructor(private readonly sampleRate: number) {}

  /** Seconds so far. */
  get seconds(): number {
    return this.count / this.sampleRate;
  }

  /** Mono, −1 to 1. What comes after the longest that is kept is left out. */
  push(samples: Float32Array): void {
    if (this.seconds >= HEARD_MOST_S) return;
    this.pieces.push(samples);
    this.count += samples.length;
    for (const s of samples) {
      if (Math.abs(s) >= CUT) this.cut++;
      this.zeros = s === 0 ? this.zeros + 1 : 0;
      // Before the first sound a microphone only opens.
      if (this.zeros >= NOTHING && this.sounds) this.silent += this.zeros === NOTHING ? NOTHING : 1;
      this.sounds ||= s !== 0;
    }
  }

  /**
   * Too much of it did not come: what is missing may have held blows.
   * @param lastedS how long was listened, by another clock
   */
  lost(lastedS: number): boolean {
    return this.silent / this.sampleRate + Math.max(0, lastedS - LATE_S - this.seconds) > LOST_SHARE * lastedS;
  }

  /** Its peaks were cut off: what was cut is taken for blows. */
  get tooLoud(): boolean {
    return this.cut > CUT_SHARE * this.count;
  }

  /** The blows so far, rising in time; empty where nothing rang. */
  blows(): Blow[] {
    const x = this.sound();
    if (x.length < this.sampleRate) return [];
    const piece = Math.round(PIECE_S * this.sampleRate);
    const power = levelsOf(leftOver(x), piece);
    // Two pieces together, so that a blow on their border is as loud as one in the middle.
    const levels = power.map((p, f) => db((p + (power[f + 1] ?? 0)) / 2));
    const usual = levels.toSorted()[levels.length >> 1]!;
    const peaks = this.apart(
      [...levels].flatMap((level, f) => (level > usual + LEAST_DB ? [{ f, level }] : [])),
      piece,
    );
    return this.ofTheHammer(
      x,
      peaks.map(({ f, level }) => ({ at: f * piece, level })),
    ).map(({ at, level }) => ({ atS: at / this.sampleRate, db: level }));
  }

  /** What rings on, and is no tick that falls into the ringing: louder than the ticks, or it makes the bell louder. */
  private ofTheHammer(x: Float32Array, all: readonly Peak[]): Peak[] {
    const pieces = levelsOf(x, this.samples(QUIET_S)).sort();
    const quiet = db(pieces[Math.floor(QUIET_SHARE * pieces.length)]!);
    const level = (at: number, [fromS, toS]: readonly [number, number]) =>
      db(mean(x, Math.max(0, at + this.samples(fromS)), Math.min(x.length, at + this.samples(toS))));
    const ringing = all.filter((p) => RINGS_AT_S.every((at) => level(p.at, at) - quiet > RINGS_DB));
    // What is as loud as the hammer and does not ring is a knock on the bench, no tick.
    const ticks = rising(all.filter((p) => !ringing.includes(p) && p.level < loudOf(ringing) - OVER_TICKS_DB));
    const tick = ticks.length > 0 ? ticks[ticks.length >> 1]! + OVER_TICKS_DB : -Infinity;
    const louder = (p: Peak) => level(p.at, AFTER_S) - level(p.at, BEFORE_S) > LOUDER_DB;
    const blows = ringing.filter((p) => p.level > tick || louder(p));
    const least = loudOf(blows) - BELOW_LOUD_DB;
    return blows.filter((p) => p.level > least);
  }

  private samples(seconds: number): number {
    return Math.round(seconds * this.sampleRate);
  }

  private sound(): Float32Array {
    const all = new Float32Array(this.count);
    let at = 0;
    for (const p of this.pieces) {
      all.set(p, at);
      at += p.length;
    }
    return all;
  }

  /** Of two that are too near for two blows, the louder. */
  private apart(peaks: readonly { f: number; level: number }[], piece: number): { f: number; level: number }[] {
    const out: { f: number; level: number }[] = [];
    const least = (APART_S * this.sampleRate) / piece;
    for (const p of peaks) {
      const last = out.at(-1);
      if (!last || p.f - last.f >= least) out.push(p);
      else if (p.level > last.level) out[out.length - 1] = p;
    }
    return out;
  }
}

/** Something that was not to be told in advance: its first sample, and its level in dB. */
interface Peak {
  at: number;
  level: number;
}
/** How loud the loud ones are; −∞ for none. */
function loudOf(peaks: readonly Peak[]): number {
  const all = rising(peaks);
  return all[Math.max(0, all.length - LOUD_ONE)] ?? -Infinity;
}
const rising = (peaks: readonly Peak[]): number[] => peaks.map((p) => p.level).sort((a, b) => a - b);

/** What cannot be told in advance from the samples before; nothing beside sound that was lost. */
function leftOver(x: Float32Array): Float32Array {
  const a = prediction(x);
  const out = new Float32Array(x.length);
  let zeros = 0,
    lostTo = 0;
  for (let t = 0; t < x.length; t++) {
    zeros = x[t] === 0 ? zeros + 1 : 0;
    if (zeros >= NOTHING) {
      if (zeros === NOTHING) out.fill(0, t - NOTHING, t);
      lostTo = t + TAPS + 1;
    }
    if (t <= Math.max(lostTo, TAPS)) continue;
    let sum = 0;
    for (let j = 0; j <= TAPS; j++) sum += a[j]! * x[t - j]!;
    out[t] = sum;
  }
  return out;
}

/** Taps of the prediction's error, the first 1, by Levinson's and Durbin's recursion. */
function prediction(x: Float32Array): Float64Array {
  const r = Float64Array.from({ length: TAPS + 1 }, (_, k) => {
    let sum = 0;
    for (let i = k; i < x.length; i++) sum += x[i]! * x[i - k]!;
    return sum;
  });
  const a = new Float64Array(TAPS + 1);
  a[0] = 1;
  // A little white noise: a sound of pure tones would leave nothing to divide by.
  let left = r[0]! * (1 + 1e-9) + TINY;
  for (let i = 1; i <= TAPS; i++) {
    let sum = r[i]!;
    for (let j = 1; j < i; j++) sum += a[j]! * r[i - j]!;
    const k = -sum / left;
    const before = a.slice();
    for (let j = 1; j < i; j++) a[j] = before[j]! + k * before[i - j]!;
    a[i] = k;
    left *= 1 - k * k;
  }
  return a;
}

const levelsOf = (x: Float32Array, piece: number): Float32Array =>
  Float32Array.from({ length: Math.floor(x.length / piece) }, (_, f) => mean(x, f * piece, (f + 1) * piece));

function mean(x: Float32Array, from: number, to: number): number {
  let sum = 0;
  for (let i = from; i < to; i++) sum += x[i]! ** 2;
  return sum / Math.max(1, to - from);
}
const db = (power: number): number => 10 * Math.log10(power + TINY);
