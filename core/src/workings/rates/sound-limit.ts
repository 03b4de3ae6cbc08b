import { bestRateError, secondsForError } from '../../sound/index.ts';
import { beats, maybe, number, out } from '../fields.ts';
import { working } from '../working.ts';
import { z } from 'zod';
import { pendulum, balance } from '../suited.ts';
import { REGRESSION } from './shared.ts';

const listenFor = (s: number) => (s < 120 ? `${s.toFixed(0)} s` : `${(s / 60).toFixed(1)} min`);

export default working({
  id: 'sound-limit',
  title: 'How long to listen',
  subject: 'Rate and beat',
  stages: ['run'],
  suits: (t) => pendulum(t) || balance(t),
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
    `At best ${r.error.toFixed(3)} s a day (one standard error); a real escapement wanders and does ` +
    'worse.' +
    (r.seconds === null ? '' : ` For what is wanted, listen ${listenFor(r.seconds)}.`),
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
});
