import { BEAT_LIMIT, beatError, offsetDeg } from '../../sound/index.ts';
import { choice, fact, maybe, number, out, words } from '../fields.ts';
import { working } from '../working.ts';
import { z } from 'zod';
import { pendulum, balance } from '../suited.ts';

export default working({
  id: 'beat-error',
  title: 'Beat error',
  subject: 'Rate and beat',
  stages: ['assess', 'oil', 'run'],
  suits: (t) => pendulum(t) || balance(t),
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
      : `Out of beat by ${r.percent.toFixed(1)} %, ${r.short} is short` +
        (r.offsetDeg === null ? '' : ` (${r.offsetDeg.toFixed(1)}°)`) +
        ': ' +
        (i.oscillator === 'pendulum'
          ? 'level the clock first, then move the crutch a little and listen; go on the way that evens it'
          : 'turn the hairspring collet a little, and listen again') +
        '.',
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
});
