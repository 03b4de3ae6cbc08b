import { USUAL_BEATS } from '../../train/index.ts';
import { amplitudeDeg } from './amplitude.ts';
import type { Heard } from './heard.ts';
import { steadiness, withNeighbours, type Steadiness } from './steady.ts';
import { SECONDS_PER_PPM } from './timing.ts';
import type { TimedBeat } from '../follow/timer.ts';
import { warningsOf, whyNoAmplitude } from './warnings.ts';
import { wheelPattern, type WheelPattern } from './wheel.ts';

/** What is known before it is heard. */
export interface Known {
  /** Beats an hour that it should make. */
  beats?: number | undefined;
  /** Lift angle of a lever escapement, degrees. */
  liftDeg?: number | undefined;
  /** Teeth of the escape wheel. */
  teeth?: number | undefined;
  /** How much faster the sound card samples than it says, millionths, and how sure that is (one standard error). */
  card?: { ppmFast: number; error: number } | undefined;
}

export interface SoundReport {
  /** What it is held against: given, the nearest usual number, or what it makes. */
  beatsPerHour: number;
  measuredBeats: number;
  /** Gaining is positive. */
  rateSecondsPerDay: number;
  rateStandardError: number;
  /** Half the width of the 95 % interval. */
  rateHalfWidth: number;
  beatErrorMs: number | null;
  beatErrorStandardError: number | null;
  /** Share of the beat. */
  beatErrorShare: number | null;
  /** The louder of the two sounds is called the tick. */
  shortSide: 'tick to tock' | 'tock to tick' | 'neither' | null;
  amplitudeDegrees: number | null;
  /** From beat to beat, degrees; and by tooth, where the wheel is known. */
  amplitudeScatter: number | null;
  amplitudeByTooth: number[] | null;
  /** How far a beat falls from its place by itself, and how the whole wanders, ms. */
  scatterMs: number;
  wanderMs: number;
  wheel: WheelPattern | null;
  beats: number;
  missing: number;
  extra: number;
  /** Seconds from the first beat to the last. */
  seconds: number;
  /** It stopped so many seconds after the beginning of the sound; null: it did not. */
  stoppedS: number | null;
  warnings: string[];
}

/** As far as a clock may be off for the nearest usual number to be meant. */
const NEAR_USUAL = 0.012;
const LEAST_BEATS = 4;
/** Below this a beat error has no side. */
const LEAST_ERROR_S = 0.02e-3;
/** A change of amplitude from tooth to tooth is only said after this many turns of the wheel. */
const TURNS = 2;

/** Puts together what was heard. @returns null when there are too few beats to say anything */
export function soundReport(heard: Heard, known: Known): SoundReport | null {
  const { missing, extra } = heard.counts;
  const oneKind = heard.lock.heard === 'one';
  const shift = heard.shiftS ?? 0;
  const at = heard.timed.map((b) => b.rawS + (b.index & 1 ? shift : 0));
  const approximate = medianPace(heard.timed, at);
  const kept = withNeighbours(
    heard.timed.map((b) => b.index),
    at,
    approximate,
  ).flatMap((ok, i) => (ok ? [i] : []));
  if (kept.length < LEAST_BEATS) return null;
  const index = kept.map((i) => heard.timed[i]!.index);
  const s: Steadiness = steadiness(
    index,
    kept.map((i) => at[i]!),
    oneKind,
  );
  const correction = known.card?.ppmFast ?? 0;
  const measuredBeats = (3600 / s.beatS) * (1 + correction / 1e6);
  const warnings: string[] = [];
  const beatsPerHour = nominal(measuredBeats, known.beats, warnings);
  const perDay = 86_400 * (measuredBeats / beatsPerHour);
  const cardError = SECONDS_PER_PPM * (known.card?.error ?? 0);
  const withCard = (x: number, factor: number) => Math.hypot(perDay * (x / s.beatS), factor * cardError);

  const both = !oneKind && heard.shiftS !== null;
  const beatErrorMs = both ? Math.abs(s.oddS) * 1000 : null;
  const beatErrorStandardError = both ? s.oddError * 1000 : null;
  const amplitudes = known.liftDeg === undefined ? [] : amplitudesOf(heard.timed, kept, beatsPerHour, known.liftDeg);
  const amplitude = amplitudes.length >= LEAST_BEATS ? median(amplitudes.map((a) => a.degrees)) : null;
  const noAmplitude = known.liftDeg !== undefined && amplitude === null;
  warnings.push(...warningsOf(heard, s, kept.length), ...(noAmplitude ? [whyNoAmplitude(beatsPerHour)] : []));
  return {
    beatsPerHour,
    measuredBeats,
    rateSecondsPerDay: 86_400 * (measuredBeats / beatsPerHour - 1),
    rateStandardError: withCard(s.beatError, 1),
    rateHalfWidth: withCard(s.beatHalfWidth, 1.96),
    beatErrorMs,
    beatErrorStandardError,
    beatErrorShare: beatErrorMs === null ? null : beatErrorMs / 1000 / s.beatS,
    shortSide: shortSideOf(s, both, heard.tickIsOdd),
    amplitudeDegrees: amplitude,
    amplitudeScatter:
      amplitude === null ? null : 1.4826 * median(amplitudes.map((a) => Math.abs(a.degrees - amplitude))),
    amplitudeByTooth: amplitude === null || known.teeth === undefined ? null : byTooth(amplitudes, known.teeth),
    scatterMs: s.scatterS * 1000,
    wanderMs: s.wanderS * 1000,
    wheel: wheelPattern(index, s.residuals, known.teeth),
    beats: kept.length,
    missing,
    extra,
    seconds: at[kept.at(-1)!]! - at[kept[0]!]!,
    stoppedS: heard.stoppedS,
    warnings,
  };
}

