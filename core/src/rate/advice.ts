import { sentence } from '../units/index.ts';
import {
  adviseSetting,
  hairspringEffect,
  nutEffect,
  oneOf,
  SETTERS,
  settingWords,
  type Advice,
  type Setter,
  type Tried,
} from '../pendulum/index.ts';
import { fitRate, READING_NOISE_S } from './fit.ts';
import { breaksLine, type RunLog } from './run.ts';

/** What sets the rate, and what is known of it. */
export interface RunSetter {
  setter: Setter | null;
  lengthMm: number | null;
  pitchMm: number | null;
}
export interface SetRun extends Omit<RunLog, 'events'> {
  conditions: RunSetter | null;
  events: readonly {
    kind: string;
    happenedAt: string;
    detail: { setter?: Setter | undefined; amount?: number | undefined } | null;
  }[];
}

/** A rate is not believed closer than this, s/day: a clock is never quite the same from day to day. House rule. */
const LEAST_NOISE = 0.5;
/** The least step a hand can set: parts of a turn, of a division, of a millimetre, of a gram. Practice. */
const STEP: Record<Setter, number> = {
  ...{ 'rating nut': 0.125, regulator: 0.25, hairspring: 0.1, 'bob weights': 0.1, adjuster: 0.125 },
};

export type RunAdvice =
  | { kind: 'set'; setter: Setter; amount: number; advice: Advice; words: string }
  | { kind: 'leave' | 'unknown'; words: string };

/** What each setting so far did: from the rate of the readings before it to the rate of those after it. */
export function triedIn(run: SetRun, setter: Setter): Tried[] {
  const breaks = run.events
    .filter((e) => breaksLine(e.kind))
    .map((e) => ({
      at: Date.parse(e.happenedAt),
      set: amountOf(e, setter),
    }))
    .sort((a, b) => a.at - b.at);
  const readings = run.readings.map((r) => ({ at: Date.parse(r.readAt), errorS: r.errorS }));
  const tried: Tried[] = [];
  let before: number | null = null;
  let amount: number | null = 0; // null: something was set that is not told in this unit
  for (let i = -1; i < breaks.length; i++) {
    const [from, to] = [breaks[i]?.at ?? -Infinity, breaks[i + 1]?.at ?? Infinity];
    const set = breaks[i]?.set ?? (i < 0 ? 0 : null);
    amount = amount === null || set === null ? null : amount + set;
    const fit = fitRate(
      readings.filter((r) => r.at >= from && r.at < to),
      READING_NOISE_S[run.readBy],
    );
    if (!fit) continue;
    if (before !== null && amount !== null && amount !== 0)
      tried.push({ amount, before, after: fit.rateSecondsPerDay });
    before = fit.rateSecondsPerDay;
    amount = 0;
  }
  return tried;
}

/** What an event did to this setter, in its units; null where it was touched and nobody said how much. */
function amountOf(e: SetRun['events'][number], setter: Setter): number | null {
  if (e.kind === 'adjusted' && e.detail?.setter === setter) return e.detail.amount ?? null;
  if (e.kind === 'adjusted') return null;
  return 0;
}

/** s/day that one unit has made on this clock, by the settings of its run; null where none was logged. */
export function learntOf(run: SetRun): { setter: Setter; perUnit: number } | null {
  const { setter } = run.conditions ?? { setter: null };
  if (!setter) return null;
  const advice = adviseSetting(null, triedIn(run, setter), 0);
  return advice && advice.perUnit > 0 ? { setter, perUnit: advice.perUnit } : null;
}

/** s/day that one unit makes by theory; null where it does not know. */
export const theoryOfSetter = ({ setter, lengthMm, pitchMm }: RunSetter): number | null => {
  if (setter === 'rating nut' && lengthMm && pitchMm) return nutEffect(lengthMm, pitchMm);
  return setter === 'hairspring' && lengthMm ? hairspringEffect(lengthMm) : null;
};

/**
 * What to turn, which way and how far, as this clock has answered so far.
 * @param rate s/day now; @param halfWidth half its 95 % interval; @param tolerance within which it is left alone
 */
export function adviseRun(run: SetRun, rate: number, halfWidth: number, tolerance: number): RunAdvice {
  const { setter } = run.conditions ?? { setter: null };
  if (!run.conditions || !setter)
    return { kind: 'unknown', words: 'Say what sets its rate: then this says how far to turn it.' };
  const { unit, up, down } = SETTERS[setter];
  if (Math.abs(rate) + halfWidth <= tolerance / 2) return { kind: 'leave', words: 'Leave it: it is well inside.' };
  const way = rate < 0 ? up : down;
  const advice = adviseSetting(
    theoryOfSetter(run.conditions),
    triedIn(run, setter),
    rate,
    0,
    Math.max(LEAST_NOISE, halfWidth / 1.96),
  );
  if (!advice || advice.perUnit <= 0)
    return {
      kind: 'unknown',
      words: `${sentence(setter)} one ${oneOf(unit)} ${way}, and log it: from the next rate on it is said how far.`,
    };
  const amount = Math.round(advice.amount / STEP[setter]) * STEP[setter];
  if (amount === 0)
    return { kind: 'leave', words: `Leave it: less than the least step of ${STEP[setter]} ${unit} would be needed.` };
  return {
    kind: 'set',
    setter,
    amount,
    advice,
    words:
      `${sentence(setter)} ${settingWords(setter, amount)}` +
      (advice.from === 'theory'
        ? ', by theory'
        : `: one ${oneOf(unit)} has made ${advice.perUnit.toFixed(advice.perUnit < 10 ? 1 : 0)} s a day so far`) +
      '. It should then be within ' +
      advice.leavesSecondsPerDay.toFixed(advice.leavesSecondsPerDay < 10 ? 1 : 0) +
      ' s a day.',
  };
}
