import { z } from 'zod';
import { FAMILIES, familyById } from '../movement/index.ts';
import {
  currentSegment,
  fitLine,
  fitRate,
  judgeRate,
  protocolFor,
  rateInWords,
  READING_NOISE_S,
  type ReadBy,
} from '../rate/index.ts';
import {
  amplitudeDeg,
  BEAT_LIMIT,
  beatError,
  bestRateError,
  HEALTHY,
  judgeAmplitude,
  liftAngleDeg,
  offsetDeg,
  secondsForError,
  SECONDS_PER_PPM,
  trueRate,
  unlockToDropMs,
  type Escaping,
} from '../sound/index.ts';
import { given, ensure } from '../units/index.ts';
import { beats, choice, fact, maybe, number, numbers, out, rows, words } from './fields.ts';
import { working } from './working.ts';

const DAY_MS = 86_400_000;
const REGRESSION = 'Least squares, any text on regression';
const SWING = 'Simple harmonic swing through the lift angle, any text on watch timing';

export const RATES = [
  working({
    id: 'rate-readings',
    title: 'Rate from readings',
    subject: 'Rate and beat',
    stages: ['run'],
    version: 1,
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
      const fit = fitRate(segment, READING_NOISE_S[i.readBy]);
      ensure(fit !== null, 'readings', 'Two readings at different times, at least, since it was last touched.');
      const protocol = protocolFor(familyById(i.family).traits);
      const verdict = judgeRate(fit, protocol, segment[0]!.at, segment.at(-1)!.at);
      return {
        rateSecondsPerDay: fit.rateSecondsPerDay,
        halfWidth: fit.halfWidthSecondsPerDay,
        used: segment.length,
        outliers: fit.outliers.length,
        verdict: verdict.kind,
        words: verdict.text,
        toleranceSecondsPerDay: protocol.toleranceSecondsPerDay,
        readAgainDays: verdict.kind === 'not yet' && verdict.readAgainAt !== null ? verdict.readAgainAt / DAY_MS : null,
      };
    },
    says: (r) => `${r.words}${r.readAgainDays === null ? '' : ` Read again on day ${r.readAgainDays.toFixed(1)}.`}`,
    formula: 'least squares after Theil–Sen; σ² = (4 s₀² + SSR)/(n + 2), Student’s t with n + 2 degrees',
    sources: [REGRESSION, 'Scaled-inverse-χ² prior on the scatter, any text on Bayesian regression'],
    checks: [
      {
        kind: 'published',
        source:
          'Student’s t, two-sided 95 %, 4 degrees: 2.776 (NIST/SEMATECH e-Handbook): two readings a day apart with 1 s each',
        given: {
          family: 'mantel-barrels',
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
  }),
  working({
    id: 'rate-against',
    title: 'What the rate follows',
    subject: 'Rate and beat',
    stages: ['run'],
    version: 1,
    asks: 'Does the rate follow the wind (the spring) or the temperature (the rod)?',
    alias: 'isochronism compensation hours since winding',
    inputs: z.object({
      against: choice('Against', ['hours since winding', 'temperature in °C']),
      points: rows(
        'Rates',
        {
          x: number('Hours, or °C', '', -60, 10000, { digits: 1 }),
          rate: number('Rate', 's/day', -7200, 7200, { digits: 1 }),
        },
        3,
        500,
      ),
    }),
    example: {
      against: 'hours since winding',
      points: [
        { x: 12, rate: 20 },
        { x: 36, rate: 16 },
        { x: 84, rate: 9 },
        { x: 132, rate: -2 },
        { x: 180, rate: -8 },
      ],
    },
    result: z.object({
      slope: out('For each hour or °C', 's/day', 3),
      halfWidth: out('95 % within', '±', 3),
      sure: fact('Surely more than chance'),
    }),
    compute(i) {
      const line = fitLine(i.points.map((p) => [p.x, p.rate] as const));
      ensure(line !== null, 'points', 'Three rates at different hours or temperatures.');
      return { slope: line.slope, halfWidth: line.halfWidth, sure: Math.abs(line.slope) > line.halfWidth };
    },
    says(r, i) {
      if (!r.sure) return 'No more than chance: it does not follow this.';
      const wind = i.against === 'hours since winding';
      return wind
        ? `It ${r.slope < 0 ? 'loses' : 'gains'} ${Math.abs(24 * r.slope).toFixed(1)} s a day more with each day of the wind: ${r.slope < 0 ? 'usual as the pull falls; look at the spring, its stop work, or the suspension' : 'the arc falls too fast: clean, or look at circular error'}.`
        : `${Math.abs(r.slope).toFixed(2)} s a day for each °C: ${rodWords(Math.abs(r.slope))}.`;
    },
    formula: 'least squares, Student’s t with n − 2 degrees',
    sources: [REGRESSION],
    checks: [
      {
        kind: 'published',
        source: 'A line through exact points has their slope',
        given: {
          against: 'temperature in °C',
          points: [
            { x: 10, rate: 0 },
            { x: 20, rate: -5 },
            { x: 30, rate: -10 },
          ],
        },
        finds: { slope: [-0.5, 1e-9], sure: true, says: 'like a steel rod' },
      },
      {
        kind: 'published',
        source: 'Student’s t, 1 degree: 12.706: points 0, 1, 0 tell nothing',
        given: {
          against: 'temperature in °C',
          points: [
            { x: 0, rate: 0 },
            { x: 1, rate: 1 },
            { x: 2, rate: 0 },
          ],
        },
        finds: { slope: [0, 1e-9], halfWidth: [7.336, 0.001], sure: false },
      },
    ],
  }),
  working({
    id: 'amplitude',
    title: 'Amplitude from the sound',
    subject: 'Rate and beat',
    stages: ['assess', 'run'],
    version: 1,
    asks: 'What amplitude does this unlocking-to-drop time show?',
    alias: 'lift angle balance lever',
    inputs: z.object({
      beats: beats('Beats an hour', 14000),
      known: choice('Known', ['time from unlock to drop', 'amplitude', 'both: find the lift angle']),
      liftDeg: number('Lift angle', '°', 20, 90, {
        digits: 1,
        when: { known: ['time from unlock to drop', 'amplitude'] },
      }).optional(),
      ms: number('Unlock to drop', 'ms', 0.5, 120, {
        digits: 3,
        when: { known: ['time from unlock to drop', 'both: find the lift angle'] },
      }).optional(),
      amplitudeDeg: number('Amplitude', '°', 80, 360, {
        digits: 0,
        when: { known: ['amplitude', 'both: find the lift angle'] },
      }).optional(),
      escapement: choice('Escapement', Object.keys(HEALTHY) as [Escaping, ...Escaping[]]),
    }),
    example: { beats: 18000, known: 'time from unlock to drop', liftDeg: 52, ms: 11.84, escapement: 'lever' },
    result: z.object({
      amplitudeDeg: out('Amplitude', '°', 1),
      ms: out('Unlock to drop', 'ms', 3),
      liftDeg: out('Lift angle', '°', 1),
      perHalfMs: out('Half a millisecond is', '°', 1),
    }),
    compute(i) {
      const both = i.known.startsWith('both');
      const liftDeg = both
        ? liftAngleDeg(i.beats, given(i.amplitudeDeg, 'amplitudeDeg'), given(i.ms, 'ms'))
        : given(i.liftDeg, 'liftDeg');
      ensure(liftDeg >= 20 && liftDeg <= 90, 'ms', 'No lift angle of 20 to 90° gives this: look at the time again.');
      const a =
        i.known === 'time from unlock to drop'
          ? amplitudeDeg(i.beats, liftDeg, given(i.ms, 'ms'))
          : given(i.amplitudeDeg, 'amplitudeDeg');
      const ms = i.known === 'amplitude' ? unlockToDropMs(i.beats, liftDeg, a) : given(i.ms, 'ms');
      return {
        amplitudeDeg: a,
        ms,
        liftDeg,
        perHalfMs: Math.abs(a - liftDeg / (2 * Math.sin((Math.PI * (ms + 0.5)) / 1000 / (7200 / i.beats)))),
      };
    },
    says: (r, i) => `${r.amplitudeDeg.toFixed(0)}°. ${judgeAmplitude(r.amplitudeDeg, i.escapement)}`,
    formula: 'A = λ/(2 sin(πt/T)), T = 7200/beats',
    sources: [SWING],
    checks: [
      {
        kind: 'published',
        source: SWING + ': 18,000, lift 52°, 280° is 11.840 ms',
        given: { beats: 18000, known: 'amplitude', liftDeg: 52, amplitudeDeg: 280, escapement: 'lever' },
        finds: { ms: [11.84, 0.0005] },
      },
      {
        kind: 'published',
        source: SWING + ': 14,400, lift 50°, 14.758 ms is 270°',
        given: { beats: 14400, known: 'time from unlock to drop', liftDeg: 50, ms: 14.758, escapement: 'lever' },
        finds: { amplitudeDeg: [270, 0.02] },
      },
      {
        kind: 'memory',
        source: 'Half a millisecond is about 12° at 280°',
        given: { beats: 18000, known: 'amplitude', liftDeg: 52, amplitudeDeg: 280, escapement: 'lever' },
        finds: { perHalfMs: [12, 1] },
      },
    ],
  }),
  working({
    id: 'beat-error',
    title: 'Beat error',
    subject: 'Rate and beat',
    stages: ['assess', 'oil', 'run'],
    version: 1,
    figure: 'beat',
    asks: 'How far out of beat is it, and which side is short?',
    alias: 'tick tock even in beat crutch',
    inputs: z.object({
      tickToTockMs: number('Tick to tock', 'ms', 10, 5000, { digits: 2 }),
      tockToTickMs: number('Tock to tick', 'ms', 10, 5000, { digits: 2 }),
      oscillator: choice('Oscillator', ['pendulum', 'balance']),
      amplitudeDeg: number('Swing to one side', '°', 0.2, 360, { digits: 1 }).optional(),
    }),
    example: { tickToTockMs: 480, tockToTickMs: 520, oscillator: 'pendulum', amplitudeDeg: 2 },
    result: z.object({
      ms: out('Beat error', 'ms', 2),
      percent: out('of the beat', '%', 2),
      short: words('Short side'),
      offsetDeg: maybe('Off the middle by', '°', 2),
      inside: fact('Inside the house limit'),
    }),
    compute(i) {
      const e = beatError(i.tickToTockMs, i.tockToTickMs);
      return {
        ms: e.ms,
        percent: 100 * e.share,
        short: e.short,
        offsetDeg: i.amplitudeDeg === undefined ? null : offsetDeg(i.amplitudeDeg, e.share),
        inside: e.share <= BEAT_LIMIT[i.oscillator],
      };
    },
    says: (r, i) =>
      r.inside
        ? 'In beat.'
        : `Out of beat by ${r.percent.toFixed(1)} %, ${r.short} is short${r.offsetDeg === null ? '' : ` (${r.offsetDeg.toFixed(1)}°)`}: ${i.oscillator === 'pendulum' ? 'level the clock first, then move the crutch a little and listen; go on the way that evens it' : 'turn the hairspring collet a little, and listen again'}.`,
    formula: '|t₁ − t₂|/2; δ = A sin(π/2 · share)',
    sources: ['Definition of the trade; simple harmonic swing'],
    checks: [
      {
        kind: 'practice',
        source: 'Pendulum swinging 2°, 10 % out: 0.31°',
        given: { tickToTockMs: 450, tockToTickMs: 550, oscillator: 'pendulum', amplitudeDeg: 2 },
        finds: { ms: [50, 1e-9], percent: [10, 1e-9], offsetDeg: [0.313, 0.001], inside: false, short: 'tick to tock' },
      },
      {
        kind: 'practice',
        source: 'Balance of 280°, 1 %: 4.4°',
        given: { tickToTockMs: 202, tockToTickMs: 198, oscillator: 'balance', amplitudeDeg: 280 },
        finds: { offsetDeg: [4.4, 0.01], inside: true },
      },
    ],
  }),
  working({
    id: 'sound-limit',
    title: 'How long to listen',
    subject: 'Rate and beat',
    stages: ['run'],
    version: 1,
    asks: 'How well can a rate be known from so many seconds of sound?',
    alias: 'standard error recording seconds bound',
    inputs: z.object({
      beats: beats(),
      seconds: number('Listened for', 's', 1, 86400, { digits: 0 }),
      scatterMs: number('Scatter of one beat', 'ms', 0.001, 100, { digits: 3 }),
      wanted: number('Standard error wanted', 's/day', 0.0001, 1000).optional(),
    }),
    example: { beats: 18000, seconds: 60, scatterMs: 0.1, wanted: 0.01 },
    result: z.object({ error: out('At best', '± s/day', 3), seconds: maybe('Listen for', 's', 0) }),
    compute: (i) => ({
      error: bestRateError(i.beats, i.seconds, i.scatterMs),
      seconds: i.wanted === undefined ? null : secondsForError(i.beats, i.wanted, i.scatterMs),
    }),
    says: (r) =>
      `At best ${r.error.toFixed(3)} s a day (one standard error); a real escapement wanders and does worse.${r.seconds === null ? '' : ` For what is wanted, listen ${r.seconds < 120 ? `${r.seconds.toFixed(0)} s` : `${(r.seconds / 60).toFixed(1)} min`}.`}`,
    formula: 'σ √(12/N)/(N τ) · 86400',
    sources: [REGRESSION],
    checks: [
      {
        kind: 'published',
        source: REGRESSION + ': 300 beats of 0.2 s with 0.1 ms of scatter: 0.0288 s/day',
        given: { beats: 18000, seconds: 60, scatterMs: 0.1 },
        finds: { error: [0.0288, 0.0001] },
      },
      {
        kind: 'published',
        source: REGRESSION + ': 120 beats of half a second: 0.0455 s/day',
        given: { beats: 7200, seconds: 60, scatterMs: 0.1, wanted: 0.0455 },
        finds: { error: [0.0455, 0.0001], seconds: [60, 0.1] },
      },
    ],
  }),
  working({
    id: 'sample-clock',
    title: 'The recording’s own clock',
    subject: 'Rate and beat',
    stages: ['run'],
    version: 1,
    asks: 'What is the true rate when the sound card is off?',
    alias: 'ppm sound card quartz correction',
    inputs: z.object({
      rate: number('Rate measured', 's/day', -7200, 7200, { digits: 2 }),
      ppmFast: number('Sample clock fast by', 'parts in a million', -500, 500, { digits: 1 }),
      doubtPpm: number('give or take', 'parts in a million', 0, 500, { digits: 1 }),
    }),
    example: { rate: 2.1, ppmFast: 10, doubtPpm: 2 },
    result: z.object({
      rateSecondsPerDay: out('True rate', 's/day', 2),
      doubt: out('Doubt from the clock', '± s/day', 2),
    }),
    compute: (i) => ({ rateSecondsPerDay: trueRate(i.rate, i.ppmFast), doubt: SECONDS_PER_PPM * i.doubtPpm }),
    says: (r) =>
      `It ${rateInWords(r.rateSecondsPerDay, 2)}, with ${r.doubt.toFixed(2)} in doubt from the sample clock.`,
    formula: 'true = measured + 0.0864 · ppm',
    sources: ['86,400 s · 10⁻⁶'],
    checks: [
      {
        kind: 'published',
        source: '86,400 s a day: ten parts in a million are 0.864 s',
        given: { rate: 0, ppmFast: 10, doubtPpm: 0 },
        finds: { rateSecondsPerDay: [0.864, 1e-9] },
      },
      {
        kind: 'published',
        source: 'The same for the doubt',
        given: { rate: 0, ppmFast: 0, doubtPpm: 100 },
        finds: { doubt: [8.64, 1e-9] },
      },
    ],
  }),
];

/** Which rod follows warmth like that: common practice. */
function rodWords(secondsPerCelsius: number) {
  if (secondsPerCelsius > 0.65) return 'like a brass rod';
  if (secondsPerCelsius > 0.35) return 'like a steel rod';
  return 'like a wooden or compensated rod';
}
