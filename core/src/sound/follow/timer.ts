import { coloursDiffer } from './colour.ts';
import { Kind } from './kind.ts';
import { blowsOf, unlockToDrop, type Blows } from './lever.ts';
import { onsetShift } from './onset.ts';
import { Passband } from '../signal/passband.ts';
import { envelope } from './template.ts';

/** Sound that can be read again: `count` samples from a sample number on, or null when gone or not there yet. */
export type SoundSource = (from: number, count: number) => Float32Array | null;

/** A beat as it was heard: when, how like its kind it sounds, and for a lever how long from unlocking to drop. */
export interface TimedBeat {
  index: number;
  /** Seconds by the template of its own kind; the two kinds differ by `shiftS`. */
  rawS: number;
  likeness: number;
  unlockToDropMs: number | null;
}

/** Number of beats of each kind from which its template is learnt: the first time, and finally. */
const LEARN_AT = [8, 48] as const;
const LEAST_TO_LEARN = 3;
/** The rate of the envelope, its width to either side of the beat, and how far it is searched. */
const ENVELOPE_HZ = 11_000,
  HALF_S = 0.04,
  SEARCH_S = 0.006;
const WARM_UP_S = 0.004;
/**
 * The same onset in tick and tock lies this near when the two kinds are aligned; the kinds are at most this far apart.
 */
const SAME_S = 0.0006,
  APART_S = 0.03;

/** The first part of a stretch lies before the beat: its share, and its least power compared with the whole. */
const BEFORE_SHARE = 0.2,
  LEAST_POWER = 1e-4;
function quietness(samples: Float32Array): number {
  const before = Math.floor(BEFORE_SHARE * samples.length);
  let early = 0,
    all = 0;
  for (let i = 0; i < samples.length; i++) {
    const p = samples[i]! * samples[i]!;
    all += p;
    if (i < before) early += p;
  }
  return 1 / (early / before + (LEAST_POWER * all) / samples.length + 1e-16);
}

export interface Band {
  fromHz: number;
  toHz: number;
}

/**
 * Times beats exactly. Each beat is aligned with the template of its kind by its envelope; where a kind begins is found
 * from the mean power of many aligned beats. Tick and tock sound different, so each has its own template; the two are
 * brought together by their onsets, which have the same cause in the escapement.
 */
export class BeatTimer {
  readonly kinds: readonly [Kind, Kind];
  readonly timed: TimedBeat[] = [];
  private readonly half: number;
  private readonly every: number;
  private readonly warm: number;
  private readonly pass: Passband;
  private blows: [Blows | null, Blows | null] = [null, null];
  private learnt = 0;

  /**
   * @param lever the shortest and the longest time from unlocking to drop; null: no lever, or its lift angle is not
   * known
   */
  constructor(
    private readonly sampleRate: number,
    beatS: number,
    band: Band,
    private readonly source: SoundSource,
    private readonly lever: { leastMs: number; mostMs: number } | null,
  ) {
    this.every = Math.max(1, Math.floor(sampleRate / ENVELOPE_HZ));
    this.half = Math.ceil((Math.min(HALF_S, 0.32 * beatS) * sampleRate) / this.every) * this.every;
    const most = Math.max(3, Math.round((Math.min(SEARCH_S, 0.06 * beatS) * sampleRate) / this.every));
    this.warm = Math.round(WARM_UP_S * sampleRate);
    this.pass = new Passband(sampleRate, band.fromHz, band.toHz);
    const kind = () => new Kind(sampleRate, this.every, most, 2 * this.half);
    this.kinds = [kind(), kind()];
  }

  /** A beat can be timed when this many samples before and after its expected place are there. */
  get needs(): number {
    return this.half + this.warm;
  }
  get hasLever(): boolean {
    return this.lever !== null;
  }
  /** Learning ends, so that times do not drift with the template. */
  private get frozen(): boolean {
    return this.learnt >= LEARN_AT.length;
  }

