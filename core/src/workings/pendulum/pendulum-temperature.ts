import { RODS, temperatureSecondsPerDayPerC, type Rod } from '../../pendulum/index.ts';
import { rateInWords } from '../../rate/index.ts';
import { choice, number, out } from '../fields.ts';
import { working } from '../working.ts';
import { z } from 'zod';
import { pendulum } from '../suited.ts';

export default working({
  id: 'pendulum-temperature',
  title: 'Temperature and the rod',
  subject: 'Pendulum',
  stages: ['run', 'sign'],
  suits: pendulum,
  version: 1,
  asks: 'How much does warmth change the rate?',
  alias: 'expansion brass steel invar wood',
  inputs: z.object({
    rod: choice('Rod', Object.keys(RODS) as [Rod, ...Rod[]]),
    warmerC: number('Warmer by', '°C', -60, 60, { digits: 1 }),
  }),
  example: { rod: 'steel', warmerC: 10 },
  result: z.object({
    perC: out('Loses for each °C warmer', 's/day', 3),
    rateSecondsPerDay: out('Change of rate', 's/day', 2),
  }),
  compute({ rod, warmerC }) {
    const perC = temperatureSecondsPerDayPerC(rod);
    return { perC, rateSecondsPerDay: -perC * warmerC };
  },
  says: (r) => `It ${rateInWords(r.rateSecondsPerDay, 1)} against before.`,
  formula: '43200 α',
  sources: ['Expansion of rods from memory of handbooks'],
  checks: [
    {
      kind: 'memory',
      source: 'Steel rod: about half a second a day for each °C',
      given: { rod: 'steel', warmerC: 1 },
      finds: { perC: [0.5, 0.01] },
    },
    {
      kind: 'memory',
      source: 'Brass rod: about 0.8 s a day for each °C',
      given: { rod: 'brass', warmerC: 10 },
      finds: { rateSecondsPerDay: [-8.08, 0.05] },
    },
  ],
});
