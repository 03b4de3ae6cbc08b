import {
  amplitudeDeg,
  HEALTHY,
  judgeAmplitude,
  liftAngleDeg,
  unlockToDropMs,
  type Escaping,
} from '../../sound/index.ts';
import { given, ensure } from '../../units/index.ts';
import { beats, choice, number, out } from '../fields.ts';
import { working } from '../working.ts';
import { z } from 'zod';
import { balance } from '../suited.ts';

const SWING = 'Simple harmonic swing through the lift angle, any text on watch timing';

export default working({
  id: 'amplitude',
  title: 'Amplitude from the sound',
  subject: 'Rate and beat',
  stages: ['assess', 'run'],
  suits: balance,
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
});
