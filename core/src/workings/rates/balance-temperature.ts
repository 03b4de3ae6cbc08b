import { HAIRSPRINGS, RIMS, warmthRate, type Hairspring, type Rim } from '../../balance/index.ts';
import { choice, number, out } from '../fields.ts';
import { working } from '../working.ts';
import { z } from 'zod';
import { balance } from '../suited.ts';

export default working({
  id: 'balance-temperature',
  title: 'Temperature and the balance',
  subject: 'Rate and beat',
  stages: ['run', 'sign'],
  suits: balance,
  version: 1,
  asks: 'How much does warmth change the rate of a balance?',
  alias: 'compensation hairspring bimetallic',
  inputs: z.object({
    rim: choice('Rim of the balance', Object.keys(RIMS) as [Rim, ...Rim[]]),
    hairspring: choice('Hairspring', Object.keys(HAIRSPRINGS) as [Hairspring, ...Hairspring[]]),
    warmerC: number('Warmer by', '°C', -60, 60, { digits: 1 }),
  }),
  example: { rim: 'brass', hairspring: 'steel', warmerC: 10 },
  result: z.object({
    leastPerC: out('Each °C warmer, from', 's/day', 2),
    mostPerC: out('to', 's/day', 2),
    secondsPerDay: out('Change of rate', 's/day', 0),
  }),
  compute(i) {
    const { least, most } = warmthRate(i.rim, i.hairspring);
    return { leastPerC: least, mostPerC: most, secondsPerDay: ((least + most) / 2) * i.warmerC };
  },
  says(r, i) {
    if (Math.max(Math.abs(r.leastPerC), Math.abs(r.mostPerC)) <= 1)
      return 'Compensated: at most a second a day for each degree, either way.';
    const middle = (r.leastPerC + r.mostPerC) / 2;
    const way = middle < 0 ? 'Loses' : 'Gains';
    const each = `${way} about ${Math.abs(middle).toFixed(0)} s a day for each degree warmer`;
    return i.rim === 'brass and steel, cut'
      ? `${each}: a cut rim belongs to a steel spring, not to this one. Spring or balance is another’s.`
      : `${each}: read the rate in the room where it will stand.`;
  },
  formula: 'Δrate = 43200 (β_E + 3 α_spring − 2 α_rim) for a degree',
  sources: ['Dimensions of a spring and a rim, any text on oscillations', 'Coefficients of the metals from memory'],
  checks: [
    {
      kind: 'memory',
      source: 'Trials of the 1840s: a brass balance with a steel spring loses 6 min 33 s a day from 32 to 92 °F',
      given: { rim: 'brass', hairspring: 'steel', warmerC: 33.333 },
      finds: { secondsPerDay: [-393, 25] },
    },
    {
      kind: 'practice',
      source: 'A plain rim with a self-compensating spring stays within a second a degree',
      given: { rim: 'beryllium bronze', hairspring: 'nickel alloy, self-compensating', warmerC: 10 },
      finds: { says: 'Compensated' },
    },
    {
      kind: 'practice',
      source: 'A cut rim with a modern spring is compensated twice: it gains in warmth',
      given: { rim: 'brass and steel, cut', hairspring: 'nickel alloy, self-compensating', warmerC: 10 },
      finds: { secondsPerDay: [113, 12], says: 'Spring or balance is another’s' },
    },
  ],
});
