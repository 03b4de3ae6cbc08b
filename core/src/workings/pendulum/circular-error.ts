import { circularErrorSecondsPerDay } from '../../pendulum/index.ts';
import { rateInWords } from '../../rate/index.ts';
import { maybe, number, out } from '../fields.ts';
import { working } from '../working.ts';
import { z } from 'zod';
import { pendulum } from '../suited.ts';

export default working({
  id: 'circular-error',
  title: 'Circular error',
  subject: 'Pendulum',
  stages: ['run'],
  suits: pendulum,
  version: 1,
  figure: 'circular',
  asks: 'How much does it lose by swinging wide, and what does a change of arc do?',
  alias: 'arc amplitude swing',
  inputs: z.object({
    semiArcDeg: number('Semi-arc', '°', 0, 45, { hint: 'From the middle to one side' }),
    otherDeg: number('Semi-arc at the end of the wind', '°', 0, 45).optional(),
  }),
  example: { semiArcDeg: 3, otherDeg: 2.5 },
  result: z.object({
    lossSecondsPerDay: out('Loses against a small swing', 's/day', 3),
    changeSecondsPerDay: maybe('Rate at the other arc against this one', 's/day', 2),
  }),
  compute({ semiArcDeg: a, otherDeg }) {
    const loss = circularErrorSecondsPerDay(a);
    return {
      lossSecondsPerDay: loss,
      changeSecondsPerDay: otherDeg === undefined ? null : loss - circularErrorSecondsPerDay(otherDeg),
    };
  },
  says: (r) =>
    r.changeSecondsPerDay === null
      ? `It loses ${r.lossSecondsPerDay.toFixed(1)} s a day by the width of its swing; only a change ` +
        'of the swing matters.'
      : `As the arc changes it ${rateInWords(r.changeSecondsPerDay, 1)}.`,
  formula: '86400 (1 − agm(1, cos θ/2)); near 86400 θ²/16',
  sources: ['Exact period of the pendulum by the arithmetic-geometric mean, any text on elliptic integrals'],
  checks: [
    {
      kind: 'published',
      source: 'First term of the series, 86400·θ²/16, any text on mechanics: 1.645 s at 1°',
      given: { semiArcDeg: 1 },
      finds: { lossSecondsPerDay: [1.645, 0.001] },
    },
    {
      kind: 'published',
      source: 'Exact values by elliptic integral: 14.8042 s at 3°, 164.467 s at 10°',
      given: { semiArcDeg: 10, otherDeg: 3 },
      finds: { lossSecondsPerDay: [164.467, 0.001], changeSecondsPerDay: [149.663, 0.001] },
    },
  ],
});
