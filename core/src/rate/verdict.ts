import { drivenBy, has, type SourceKind, type Traits } from '../movement/index.ts';
import { held, type Choices } from '../rules/index.ts';
import { HOUSE_WANDER, NO_WANDER, type RateFit, type Wander } from './fit.ts';
import { rateInWords } from './words.ts';

export interface Protocol {
  shortestDays: number;
  readEveryHours: number;
  /** At return. */
  toleranceSecondsPerDay: number;
  /** Near enough to begin fine setting, where that is wider than at return. */
  beginSecondsPerDay: number | null;
  /** Driven by the mains or by a master: no rate of its own; it keeps step within so many seconds or does not. */
  keepsStepWithinS: number | null;
  words: string;
}

interface Row {
  applies: (t: Traits) => boolean;
  /** Shortest run; a wind is one full wind of this movement, thirty days at most. */
  days: number | 'wind';
  everyHours: number;
  tolerance: number;
  begin?: number;
  step?: number;
  words: string;
}

/** Two minutes a week. */
const AT_RETURN = 17;
const LONGEST_DAYS = 30;
/** Against true time the mains itself wanders, s; against a second clock on the same mains it does not. Practice. */
const MAINS_WANDERS_S = 60;
const SAME_MAINS_S = 5;

/** House rules for the test run (practice), keyed by traits: the first row that applies counts. */
const ROWS: readonly Row[] = [
  {
    applies: (t) => t.oscillator === 'mains frequency',
    days: 2,
    everyHours: 24,
    tolerance: MAINS_WANDERS_S / 2,
    step: MAINS_WANDERS_S,
    words: 'in step; against true time the mains itself wanders by tens of seconds',
  },
  {
    applies: (t) => drivenBy(t, (d) => d === 'electric rewind'),
    days: 2,
    everyHours: 12,
    tolerance: 30,
    words: '30 s a day',
  },
  {
    applies: (t) => t.oscillator === 'pulses of a master',
    days: 2,
    everyHours: 24,
    tolerance: SAME_MAINS_S / 2,
    step: SAME_MAINS_S,
    words: 'in step with its master',
  },
  {
    applies: (t) => drivenBy(t, (d) => d === 'electric impulse'),
    days: 7,
    everyHours: 24,
    tolerance: 30,
    words: '30 s a day, pushes counted',
  },
  {
    applies: (t) => t.oscillator === 'torsion pendulum',
    days: 30,
    everyHours: 48,
    tolerance: AT_RETURN,
    words: '2 min a week, over 30 days',
  },
  {
    applies: (t) => has(t, 'cone pivots'),
    days: 3,
    everyHours: 24,
    tolerance: 180,
    words: '3 min a day',
  },
  {
    applies: (t) => has(t, 'print work'),
    days: 7,
    everyHours: 24,
    tolerance: 120,
    words: 'prints within 2 min a day, a whole week',
  },
  {
    applies: (t) => has(t, 'repeater'),
    days: 14,
    everyHours: 24,
    tolerance: 60,
    words: '60 s a day, each function tried five times',
  },
  {
    applies: (t) => t.oscillator === 'balance',
    days: 3,
    everyHours: 24,
    tolerance: 30,
    words: '30 s a day',
  },
  {
    applies: (t) => (t.windHours ?? 192) <= 36,
    days: 3,
    everyHours: 24,
    tolerance: 30,
    words: '30 s a day, wound daily',
  },
  {
    applies: (t) => drivenBy(t, (d) => d === 'fusee spring'),
    days: 'wind',
    everyHours: 24,
    tolerance: 60,
    words: '60 s a day, even over the wind',
  },
  {
    applies: (t) => has(t, 'lantern pinions') && drivenBy(t, onWeight),
    days: 'wind',
    everyHours: 24,
    tolerance: 60,
    words: '60 s a day, the weights on the floor before the line ends',
  },
  {
    applies: (t) => drivenBy(t, onWeight) && t.escapement === 'dead-beat' && t.strike === 'none',
    days: 'wind',
    everyHours: 24,
    tolerance: 10 / 7,
    words: '10 s a week',
  },
  {
    applies: (t) => drivenBy(t, onWeight),
    days: 'wind',
    everyHours: 24,
    tolerance: 60 / 7,
    words: '60 s a week',
  },
  {
    applies: () => true,
    days: 'wind',
    everyHours: 24,
    tolerance: AT_RETURN,
    begin: 60,
    words: '2 min a week, a full wind',
  },
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
  const { days, everyHours, tolerance, begin, step, words } = ROWS.find((row) => row.applies(traits))!;
  const wind = days === 'wind' ? Math.min(LONGEST_DAYS, Math.ceil((traits.windHours ?? 192) / 24)) : days;
  const [shortestDays, readEveryHours] = lastingFor(held('run-length', choices).id, wind, everyHours);
  const beside =
    traits.oscillator === 'mains frequency' && held('reference', choices).id === 'clock'
      ? { step: SAME_MAINS_S, words: 'in step with a second clock on the same mains' }
      : { step, words };
  const more = (traits.windHours ?? 0) > LONGEST_DAYS * 24 ? ', and on the last turns of its wind' : '';
  return {
    shortestDays,
    readEveryHours,
    toleranceSecondsPerDay: beside.step === undefined ? tolerance : beside.step / wind,
    beginSecondsPerDay: begin ?? null,
    keepsStepWithinS: beside.step ?? null,
    words: beside.words + more,
  };
}

