import { fitLine } from '../../rate/index.ts';
import { ensure } from '../../units/index.ts';
import { choice, fact, number, out, rows } from '../fields.ts';
import { working } from '../working.ts';
import { z } from 'zod';
import { swings } from '../suited.ts';
import { REGRESSION } from './shared.ts';

/**
 * Which rod follows warmth like that: common practice. A plain rod grows longer, so the clock loses; one that gains is
 * compensated too far, or follows something else.
 * @param loses s/day lost for each °C warmer
 */
function rodWords(loses: number) {
  if (loses < 0) return 'no plain rod does that. Compensated too far, or it follows something else: damp, oil, the arc';
  if (loses > 0.65) return 'like a brass rod';
  if (loses > 0.35) return 'like a steel rod';
  return 'like a wooden or compensated rod';
}

export default working({
  id: 'rate-against',
  title: 'What the rate follows',
  subject: 'Rate and beat',
  stages: ['run'],
  suits: swings,
  version: 2,
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
      ? 'It ' +
          (r.slope < 0 ? 'loses' : 'gains') +
          ` ${Math.abs(24 * r.slope).toFixed(1)} s a day more with each day of the wind: ` +
          (r.slope < 0
            ? 'usual as the pull falls; look at the spring, its stop work, or the suspension'
            : 'the arc falls too fast: clean, or look at circular error') +
          '.'
      : `${r.slope < 0 ? 'Loses' : 'Gains'} ${Math.abs(r.slope).toFixed(2)} s a day for each °C warmer: ` +
          `${rodWords(-r.slope)}.`;
  },
  formula: 'least squares, Student’s t with n − 2 degrees',
  sources: [REGRESSION],
  checks: [
    {
      kind: 'by hand',
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
});