  /**
   * Takes the beat that is expected at a sample, and says how much later it was, samples. Beats of the first moments
   * are timed when their kind is learnt.
   */
  take(index: number, expected: number): number | null {
    const start = Math.round(expected) - this.half;
    const raw = this.source(start - this.warm, 2 * this.half + this.warm);
    if (!raw) return null;
    const samples = this.pass.through(raw).slice(this.warm);
    const stretch = { index, start, samples, env: envelope(samples, this.every), weight: quietness(samples) };
    const kind = this.kinds[(index & 1) as 0 | 1];
    if (!this.frozen) {
      kind.collected.push(stretch);
      const most = Math.max(...this.kinds.map((k) => k.collected.length)),
        other = Math.min(...this.kinds.map((k) => k.collected.length));
      // When only tick or tock is heard, the other never comes.
      if (other >= LEARN_AT[this.learnt]! || (other === 0 && most >= LEARN_AT[this.learnt]!)) {
        this.learn();
        return null;
      }
    }
    return kind.template ? this.time(kind, stretch) : null;
  }

  /** Learns from what there is; at the end of a sound, from the little there was. */
  learn(): void {
    if (this.frozen) return;
    const able = this.kinds.filter((k) => k.collected.length >= LEAST_TO_LEARN);
    for (const kind of able) kind.learn();
    this.anchor();
    const { lever } = this;
    const samplesOf = (ms: number) => (ms / 1000) * this.sampleRate;
    if (lever)
      this.blows = this.kinds.map((k) =>
        blowsOf(k, this.sampleRate, this.every, samplesOf(lever.leastMs), samplesOf(lever.mostMs)),
      ) as [Blows | null, Blows | null];
    // Times by an older template are measured again.
    this.timed.length = 0;
    for (const kind of able) for (const stretch of kind.collected) this.time(kind, stretch);
    while (
      this.learnt < LEARN_AT.length &&
      able.every((k) => k.collected.length >= LEARN_AT[this.learnt]!) &&
      able.length > 0
    )
      this.learnt++;
    if (this.frozen) for (const kind of this.kinds) kind.letGo();
  }

  /** Tick and tock are both placed by the same onset. */
  private anchor(): void {
    const [tick, tock] = this.kinds;
    const sharpest = (kind: Kind) =>
      kind.onsets.reduce<{ at: number; rise: number } | null>((a, o) => (a === null || o.rise > a.rise ? o : a), null);
    const first = sharpest(tick);
    const shift = this.shift();
    if (first) tick.anchorAt(first.at);
    const same =
      first && shift !== null
        ? tock.onsets.find((o) => Math.abs(o.at - first.at - shift) <= SAME_S * this.sampleRate)
        : sharpest(tock);
    if (same) tock.anchorAt(same.at);
  }

  private time(kind: Kind, { index, start, env }: { index: number; start: number; env: Float32Array }): number | null {
    const placed = kind.place(env);
    if (!placed) return null;
    const blows = this.blows[(index & 1) as 0 | 1];
    const beat: TimedBeat = {
      index,
      rawS: (start + this.half + placed.late * this.every) / this.sampleRate,
      likeness: placed.likeness,
      unlockToDropMs:
        blows && (unlockToDrop(blows, env, placed.late, this.sampleRate, this.every) / this.sampleRate) * 1000,
    };
    let i = this.timed.length;
    while (i > 0 && this.timed[i - 1]!.index > index) i--;
    this.timed.splice(i, 0, beat);
    return placed.late * this.every;
  }

  /** Beats before this one are no longer kept. */
  dropBefore(before: number): void {
    const gone = this.timed.findIndex((t) => t.index >= before);
    if (gone > 0) this.timed.splice(0, gone);
  }

  /** The second kind is the louder one, so it is the tick. */
  tockLouder(): boolean {
    const most = ({ power }: Kind) => {
      let top = 0;
      for (const p of power) top = Math.max(top, p);
      return top;
    };
    return most(this.kinds[1]) > most(this.kinds[0]);
  }

  /** Tick and tock are two sounds: more than their loudness tells them apart. */
  differ(): boolean {
    return coloursDiffer(this.kinds[0].colours, this.kinds[1].colours);
  }

  private shift(): number | null {
    const [tick, tock] = this.kinds;
    if (!tick.template || !tock.template) return null;
    return (
      onsetShift(tick.onsets, tock.onsets, Math.max(2, SAME_S * this.sampleRate), APART_S * this.sampleRate)?.shift ??
      null
    );
  }
  /** How many seconds the tock lies later in its template than the tick in its own; null while it is not known. */
  shiftS(): number | null {
    const shift = this.shift();
    return shift === null ? null : shift / this.sampleRate;
  }
}
