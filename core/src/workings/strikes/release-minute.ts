import { judgeRelease } from '../../strike/index.ts';
import { number, numbers, out, words } from '../fields.ts';
import { working } from '../working.ts';
import { z } from 'zod';
import { strikes } from '../suited.ts';

export default working({
  id: 'release-minute',
  title: 'Minute of release',
  subject: 'Strike and chime',
  stages: ['oil', 'run'],
  suits: strikes,
  version: 2,
  asks: 'It strikes before or after the hour: how is the hand set?',
  alias: 'minute hand collet square late early',
  inputs: z.object({
    minutes: numbers('Minute on the dial at each release', 'min', [0, 59.99], 1, 24, { digits: 1 }),
    wanted: number('It should be at', 'min', 0, 59.99, { digits: 0 }),
  }),
  example: { minutes: [17, 17.5, 16.8], wanted: 0 },
  result: z.object({
    lateMinutes: out('Late by', 'min', 2),
    scatterMinutes: out('Scatter', 'min', 2),
    squares: out('Squares forward', '', 0),
    colletDeg: out('Collet forward', '°', 0),
    words: words('What to do'),
  }),
  compute: ({ minutes, wanted }) => judgeRelease(minutes, wanted),
  says: (r) => r.words,
  formula: 'a square is 15 minutes, a degree of the collet a sixth of a minute',
  sources: ['A minute hand makes 6° a minute; a square has four seats'],
  checks: [
    {
      kind: 'by hand',
      source:
        'About the half hour, wanted on the hour: two squares, and a minute of scatter is no wear of a whole turn',
      given: { minutes: [29, 31, 29.5], wanted: 0 },
      finds: { lateMinutes: [29.833, 0.001], scatterMinutes: [1.041, 0.001] },
    },
    {
      kind: 'practice',
      source: 'Releases at quarter past: one square back',
      given: { minutes: [15, 15, 15], wanted: 0 },
      finds: { squares: [-1, 0], colletDeg: [0, 1e-9] },
    },
    {
      kind: 'practice',
      source: 'Two minutes early: twelve degrees forward',
      given: { minutes: [58, 58, 58], wanted: 0 },
      finds: { lateMinutes: [-2, 1e-9], colletDeg: [12, 1e-9], squares: [0, 0] },
    },
  ],
});
