import { landing } from '../../weight/index.ts';
import { fact, mm, number, out } from '../fields.ts';
import { working } from '../working.ts';
import { z } from 'zod';
import { weights } from '../suited.ts';
import { caution, line, falls, count, CIRCLE } from './shared.ts';

/** What makes it run longer: what ends it now is either the floor or the barrel. */
function tooShort(r: { days: number; landsFirst: boolean }, i: { days: number; falls: string }): string {
  const runs = `it runs only ${r.days.toFixed(1)} of ${i.days} days: `;
  if (!r.landsFirst) return `${runs}more line on the barrel.`;
  return i.falls === 'on a pulley'
    ? `${runs}it hangs on a pulley already, so more fall is all that helps.`
    : `${runs}more fall, or a movable pulley, which then wants twice the weight.`;
}

export default working({
  id: 'weight-landing',
  title: 'Does the weight land in time',
  subject: 'Weights and fusee',
  stages: ['fit', 'run'],
  suits: weights,
  version: 2,
  figure: 'line',
  caution,
  asks: 'Does the weight reach the floor before the barrel is empty, and how many days does it run?',
  alias: 'fall case floor days',
  inputs: z.object({
    ...line,
    falls,
    fallMm: mm('From the wound-up weight to the floor', 100, 5000, { digits: 0 }),
    hoursPerTurn: number('Hours of one barrel turn', 'h', 0.2, 200),
    days: number('Days wanted', 'days', 0.5, 60, { digits: 1 }),
  }),
  example: { barrelMm: 50, lineMm: 1.5, turns: 16, falls: 'on a pulley', fallMm: 1250, hoursPerTurn: 12, days: 8 },
  result: z.object({
    lineDropMm: out('Line for a fall of', 'mm', 0),
    days: out('Runs', 'days', 1),
    landsFirst: fact('Lands before the barrel is empty'),
  }),
  compute: (i) => landing(i, count(i.falls), i.fallMm, i.hoursPerTurn),
  says(r, i) {
    const lands = r.landsFirst
      ? 'The weight lands first, as it should.'
      : 'The barrel empties with the weight still hanging: the line is too short, or the path wrong.';
    return `${lands} ${r.days >= i.days ? `It runs ${r.days.toFixed(1)} days.` : `But ${tooShort(r, i)}`}`;
  },
  formula: 'fall a day = (24/h) π (d_b + d_l)/falls; the fall of the case must be under that of the line',
  sources: [CIRCLE],
  checks: [
    {
      kind: 'practice',
      source: 'Eight days of a longcase: 16 turns of a 2 in barrel on a pulley, about 1.3 m',
      given: {
        barrelMm: 50.8,
        lineMm: 1.2,
        turns: 16,
        falls: 'on a pulley',
        fallMm: 1280,
        hoursPerTurn: 12,
        days: 7,
      },
      finds: { lineDropMm: [1307, 2], landsFirst: true },
    },
    {
      kind: 'practice',
      source: 'A line that gives less fall than the case leaves the weight hanging',
      given: { barrelMm: 40, lineMm: 1, turns: 16, falls: 'on a pulley', fallMm: 1280, hoursPerTurn: 12, days: 8 },
      finds: { landsFirst: false, days: [8, 1e-9] },
    },
  ],
});
