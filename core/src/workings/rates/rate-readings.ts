import { FAMILIES, familyById } from '../../movement/index.ts';
import {
  currentSegment,
  fitRate,
  judgeRate,
  protocolFor,
  READING_NOISE_S,
  wanderFor,
  type ReadBy,
} from '../../rate/index.ts';
import { ensure } from '../../units/index.ts';
import { choice, maybe, number, numbers, out, rows, words } from '../fields.ts';
import { working } from '../working.ts';
import { z } from 'zod';
import { REGRESSION } from './shared.ts';

const DAY_MS = 86_400_000;

export default working({
  id: 'rate-readings',
  title: 'Rate from readings',
  subject: 'Rate and beat',
  stages: ['run'],
  version: 2,
  figure: 'rate',
  asks: 'What is its rate, how sure is that, and when do I read again?',
  alias: 'gain lose seconds a day interval test run',
  inputs: z.object({
    family: choice('Kind of movement', FAMILIES.map((f) => f.id) as [string, ...string[]]),
    readBy: choice('Read by', Object.keys(READING_NOISE_S) as [ReadBy, ...ReadBy[]]),
    readings: rows(
      'Readings',
      {
        days: number('Days from the first', 'days', 0, 400, { digits: 3 }),
        errorS: number('Ahead by', 's', -43200, 43200, { digits: 1, hint: 'Behind is negative' }),
      },
      2,
      2000,
    ),
    touchedDays: numbers('Set, stopped or adjusted on day', 'days', [0, 400], 0, 50, {
      digits: 2,
      hint: 'Only readings after the last of these count',
    }).optional(),
  }),
  example: {
    family: 'mantel-barrels',
    readBy: 'seconds hand',
    readings: [
      { days: 0, errorS: 0 },
      { days: 1, errorS: 12 },
      { days: 2, errorS: 25 },
      { days: 3.1, errorS: 38 },
      { days: 4, errorS: 49 },
    ],
  },
  result: z.object({
    rateSecondsPerDay: out('Rate', 's/day', 2),
    halfWidth: out('95 % of the time within', '± s/day', 2),
    wanderS: out('It wanders from day to day, about', 's', 1),
    used: out('Readings that count', '', 0),
    outliers: out('Readings off the line', '', 0),
    verdict: words('Verdict'),
    words: words('In words'),
    toleranceSecondsPerDay: out('House tolerance', 's/day', 1),
    readAgainDays: maybe('Read again after', 'days from the first', 2),
  }),
  compute(i) {
    const readings = [...i.readings]
      .sort((a, b) => a.days - b.days)
      .map((r) => ({ at: r.days * DAY_MS, errorS: r.errorS }));
    const segment = currentSegment(
      readings,
      (i.touchedDays ?? []).map((d) => d * DAY_MS),
    );
    const protocol = protocolFor(familyById(i.family).traits);
    const fit = fitRate(segment, READING_NOISE_S[i.readBy], wanderFor(protocol));
    ensure(fit !== null, 'readings', 'Two readings at different times, at least, since it was last touched.');
    const verdict = judgeRate(fit, protocol, segment[0]!.at, segment.at(-1)!.at);
    return {
      rateSecondsPerDay: fit.rateSecondsPerDay,
      halfWidth: fit.halfWidthSecondsPerDay,
      wanderS: fit.wanderS,
      used: segment.length,
      outliers: fit.outliers.length,
      verdict: verdict.kind,
      words: verdict.text,
      toleranceSecondsPerDay: protocol.toleranceSecondsPerDay,
      readAgainDays: verdict.kind === 'not yet' && verdict.readAgainAt !== null ? verdict.readAgainAt / DAY_MS : null,
    };
  },
  says: (r) => `${r.words}${r.readAgainDays === null ? '' : ` Read again on day ${r.readAgainDays.toFixed(1)}.`}`,
  formula:
    'Theil–Sen for readings that do not belong; generalised least squares with a wander of 0 to 10 s from day to ' +
    'day, weighed by the readings; σ² = (4 s₀² + SSR)/(n + 2), Student’s t with n + 2 degrees',
  sources: [REGRESSION, 'Scaled-inverse-χ² prior on the scatter, any text on Bayesian regression'],
  checks: [
    {
      kind: 'published',
      source:
        'Student’s t, two-sided 95 %, 4 degrees: 2.776 (NIST/SEMATECH e-Handbook): a dial ' +
        'that its master steps, two readings a day apart with 1 s each',
      given: {
        family: 'slave-dial',
        readBy: 'seconds hand',
        readings: [
          { days: 0, errorS: 0 },
          { days: 1, errorS: 3 },
        ],
      },
      finds: { rateSecondsPerDay: [3, 1e-9], halfWidth: [3.926, 0.001] },
    },
    {
      kind: 'practice',
      source: 'A misread minute is marked and not followed',
      given: {
        family: 'mantel-barrels',
        readBy: 'seconds hand',
        readings: [
          { days: 0, errorS: 0 },
          { days: 1, errorS: 10 },
          { days: 2, errorS: 80 },
          { days: 3, errorS: 30 },
          { days: 4, errorS: 40 },
          { days: 5, errorS: 50 },
        ],
      },
      finds: { outliers: [1, 0], rateSecondsPerDay: [10, 0.1] },
    },
    {
      kind: 'practice',
      source: 'An adjustment begins a new line: what was before does not count',
      given: {
        family: 'mantel-barrels',
        readBy: 'seconds hand',
        readings: [
          { days: 0, errorS: 0 },
          { days: 1, errorS: 100 },
          { days: 2, errorS: 0 },
          { days: 3, errorS: 5 },
          { days: 4, errorS: 10 },
        ],
        touchedDays: [1.5],
      },
      finds: { used: [3, 0], rateSecondsPerDay: [5, 1e-6] },
    },
  ],
});
