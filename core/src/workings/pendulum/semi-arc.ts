import { circularErrorSecondsPerDay, semiArcDeg } from '../../pendulum/index.ts';
import { mm, out } from '../fields.ts';
import { working } from '../working.ts';
import { z } from 'zod';
import { pendulum } from '../suited.ts';

export default working({
  id: 'semi-arc',
  title: 'Semi-arc from the swing seen',
  subject: 'Pendulum',
  stages: ['assess', 'run'],
  suits: pendulum,
  version: 1,
  asks: 'How many degrees is the swing that I measure at the tip?',
  alias: 'degrees swing measure',
  inputs: z.object({
    swingMm: mm('From the middle to one side', 0, 2000),
    fromPivotMm: mm('Measured so far below the flexing point', 5, 5000),
  }),
  example: { swingMm: 52, fromPivotMm: 1000 },
  result: z.object({ semiArcDeg: out('Semi-arc', '°', 2), lossSecondsPerDay: out('Circular error', 's/day', 2) }),
  compute(i) {
    const a = semiArcDeg(i.swingMm, i.fromPivotMm);
    return { semiArcDeg: a, lossSecondsPerDay: circularErrorSecondsPerDay(a) };
  },
  says: (r) => `${r.semiArcDeg.toFixed(2)}° to each side.`,
  formula: 'θ = asin(swing/distance)',
  sources: ['Trigonometry'],
  checks: [
    {
      kind: 'by hand',
      source: 'sin 30° = 1/2',
      given: { swingMm: 500, fromPivotMm: 1000 },
      finds: { semiArcDeg: [30, 1e-9] },
    },
    {
      kind: 'published',
      source: 'Tables: sin 3° = 0.052336',
      given: { swingMm: 52.336, fromPivotMm: 1000 },
      finds: { semiArcDeg: [3, 0.0001], lossSecondsPerDay: [14.804, 0.001] },
    },
  ],
});
