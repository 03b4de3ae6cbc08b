import {
  addedWeightEffect,
  adviseSetting,
  hairspringEffect,
  nutEffect,
  SETTERS,
  settingWords,
  type Setter,
} from '../../pendulum/index.ts';
import { ensure } from '../../units/index.ts';
import { choice, maybe, mm, number, out, rows, words } from '../fields.ts';
import { working } from '../working.ts';
import { z } from 'zod';
import { pendulum, balance, torsion } from '../suited.ts';
import { MECHANICS } from './shared.ts';

function sourceWords({ from }: { from: string }) {
  if (from === 'theory') return 'theory: enter what it did';
  if (from === 'both') return 'theory and what it did';
  return 'what it did';
}
function theoryOf(i: {
  setter: Setter;
  lengthMm?: number | undefined;
  pitchMm?: number | undefined;
  actingMm?: number | undefined;
  pendulumG?: number | undefined;
  belowMm?: number | undefined;
}): number | null {
  if (i.setter === 'rating nut' && i.lengthMm !== undefined && i.pitchMm !== undefined)
    return nutEffect(i.lengthMm, i.pitchMm);
  if (i.setter === 'hairspring' && i.actingMm !== undefined) return hairspringEffect(i.actingMm);
  if (i.setter === 'bob weights' && i.pendulumG !== undefined && i.lengthMm !== undefined && i.belowMm !== undefined)
    return addedWeightEffect(i.pendulumG, i.lengthMm, i.belowMm) || null;
  return null;
}

export default working({
  id: 'set-rate',
  title: 'What to turn, and how far',
  subject: 'Pendulum',
  stages: ['run'],
  suits: (t) => pendulum(t) || balance(t) || torsion(t),
  version: 3,
  figure: 'nut',
  asks: 'How far do I set the nut, the regulator, the hairspring or the weights?',
  alias: 'rating nut regulator adjust turns divisions',
  inputs: z.object({
    rate: number('Rate now', 's/day', -7200, 7200, { digits: 1, hint: 'Gaining is positive' }),
    setter: choice('What sets it', Object.keys(SETTERS) as [Setter, ...Setter[]]),
    lengthMm: mm('Pendulum length', 20, 5000, { when: { setter: ['rating nut', 'bob weights'] } }).optional(),
    pitchMm: mm('Pitch of the nut', 0.1, 3, { when: { setter: ['rating nut'] } }).optional(),
    actingMm: mm('Acting length of the hairspring', 10, 2000, { when: { setter: ['hairspring'] } }).optional(),
    pendulumG: number('Mass of the pendulum', 'g', 10, 50000, {
      digits: 0,
      when: { setter: ['bob weights'] },
    }).optional(),
    belowMm: mm('Weight lies below the flexing point', 0, 5000, { when: { setter: ['bob weights'] } }).optional(),
    tried: rows(
      'What it did before',
      {
        amount: number('Set by', '', -100, 100, { hint: 'Positive makes it gain' }),
        before: number('Rate before', 's/day', -7200, 7200),
        after: number('Rate after', 's/day', -7200, 7200),
      },
      0,
      20,
    ),
    noise: number('Doubt of one rate', 's/day', 0.1, 60, { digits: 1 }).default(3),
  }),
  example: { rate: 62, setter: 'rating nut', lengthMm: 248.4, pitchMm: 0.5, tried: [], noise: 3 },
  result: z.object({
    theory: maybe('Theory: one unit makes', 's/day', 2),
    perUnit: out('One unit makes', 's/day', 2),
    halfWidthPerUnit: out('give or take', 's/day', 2),
    amount: out('Set by', '', 2),
    unit: words('Unit'),
    leavesSecondsPerDay: out('It should then be within', 's/day', 1),
    from: words('Known from'),
  }),
  compute(i) {
    const theory = theoryOf(i);
    const advice = adviseSetting(theory, i.tried, i.rate, 0, i.noise);
    ensure(
      advice !== null,
      'tried',
      'Theory does not know this one: set it by one unit, read the rate again, and enter what it did.',
    );
    ensure(
      advice.perUnit > 0,
      'tried',
      'By what is entered, setting it to gain made it lose: look which way it was turned, or what else changed.',
    );
    return {
      theory,
      perUnit: advice.perUnit,
      halfWidthPerUnit: advice.halfWidthPerUnit,
      amount: advice.amount,
      unit: SETTERS[i.setter].unit,
      leavesSecondsPerDay: advice.leavesSecondsPerDay,
      from: advice.from,
    };
  },
  says(r, i) {
    if (Math.abs(r.amount) < 0.02) return 'Leave it: it is where it should be.';
    return `${settingWords(i.setter, r.amount)}, by ${sourceWords(r)}.`;
  },
  formula:
    'nut 43200 p/L · hairspring 43200/l · weight 43200 (m/M)(h/L)(1 − h/L); with the log: a line ' +
    'through the origin, theory as its prior',
  sources: [MECHANICS, 'Normal linear model with a prior, any text on Bayesian regression'],
  checks: [
    {
      kind: 'memory',
      source: 'Seconds pendulum: a millimetre is 43.5 s a day',
      given: { rate: 43.48, setter: 'rating nut', lengthMm: 993.6, pitchMm: 1, tried: [] },
      finds: { perUnit: [43.48, 0.01], amount: [-1, 0.001], from: 'theory' },
    },
    {
      kind: 'practice',
      source: 'After two adjustments what the clock did counts: the nut does half of what theory says',
      given: {
        rate: 20,
        setter: 'rating nut',
        lengthMm: 248.4,
        pitchMm: 0.5,
        tried: [
          { amount: 2, before: -60, after: 27 },
          { amount: -1, before: 27, after: -17 },
        ],
        noise: 1,
      },
      finds: { perUnit: [43.5, 1], amount: [-0.46, 0.02], from: 'the clock' },
    },
  ],
});
