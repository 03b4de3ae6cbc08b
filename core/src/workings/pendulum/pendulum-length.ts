import { lengthMmFor } from '../../pendulum/index.ts';
import { beats, out } from '../fields.ts';
import { working } from '../working.ts';
import { z } from 'zod';
import { pendulum } from '../suited.ts';
import { place, gravity, MECHANICS, WGS } from './shared.ts';

export default working({
  id: 'pendulum-length',
  title: 'Length of a pendulum',
  subject: 'Pendulum',
  stages: ['assess', 'fit'],
  suits: pendulum,
  version: 1,
  figure: 'pendulum',
  asks: 'How long must the pendulum be for these beats?',
  alias: 'missing pendulum',
  inputs: z.object({ beats: beats(), ...place }),
  example: { beats: 3600 },
  result: z.object({
    lengthMm: out('From the flexing point to the centre of oscillation', 'mm', 2),
    secondsPerMm: out('A millimetre longer loses', 's/day', 2),
    gravity: out('Gravity', 'm/s²', 5),
  }),
  compute(i) {
    const g = gravity(i);
    const lengthMm = lengthMmFor(i.beats, g);
    return { lengthMm, secondsPerMm: 43200 / lengthMm, gravity: g };
  },
  says: (r) =>
    `${r.lengthMm.toFixed(1)} mm to the centre of oscillation, a little above the middle of the bob. ` +
    'The rod is longer; leave it to be cut.',
  formula: 'L = g T²/4π², T = 7200/beats',
  sources: [MECHANICS, WGS],
  checks: [
    {
      kind: 'published',
      source: 'Length of the seconds pendulum at standard gravity, handbooks: 39.12 in',
      given: { beats: 3600 },
      finds: { lengthMm: [993.621, 0.001] },
    },
    {
      kind: 'published',
      source: 'British Weights and Measures Act 1824: 39.1393 in at London (51°31′08″), to 5 in 100,000',
      given: { beats: 3600, latitudeDeg: 51.5189, heightM: 0 },
      finds: { lengthMm: [994.138, 0.05] },
    },
    {
      kind: 'memory',
      source: 'Half-seconds pendulum about 248 mm',
      given: { beats: 7200 },
      finds: { lengthMm: [248.405, 0.001] },
    },
  ],
});