function shortSideOf({ oddS, oddError }: Steadiness, both: boolean, tickIsOdd: boolean): SoundReport['shortSide'] {
  if (!both) return null;
  if (Math.abs(oddS) <= Math.max(LEAST_ERROR_S, oddError)) return 'neither';
  return oddS > 0 !== tickIsOdd ? 'tock to tick' : 'tick to tock';
}

function nominal(measured: number, given: number | undefined, warnings: string[]): number {
  if (given !== undefined) {
    if (Math.abs(measured / given - 1) > 0.03)
      warnings.push(`It makes ${measured.toFixed(0)} beats an hour, far from the ${given} given.`);
    return given;
  }
  const usual = USUAL_BEATS.reduce((a, b) => (Math.abs(b - measured) < Math.abs(a - measured) ? b : a));
  if (Math.abs(usual / measured - 1) < NEAR_USUAL) return usual;
  const whole = Math.round(measured);
  warnings.push(
    `${measured.toFixed(1)} beats an hour is no usual number: the rate is against ${whole}. Give the ` +
      'number of beats from the train.',
  );
  return whole;
}

function amplitudesOf(
  timed: readonly TimedBeat[],
  kept: readonly number[],
  beats: number,
  liftDeg: number,
): { index: number; degrees: number }[] {
  return kept.flatMap((i) => {
    const { unlockToDropMs: ms, index } = timed[i]!;
    if (ms === null) return [];
    try {
      return [{ index, degrees: amplitudeDeg(beats, liftDeg, ms) }];
    } catch {
      return [];
    } // no amplitude gives this time: that beat was heard wrong
  });
}

function byTooth(amplitudes: readonly { index: number; degrees: number }[], teeth: number): number[] | null {
  if (amplitudes.length < 2 * teeth * TURNS) return null;
  return Array.from({ length: teeth }, (_, tooth) => {
    const own = amplitudes
      .filter((a) => ((Math.floor(a.index / 2) % teeth) + teeth) % teeth === tooth)
      .map((a) => a.degrees);
    return own.length > 0 ? own.reduce((x, y) => x + y, 0) / own.length : NaN;
  });
}

function medianPace(timed: readonly TimedBeat[], at: readonly number[]): number {
  const steps: number[] = [];
  for (let i = 2; i < timed.length; i++) {
    const k = timed[i]!.index - timed[i - 2]!.index;
    if (k > 0) steps.push((at[i]! - at[i - 2]!) / k);
  }
  return steps.length > 0 ? median(steps) : 1;
}

function median(x: readonly number[]): number {
  const s = [...x].sort((a, b) => a - b);
  return s.length % 2 ? s[s.length >> 1]! : (s[s.length / 2 - 1]! + s[s.length / 2]!) / 2;
}
