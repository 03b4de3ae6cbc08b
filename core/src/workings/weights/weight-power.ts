import { powerMicrowatts } from '../../weight/index.ts';
import { number, out } from '../fields.ts';
import { working } from '../working.ts';
import { z } from 'zod';
import { weights } from '../suited.ts';

export default working({
  id: 'weight-power',
  title: 'Power of a falling weight',
  subject: 'Weights and fusee',
  stages: ['run'],
  suits: weights,
  version: 1,
  asks: 'How much power does the weight give?',
  alias: 'microwatt energy',
  inputs: z.object({
    massKg: number('Weight', 'kg', 0.05, 500),
    fallM: number('Falls', 'm', 0.05, 50),
    days: number('In', 'days', 0.1, 400, { digits: 1 }),
  }),
  example: { massKg: 3.63, fallM: 1, days: 8 },
  result: z.object({ microwatts: out('Power', 'µW', 1) }),
  compute: (i) => ({ microwatts: powerMicrowatts(i.massKg, i.fallM, i.days) }),
  says: (r) => `${r.microwatts.toFixed(1)} µW for everything: any friction shows.`,
  formula: 'm g h/t',
  sources: ['Any text on mechanics'],
  checks: [
    {
      kind: 'by hand',
      source: 'm g h/t by hand: 3.63 kg over 1 m in 8 days',
      given: { massKg: 3.63, fallM: 1, days: 8 },
      finds: { microwatts: [51.5, 0.05] },
    },
    {
      kind: 'published',
      source: 'Standard gravity: 1 kg over 1 m is 9.80665 J; in a day 113.5 µW',
      given: { massKg: 1, fallM: 1, days: 1 },
      finds: { microwatts: [113.503, 0.001] },
    },
  ],
});
