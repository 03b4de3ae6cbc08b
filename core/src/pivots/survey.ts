import type { ArborClass } from '../movement/index.ts';
import { bushedVerdicts, type Choices } from '../rules/index.ts';
import { ensure } from '../units/index.ts';
import { clearanceFromLean, clearanceFromPlay } from './lean.ts';
import { judgeHole, verdictFits, type HoleVerdict, type HoleWord } from './verdict.ts';

/** What became of a hole before today. */
export const PASTS = ['original', 'factory bush', 'later bush', 'punched', 'jewel'] as const;
export type Past = (typeof PASTS)[number];
export const isJewel = (past: Past): boolean => past === 'jewel';

/** How play was surveyed: the schools of the house rule. Numbers got one way are not those got another way. */
export const WAYS = ['one-wheel', 'train', 'one-plate', 'in-place'] as const;
export type Way = (typeof WAYS)[number];

/**
 * Instead of the hole's own two ways: what was seen of its play. Lean only in one plate with the other end free;
 * between plates the sideways play, at its distance from the far pivot.
 */
export type PlayReading =
  | { kind: 'lean'; leanDeg: number; plateMm: number }
  | { kind: 'play'; playMm: number; atMm: number; gapMm: number; farMm?: number | null | undefined };

/** Diametral clearance that was seen, mm. @throws Outside naming the field */
export const clearanceOf = (s: PlayReading): number =>
  s.kind === 'lean' ? clearanceFromLean(s.leanDeg, s.plateMm) : clearanceFromPlay(s.playMm, s.atMm, s.gapMm, s.farMm);
/** The hole that such play stands for: round, for it does not tell one way from the other. Thousandths. */
export function holeOf(pivotMm: number, s: PlayReading): { holeLongMm: number; holeShortMm: number } {
  const mm = Math.round((pivotMm + clearanceOf(s)) * 1000) / 1000;
  return { holeLongMm: mm, holeShortMm: mm };
}
/** What a hole's size was told by. */
export type HoleSize = { kind: 'measured'; holeLongMm: number; holeShortMm: number } | PlayReading;
/** Long and short way of a hole, mm, however it was told. @throws Outside naming the field */
export const waysOf = (pivotMm: number, size: HoleSize): { holeLongMm: number; holeShortMm: number } =>
  size.kind === 'measured' ? { holeLongMm: size.holeLongMm, holeShortMm: size.holeShortMm } : holeOf(pivotMm, size);
/**
 * What was measured of a hole and what it says; nothing where it was felt.
 * @returns null where a hole is given without its pivot, or a pivot without its hole
 * @throws Outside (of `judgeHole`) where the figures cannot be those of a pivot in its hole
 */
export function holeFigures(
  pivotMm: number | null,
  size: HoleSize | { kind: 'felt' },
  arbor: ArborClass,
  jewel: boolean,
): { holeLongMm: number | null; holeShortMm: number | null; computed: HoleVerdict | null } | null {
  if ((size.kind === 'felt') !== (pivotMm === null)) return null;
  if (size.kind === 'felt' || pivotMm === null) return { holeLongMm: null, holeShortMm: null, computed: null };
  const ways = waysOf(pivotMm, size);
  return { ...ways, computed: judgeHole({ pivotMm, ...ways }, arbor, jewel).verdict };
}

/** May this be asked in this way of looking? */
export const playFits = (kind: HoleSize['kind'] | 'felt', way: Way): boolean =>
  kind === 'measured' || kind === 'felt' || (kind === 'lean') === (way === 'one-plate');

/**
 * End shake, mm: an arbor must be able to move a little lengthways, and not so far that a wheel leaves its pinion. From
 * memory, house rule: 0.1 to 0.5 for a train of ordinary size, closer for balance and lever, wider for a barrel.
 */
export const END_SHAKE_MM: Record<ArborClass, readonly [least: number, most: number]> = {
  barrel: [0.1, 0.8],
  train: [0.1, 0.5],
  'late train': [0.1, 0.5],
  escape: [0.05, 0.4],
  pallet: [0.05, 0.4],
  fly: [0.1, 0.5],
  lever: [0.02, 0.1],
  balance: [0.02, 0.1],
};
export type EndShake = 'right' | 'too little' | 'too much';
/**
 * End shake of an arbor, 0 to 10 mm, against the limits of its class.
 * @throws Outside beyond that
 */
export function judgeEndShake(mm: number, arbor: ArborClass): EndShake {
  ensure(mm >= 0 && mm <= 10, 'endShakeMm', 'Between 0 and 10 mm.');
  const [least, most] = END_SHAKE_MM[arbor];
  if (mm < least - 1e-9) return 'too little';
  return mm > most + 1e-9 ? 'too much' : 'right';
}

interface Worn {
  pivotMm: number;
  holeLongMm: number;
}
/**
 * As a hole was left: with the bush that was fitted then, or as it was measured. Null where it was only felt: no wear
 * is reckoned from that.
 */
export function leftAs(h: {
  pivotMm: number | null;
  holeLongMm: number | null;
  bushed: { pivotMm: number; boreMm: number } | null;
}): Worn | null {
  if (h.bushed) return { pivotMm: h.bushed.pivotMm, holeLongMm: h.bushed.boreMm };
  return h.pivotMm === null || h.holeLongMm === null ? null : { pivotMm: h.pivotMm, holeLongMm: h.holeLongMm };
}

/** What a hole wore since it was left: how much more play, mm, a year. Less than nothing: it was measured otherwise. */
export function wornSince(
  then: Worn & { at: string },
  now: Worn & { at: string },
): { mm: number; mmAYear: number | null } {
  const mm = now.holeLongMm - now.pivotMm - (then.holeLongMm - then.pivotMm);
  const years = (Date.parse(now.at) - Date.parse(then.at)) / (365.25 * 86_400_000);
  return { mm, mmAYear: years >= 0.5 ? mm / years : null };
}

/**
 * The eight ways a pivot can have wandered, as on the face of the plate that is looked at: degrees clockwise from up.
 */
export const WEAR_TOWARDS = [
  ['up', 0],
  ['up right', 45],
  ['right', 90],
  ['down right', 135],
  ['down', 180],
  ['down left', 225],
  ['left', 270],
  ['up left', 315],
] as const;

/** A pivot that was turned down no longer fits its hole, whatever was said of the hole. @returns why, or null */
export const forcedToBush = (turnedMm: number | null, past: Past): string | null =>
  turnedMm === null
    ? null
    : `Its pivot was turned down to ${turnedMm} mm: this ` +
      (isJewel(past) ? 'jewel must be renewed.' : 'hole must be bushed.');
/** What a hole wants whose pivot no longer fits it. */
export const unfit = (past: Past): 'bush' | 'renew' => (isJewel(past) ? 'renew' : 'bush');

/**
 * The verdict that is kept for a hole. A pivot turned down forces a bush; then counts the person's own word; then the
 * house rule for holes that did not fail; then what the measurements say.
 */
export function keptVerdict(given: {
  computed: HoleVerdict;
  own: HoleWord | null;
  turnedMm: number | null;
  past: Past;
  choices: Choices;
}): HoleWord {
  if (given.turnedMm !== null) return unfit(given.past);
  if (given.own !== null && verdictFits(given.own, isJewel(given.past))) return given.own;
  return byHouseRule(given.computed, given.past, given.choices);
}

/** A marginal hole is bushed or left by house rule; a jewel is never bushed. */
export const byHouseRule = (computed: HoleVerdict, past: Past, choices: Choices): HoleVerdict =>
  !isJewel(past) && bushedVerdicts(choices).includes(computed) ? 'bush' : computed;
