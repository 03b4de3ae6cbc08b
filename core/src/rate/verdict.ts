import { drivenBy, has, type Traits } from '../movement/index.ts';
import { held, type Choices } from '../rules/index.ts';
import type { RateFit } from './fit.ts';
import { rateInWords } from './words.ts';

export interface Protocol {
  shortestDays: number;
  readEveryHours: number;
  toleranceSecondsPerDay: number;
  words: string;
}

/** House rules for the test run (practice), keyed by traits: the first row that applies counts. */
const ROWS: readonly (readonly [(t: Traits) => boolean, number, number, number, string])[] = [
  //                                                                 days  every  s/day
  [(t) => t.oscillator === 'mains frequency', 2, 24, 1, 'exact with the mains'],
  [(t) => drivenBy(t, (d) => d === 'electric rewind'), 2, 12, 30, '30 s a day'],
  [(t) => t.oscillator === 'pulses of a master', 2, 24, 1, 'shows what its master shows'],
  [(t) => drivenBy(t, (d) => d === 'electric impulse'), 7, 24, 30, '30 s a day, pushes counted'],
  [(t) => t.oscillator === 'torsion pendulum', 30, 48, 17, '2 min a week, over 30 days'],
  [(t) => has(t, 'cone pivots'), 3, 24, 180, '3 min a day'],
  [(t) => t.oscillator === 'balance', 3, 24, 30, '30 s a day'],
  [(t) => has(t, 'print work'), 7, 24, 120, 'prints within 2 min a day, a whole week'],
  [(t) => has(t, 'repeater'), 14, 24, 60, '60 s a day, each function tried five times'],
  [(t) => (t.windHours ?? 192) <= 36, 3, 24, 30, '30 s a day, wound daily'],
  [
    (t) => drivenBy(t, (d) => d === 'weight on line' || d === 'weight on cable') && !has(t, 'lantern pinions'),
    8,
    24,
    8.6,
    '60 s a week',
  ],
  [() => true, 8, 24, 60, '60 s a day, a full wind'],
];

/**
 * Days of a run and hours between readings, by the house rule of how long; a tolerance over a month keeps its month.
 */
function lastingFor(school: string, days: number, every: number): readonly [days: number, everyHours: number] {
  if (school === 'week') return [days > 14 ? days : 7, every];
  if (school === 'weeks') return [Math.max(days, 14), Math.min(every, 24)];
  return [days, every];
}

/** @param choices the house rules that the visit is worked under */
export function protocolFor(traits: Traits, choices: Choices = {}): Protocol {
  const [, days, every, toleranceSecondsPerDay, words] = ROWS.find(([applies]) => applies(traits))!;
  const [shortestDays, readEveryHours] = lastingFor(held('run-length', choices).id, days, every);
  return { shortestDays, readEveryHours, toleranceSecondsPerDay, words };
}

export type RateVerdict =
  { kind: 'inside' | 'outside'; text: string } | { kind: 'not yet'; text: string; readAgainAt: number | null };

const DAY_MS = 86_400_000;
const LONGEST_LOOK_AHEAD_DAYS = 30;

/**
 * Inside or outside tolerance once the whole 95 % interval is, and the run has lasted; until then when to read again.
 * @param since start of the segment, ms since 1970
 */
export function judgeRate(fit: RateFit | null, protocol: Protocol, since: number, now: number): RateVerdict {
  const soonest = Math.max(now, since + protocol.shortestDays * DAY_MS);
  if (!fit)
    return {
      kind: 'not yet',
      text: 'Two readings at least are needed for a rate.',
      readAgainAt: now + protocol.readEveryHours * 3_600_000,
    };
  const rate = Math.abs(fit.rateSecondsPerDay);
  const half = fit.halfWidthSecondsPerDay;
  const tolerance = protocol.toleranceSecondsPerDay;
  const words = `${says(fit.rateSecondsPerDay)}, give or take ${half < 9.95 ? half.toFixed(1) : half.toFixed(0)}`;
  if (rate - half > tolerance) return { kind: 'outside', text: `${words}: outside ${protocol.words}.` };
  if (rate + half <= tolerance) {
    if (now >= since + protocol.shortestDays * DAY_MS)
      return { kind: 'inside', text: `${words}: inside ${protocol.words}.` };
    return {
      kind: 'not yet',
      text: `${words}: inside so far, to be watched for ${protocol.shortestDays} days.`,
      readAgainAt: soonest,
    };
  }
  return {
    kind: 'not yet',
    text: `${words}: not yet known against ${protocol.words}.`,
    readAgainAt: whenDecided(fit, tolerance, now),
  };
}

/** When one more reading would make the interval narrow enough to decide; null when a month would not. */
function whenDecided(fit: RateFit, tolerance: number, now: number): number | null {
  const margin = Math.abs(tolerance - Math.abs(fit.rateSecondsPerDay));
  const leverNow = fit.noiseS / fit.halfWidthSecondsPerDay; // √Sxx/t
  for (let hours = 1; hours <= LONGEST_LOOK_AHEAD_DAYS * 24; hours++) {
    const days = (now + hours * 3_600_000 - fit.originAt) / DAY_MS;
    // 2.78: t at four degrees, the widest
    const lever = Math.sqrt(leverNow ** 2 + ((fit.n / (fit.n + 1)) * days * days) / 2.78 ** 2);
    if (fit.noiseS / lever < margin) return now + hours * 3_600_000;
  }
  return null;
}

const says = (rate: number): string => rateInWords(rate).replace(/^./, (first) => first.toUpperCase());
