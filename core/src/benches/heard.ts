import { judgeSpacing, SLOWS } from '../strike/index.ts';
import { counted } from '../units/index.ts';

/** One blow that was heard: seconds, and loudness in dB. */
export interface HeardBlow {
  atS: number;
  db: number;
}

/** What a bench learns from a recording: fields of its form, and what it was, in words. */
export interface FromSound {
  fields: Readonly<Record<string, string>>;
  says: string;
}

/** What a form asks the microphone for. */
export const HEARD_AS = ['ring', 'repeat', 'even'] as const;
export type HeardAs = (typeof HEARD_AS)[number];

/** An alarm that makes fewer is not judged. */
const LEAST_RING = 6;
/** It rings in fits where a pause is this many times the usual one, and can be heard as one, s. Practice. */
const FIT_TIMES = 3.5,
  FIT_S = 0.35;
/** How long an alarm rang, and how. @param blows rising in time; null: too few of them */
export function ringOf(blows: readonly HeardBlow[]): FromSound | null {
  if (blows.length < LEAST_RING) return null;
  const at = blows.map((b) => b.atS);
  const gaps = gapsOf(at);
  const usual = middle(gaps);
  const seconds = at.at(-1)! - at[0]! + usual;
  const fits = gaps.filter((g) => g > FIT_TIMES * usual && g > FIT_S).length;
  const part = Math.max(2, Math.floor(gaps.length / 5));
  const slowing = middle(gaps.slice(-part)) / middle(gaps.slice(0, part)) - 1;
  return {
    fields: { seconds: seconds.toFixed(1), even: evenOf(fits, slowing) },
    says:
      `${counted(blows.length, 'blow')} in ${seconds.toFixed(1)} s, ${(1 / usual).toFixed(1)} a second` +
      (fits > 0 ? `, with ${counted(fits, 'pause')}` : '') +
      (slowing > SLOWS ? `, at its end ${(100 * (slowing / (1 + slowing))).toFixed(0)} % slower` : '') +
      '.',
  };
}

function evenOf(fits: number, slowing: number): string {
  if (fits > 0) return 'in fits';
  return slowing > SLOWS ? 'slower at its end' : 'evenly';
}

/** A second blow so soon after the first, s, and so much quieter, dB, is the hammer that bounces. */
const BOUNCE_S = 0.16,
  BOUNCE_DB = 6;
/** A pair comes closer together than the others by this share, and within so many seconds. Practice. */
const PAIR = 0.62,
  PAIR_S = 0.45;
/** Hours and quarters stand apart by a pause so many times the usual gap. */
const PAUSE = 1.45;
/** It is the one long pause: longer than the next longest by this share. */
const ALONE = 1.25;
const MOST_QUARTERS = 3;
/** Quieter than the middle of the others by this, dB: a weak blow. */
const WEAK_DB = 5;

interface Unit {
  atS: number;
  db: number;
  double: boolean;
}

/** What a repeat struck: hours and quarters, and whether its blows are even. */
export interface Repeat {
  hours: number;
  quarters: number | null;
  blows: 'even' | 'uneven' | 'a second one bounces';
  says: string;
}

/**
 * Hours and quarters of what was heard. Quarters struck as pairs are told by their pairs, in whichever order they come;
 * else what comes after the one long pause are the quarters. Without pairs and without a pause, all are hours.
 * @param blows rising in time; null: none
 */
export function repeatOf(blows: readonly HeardBlow[]): Repeat | null {
  if (blows.length === 0) return null;
  const { kept, bounced } = withoutBounces(blows);
  const units = inPairs(kept);
  const groups = units.some((u) => u.double) ? byKind(units) : byPause(units);
  const [hours, quarters] = groups;
  const weak = weakIn(hours);
  const spacing = hours.length >= 3 ? judgeSpacing(hours.map((u) => u.atS)) : null;
  let even: Repeat['blows'] = spacing?.even === false || weak.length > 0 ? 'uneven' : 'even';
  if (bounced > 0) even = 'a second one bounces';
  return {
    hours: hours.length,
    quarters: quarters.length > 0 ? quarters.length : null,
    blows: even,
    says: [
      `${counted(hours.length, 'hour')}${quarters.length > 0 ? `, ${counted(quarters.length, 'quarter')}` : ''}.`,
      ...(bounced > 0 ? [`${counted(bounced, 'blow')} came back at once: the hammer bounces.`] : []),
      ...weak.map((n) => `Blow ${n + 1} is weak.`),
      ...(spacing ? [spacing.words] : []),
    ].join(' '),
  };
}

/** @returns numbers of those that are much quieter than the middle one, from 0 */
function weakIn(units: readonly Unit[]): number[] {
  if (units.length < 3) return [];
  const usual = middle(units.map((u) => u.db));
  return units.flatMap((u, i) => (u.db < usual - WEAK_DB ? [i] : []));
}

function withoutBounces(blows: readonly HeardBlow[]): { kept: HeardBlow[]; bounced: number } {
  const kept: HeardBlow[] = [];
  let bounced = 0;
  for (const b of blows) {
    const before = kept.at(-1);
    if (before && b.atS - before.atS < BOUNCE_S && b.db < before.db - BOUNCE_DB) bounced++;
    else kept.push(b);
  }
  return { kept, bounced };
}

/** Two that stand closer to each other than all others do, and not three in a row, are one. */
function inPairs(blows: readonly HeardBlow[]): Unit[] {
  const gaps = gapsOf(blows.map((b) => b.atS));
  const shortest = Math.min(...gaps);
  const close = gaps.map((g) => g < shortest / PAIR);
  const others = gaps.filter((_, i) => !close[i]);
  const pairs = shortest < PAIR_S && others.length > 0 && !close.some((c, i) => c && close[i + 1]);
  return blows.flatMap((b, i) => (pairs && close[i - 1] ? [] : [{ ...b, double: pairs && close[i] === true }]));
}

const byKind = (units: readonly Unit[]): [Unit[], Unit[]] => [
  units.filter((u) => !u.double),
  units.filter((u) => u.double),
];

function byPause(units: readonly Unit[]): [Unit[], Unit[]] {
  const gaps = gapsOf(units.map((u) => u.atS));
  const longest = Math.max(...gaps, 0);
  const at = gaps.indexOf(longest);
  const others = gaps.filter((_, i) => i !== at);
  const after = units.slice(at + 1);
  const pause = others.length > 0 && longest > PAUSE * middle(others) && longest > ALONE * Math.max(...others);
  return pause && after.length <= MOST_QUARTERS ? [units.slice(0, at + 1), after] : [[...units], []];
}

const gapsOf = (at: readonly number[]): number[] => at.slice(1).map((t, i) => t - at[i]!);
const middle = (all: readonly number[]): number => all.toSorted((a, b) => a - b)[all.length >> 1] ?? 0;

/** What a form is filled with. @param heard what it asks for; null: nothing to be told from this */
export function fromSound(heard: HeardAs, blows: readonly HeardBlow[]): FromSound | null {
  if (heard === 'ring') return ringOf(blows);
  const r = repeatOf(blows);
  if (!r) return null;
  if (heard === 'even') return r.hours < 3 && r.blows === 'even' ? null : { fields: { even: r.blows }, says: r.says };
  return { fields: { hours: String(r.hours), quarters: String(r.quarters ?? 0) }, says: r.says };
}
