import { rateInWords } from '../../rate/index.ts';
import { SECONDS_PER_PPM, trueRate } from '../../sound/index.ts';
import { number, out } from '../fields.ts';
import { working } from '../working.ts';
import { z } from 'zod';
import { swings } from '../suited.ts';

export default working({
  id: 'sample-clock',
  title: 'The recording’s own clock',
  subject: 'Rate and beat',
  stages: ['run'],
  suits: swings,
  version: 1,
  asks: 'What is the true rate when the sound card is off?',
  alias: 'ppm sound card quartz correction',
  inputs: z.object({
    rate: number('Rate measured', 's/day', -7200, 7200, { digits: 2 }),
    ppmFast: number('Sample clock fast by', 'parts in a million', -500, 500, { digits: 1 }),
    doubtPpm: number('give or take', 'parts in a million', 0, 500, { digits: 1 }),
  }),
  example: { rate: 2.1, ppmFast: 10, doubtPpm: 2 },
  result: z.object({
    rateSecondsPerDay: out('True rate', 's/day', 2),
    doubt: out('Doubt from the clock', '± s/day', 2),
  }),
  compute: (i) => ({ rateSecondsPerDay: trueRate(i.rate, i.ppmFast), doubt: SECONDS_PER_PPM * i.doubtPpm }),
  says: (r) => `It ${rateInWords(r.rateSecondsPerDay, 2)}, with ${r.doubt.toFixed(2)} in doubt from the sample clock.`,
  formula: 'true = measured + 0.0864 · ppm',
  sources: ['86,400 s · 10⁻⁶'],
  checks: [
    {
      kind: 'by hand',
      source: '86,400 s a day: ten parts in a million are 0.864 s',
      given: { rate: 0, ppmFast: 10, doubtPpm: 0 },
      finds: { rateSecondsPerDay: [0.864, 1e-9] },
    },
    {
      kind: 'by hand',
      source: 'A hundred parts in a million of doubt are 8.64 s a day',
      given: { rate: 0, ppmFast: 0, doubtPpm: 100 },
      finds: { doubt: [8.64, 1e-9] },
    },
  ],
});
