import { massForFalls } from '../../weight/index.ts';
import { number, out } from '../fields.ts';
import { working } from '../working.ts';
import { z } from 'zod';
import { weights } from '../suited.ts';
import { caution, count, falls } from './shared.ts';

export default working({
  id: 'pulley-weight',
  title: 'Weight after a pulley is added',
  subject: 'Weights and fusee',
  stages: ['assess', 'fit'],
  suits: weights,
  version: 1,
  caution,
  asks: 'Which weight does it need with a pulley, or without?',
  alias: 'compound double fall',
  inputs: z.object({
    massKg: number('Weight that was right', 'kg', 0.05, 100, { digits: 2 }),
    hung: falls,
    pulleyKg: number('The pulley weighs', 'kg', 0, 5, { digits: 2 }),
    passesPercent: number('Of the pull it passes on', '%', 60, 100, { digits: 0, hint: 'About 95 if it turns freely' }),
    fallM: number('It fell in a full wind', 'm', 0.1, 6),
  }),
  example: { massKg: 4, hung: 'straight on the line', pulleyKg: 0.08, passesPercent: 95, fallM: 2 },
  result: z.object({
    massKg: out('Weight to hang', 'kg', 2),
    fallM: out('Falls in a full wind', 'm', 2),
    pullKg: out('Pull at the barrel', 'kg', 2),
  }),
  compute(i) {
    const from = count(i.hung);
    const to = from === 1 ? 2 : 1;
    const hung = massForFalls(i.massKg, from, to, { massKg: i.pulleyKg, passes: i.passesPercent / 100 });
    return { ...hung, fallM: (i.fallM * from) / to };
  },
  says: (r, i) =>
    `${i.hung === 'straight on the line' ? 'On a pulley' : 'Straight on the line'} hang ${r.massKg.toFixed(2)} kg; ` +
    `it falls ${r.fallM.toFixed(2)} m in the same days. ` +
    (i.hung === 'straight on the line'
      ? 'Hooks, seatboard and fixing carry the heavier weight.'
      : 'See that it lands on the floor before the barrel is empty.'),
  formula: 'pull = (W + pulley) · e/(1 + e) with one movable pulley that passes on e',
  sources: ['Statics of a movable pulley, any text on mechanics'],
  checks: [
    {
      kind: 'published',
      source: 'An ideal movable pulley: twice the weight, half the way',
      given: { massKg: 4, hung: 'straight on the line', pulleyKg: 0, passesPercent: 100, fallM: 2 },
      finds: { massKg: [8, 1e-9], fallM: [1, 1e-9], pullKg: [4, 1e-9] },
    },
    {
      kind: 'practice',
      source: 'Real pulleys want somewhat more than twice, by some hundredths',
      given: { massKg: 4, hung: 'straight on the line', pulleyKg: 0.1, passesPercent: 95, fallM: 2 },
      finds: { massKg: [8.11, 0.01] },
    },
    {
      kind: 'by hand',
      source: 'Taken off again: (8.1 + 0.1) · 0.95/1.95',
      given: { massKg: 8.1, hung: 'on a pulley', pulleyKg: 0.1, passesPercent: 95, fallM: 1 },
      finds: { massKg: [3.995, 0.001], fallM: [2, 1e-9] },
    },
  ],
});
