import { lengthenMm } from '../../pendulum/index.ts';
import { mm, number, out } from '../fields.ts';
import { working } from '../working.ts';
import { z } from 'zod';
import { pendulum } from '../suited.ts';
import { MECHANICS } from './shared.ts';

export default working({
  id: 'pendulum-alter',
  title: 'Change of length for a change of rate',
  subject: 'Pendulum',
  stages: ['fit', 'run'],
  suits: pendulum,
  version: 2,
  asks: 'By how much must the pendulum be longer or shorter?',
  alias: 'lengthen shorten suspension',
  inputs: z.object({
    rate: number('Rate now', 's/day', -7200, 7200, { digits: 1, hint: 'Gaining is positive' }),
    lengthMm: mm('Pendulum length now', 20, 5000),
  }),
  example: { rate: 120, lengthMm: 248.4 },
  result: z.object({ longerMm: out('Make it longer by', 'mm', 3) }),
  compute: (i) => ({ longerMm: lengthenMm(i.lengthMm, i.rate) }),
  says: (r) => `${Math.abs(r.longerMm).toFixed(2)} mm ${r.longerMm >= 0 ? 'longer' : 'shorter'}.`,
  formula: 'ΔL = L ((1 + rate/86400)² − 1)',
  sources: [MECHANICS],
  checks: [
    {
      kind: 'memory',
      source: 'Seconds pendulum: 43.48 s a day for each mm',
      given: { rate: 43.48, lengthMm: 993.6 },
      finds: { longerMm: [1, 0.001] },
    },
    {
      kind: 'memory',
      source: 'Half-seconds pendulum: 173.9 s a day for each mm',
      given: { rate: -173.9, lengthMm: 248.4 },
      finds: { longerMm: [-1, 0.002] },
    },
    {
      kind: 'by hand',
      source: 'Made a tenth too short it gains √(1/0.9) − 1, 4673.6 s a day: a ninth of it is wanting',
      given: { rate: 4673.6, lengthMm: 900 },
      finds: { longerMm: [100, 0.01] },
    },
  ],
});