/** How much a clock on test may wander from what it is read against. */
export const wanderFor = ({ keepsStepWithinS }: Protocol): Wander =>
  keepsStepWithinS === null ? HOUSE_WANDER : NO_WANDER;

export type RateVerdict =
  { kind: 'inside' | 'outside'; text: string } | { kind: 'not yet'; text: string; readAgainAt: number | null };

const DAY_MS = 86_400_000;
const LONGEST_LOOK_AHEAD_DAYS = 30;
const onWeight = (d: SourceKind) => d === 'weight on line' || d === 'weight on cable';

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
  if (protocol.keepsStepWithinS !== null) return judgeStep(fit, protocol, since, now);
  const rate = Math.abs(fit.rateSecondsPerDay);
  const half = fit.halfWidthSecondsPerDay;
  const tolerance = protocol.toleranceSecondsPerDay;
  const words = `${says(fit.rateSecondsPerDay)}, give or take ${half < 9.95 ? half.toFixed(1) : half.toFixed(0)}`;
  if (rate - half > tolerance)
    return { kind: 'outside', text: `${words}: outside ${protocol.words}.${toBegin(rate + half, protocol)}` };
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

const toBegin = (most: number, { beginSecondsPerDay }: Protocol): string =>
  beginSecondsPerDay !== null && most <= beginSecondsPerDay ? ' Near enough to begin fine setting.' : '';

/** It follows another clock or the mains: what counts is by how much it fell out of step, not a rate of its own. */
function judgeStep(fit: RateFit, protocol: Protocol, since: number, now: number): RateVerdict {
  const days = (now - since) / DAY_MS;
  const out = Math.abs(fit.rateSecondsPerDay) * days;
  const within = protocol.keepsStepWithinS!;
  const words = `${out.toFixed(0)} s ${fit.rateSecondsPerDay > 0 ? 'gained' : 'lost'} in ${days.toFixed(1)} days`;
  if (out - fit.halfWidthSecondsPerDay * days > within)
    return { kind: 'outside', text: `${words}: it is not ${protocol.words}.` };
  const text = out < 1 ? `It is ${protocol.words}.` : `${words}: ${protocol.words}.`;
  if (days >= protocol.shortestDays) {
    if (out <= within) return { kind: 'inside', text };
    return {
      kind: 'not yet',
      text: `${words}: not yet known.`,
      readAgainAt: now + protocol.readEveryHours * 3_600_000,
    };
  }
  return {
    kind: 'not yet',
    text: `${text} To be watched for ${protocol.shortestDays} days.`,
    readAgainAt: since + protocol.shortestDays * DAY_MS,
  };
}

/** When one more reading would make the interval narrow enough to decide; null when a month would not. */
function whenDecided(fit: RateFit, tolerance: number, now: number): number | null {
  const margin = Math.abs(tolerance - Math.abs(fit.rateSecondsPerDay));
  for (let hours = 1; hours <= LONGEST_LOOK_AHEAD_DAYS * 24; hours++) {
    const at = now + hours * 3_600_000;
    if (fit.halfWidthIfReadAt(at) < margin) return at;
  }
  return null;
}

const says = (rate: number): string => rateInWords(rate).replace(/^./, (first) => first.toUpperCase());
