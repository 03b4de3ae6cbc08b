import { colour } from './colour.ts';
import { onsets, type Onset } from './onset.ts';
import { commonOf, fitTo, meanOf, part, type Template } from './template.ts';

/** The sound around one beat: its first sample, the filtered samples, and their envelope. */
export interface Stretch {
  index: number;
  start: number;
  samples: Float32Array;
  env: Float32Array;
  /** One over the power before the beat. */ weight: number;
}

/** Width over which a rise is measured, seconds, and the least rise (natural logarithm of power). */
const RISE_S = 0.00035,
  LEAST_RISE = 0.5;
/** A sound less similar to its kind than this share of the usual similarity is no beat. */
const LEAST_LIKE = 0.45;
/** Noise can resemble a beat by chance, but is not as loud: least share of the usual loudness. */
const LEAST_LOUD = 0.3;
/** With this similarity, this near to the expected place (seconds), no better place is searched for. */
const SURE = 0.9,
  NEAR_S = 0.0012;
/** The used part begins and ends this much before and after the envelope rises over its floor. */
const MARGIN_S = 0.0015;
/** The sharpest onset places a beat exactly: the window around it, and how far it is searched for. */
const ANCHOR_S = [0.001, 0.0018] as const,
  ANCHOR_REACH_S = 0.001;
/** Only an onset that rises this clearly is more exact than the whole envelope. */
const ANCHOR_RISE = 2.3;
const ANCHOR_ROUNDS = 2;

/** One kind of beat, ticks or tocks: its template and its onsets. Positions are samples of the stretch. */
export class Kind {
  collected: Stretch[] = [];
  template: Template | null = null;
  mean: Float32Array = new Float32Array(0);
  onsets: Onset[] = [];
  private usual = 1;
  private usualGain = 1;
  private anchor: Template | null = null;
  readonly power: Float64Array;
  pooled = 0;
  private begins: { l: number; c: number }[] = [];
  private known: number[][] | null = [];

  private readonly near: number;
  constructor(
    private readonly sampleRate: number,
    private readonly every: number,
    private readonly most: number,
    length: number,
  ) {
    this.near = Math.min(most, this.steps(NEAR_S));
    this.power = new Float64Array(length);
  }

  /**
   * Colour of each beat that is like its kind, from its beginning on; of the collected beats, as long as they are
   * there.
   */
  get colours(): number[][] {
    return (this.known ??= this.begins.map(({ l, c }) =>
      colour(
        this.collected[c]!.samples,
        Math.max(0, (this.template?.from ?? 0) * this.every + Math.round(l * this.every)),
        this.sampleRate,
      ),
    ));
  }
  /** Learning ends: the collected beats are released. */
  letGo(): void {
    void this.colours;
    this.collected = [];
  }

  private steps(seconds: number): number {
    return Math.max(2, Math.round((seconds * this.sampleRate) / this.every));
  }

  /** Learns from the collected beats, aligned by their whole envelope. */
  learn(): void {
    const { template, mean, fits } = commonOf(this.collected, this.most, this.steps(MARGIN_S), this.template);
    this.template = template;
    this.mean = mean;
    this.usual = fits.map((f) => f.likeness).sort((a, b) => a - b)[fits.length >> 1]!;
    this.usualGain = fits.map((f) => f.gain).sort((a, b) => a - b)[fits.length >> 1]!;
    this.anchor = null;
    this.pool(fits.map((f) => (f.likeness >= LEAST_LIKE * this.usual ? f.late : null)));
  }

  /**
   * Aligns them once more by one onset alone: the parts of a beat do not always keep their distance.
   */
  anchorAt(at: number): void {
    const sharp = this.onsets.find((o) => o.at === at);
    if (!sharp || sharp.rise < ANCHOR_RISE) return;
    for (let round = 0; round < ANCHOR_ROUNDS; round++) {
      const middle = Math.round(at / this.every);
      this.anchor = part(
        this.mean,
        Math.max(0, middle - this.steps(ANCHOR_S[0])),
        Math.min(this.mean.length, middle + this.steps(ANCHOR_S[1])),
      );
      const placed = this.collected.map((c) => this.place(c.env)?.late ?? null);
      const kept = placed.flatMap((p, i) => (p === null ? [] : [i]));
      if (kept.length < 2) return;
      this.mean = meanOf(
        kept.map((i) => this.collected[i]!),
        kept.map((i) => placed[i]!),
      );
      if (round === ANCHOR_ROUNDS - 1) this.pool(placed);
    }
  }

  /** Shift of a beat against its kind, steps of the envelope; null when it does not resemble it. */
  place(env: Float32Array): { late: number; likeness: number } | null {
    // It is nearly always where it is expected; the wide search is the exception.
    const near = fitTo(this.template!, env, this.near);
    const fit =
      near.likeness >= SURE * this.usual && Math.abs(near.late) < this.near
        ? near
        : fitTo(this.template!, env, this.most);
    if (fit.likeness < LEAST_LIKE * this.usual || fit.gain < LEAST_LOUD * this.usualGain) return null;
    return this.anchor
      ? { late: fitTo(this.anchor, env, this.steps(ANCHOR_REACH_S), Math.round(fit.late)).late, likeness: fit.likeness }
      : fit;
  }

  /** Mean power of the aligned beats, and its onsets. */
  private pool(late: readonly (number | null)[]): void {
    this.power.fill(0);
    let weights = 0,
      squares = 0;
    late.forEach((l, c) => {
      if (l === null) return;
      const { samples, weight } = this.collected[c]!;
      const by = Math.round(l * this.every);
      for (let i = Math.max(0, -by); i < samples.length - Math.max(0, by); i++)
        this.power[i] = this.power[i]! + weight * samples[i + by]! ** 2;
      weights += weight;
      squares += weight * weight;
    });
    for (let i = 0; i < this.power.length; i++) this.power[i] = this.power[i]! / weights;
    // The number of equally weighted beats that would be worth as much.
    this.pooled = weights > 0 ? (weights * weights) / squares : 0;
    this.begins = late.flatMap((l, c) => (l === null ? [] : [{ l, c }]));
    this.known = null;
    if (this.pooled > 0)
      this.onsets = onsets(
        this.power,
        Math.max(3, Math.round(RISE_S * this.sampleRate)),
        this.pooled,
        LEAST_RISE,
        this.most * this.every,
      );
  }
}
