import { judgeSpacing } from '../../strike/index.ts';
import { numbers, out, words } from '../fields.ts';
import { working } from '../working.ts';
import { z } from 'zod';
import { strikes } from '../suited.ts';

export default working({
  id: 'blow-spacing',
  title: 'Seconds between blows',
  subject: 'Strike and chime',
  stages: ['run'],
  suits: strikes,
  version: 1,
  asks: 'Are the blows even, and does it slow down?',
  alias: 'fly evenness hammer',
  inputs: z.object({ timesS: numbers('When each blow was heard', 's', [0, 600], 3, 60) }),
  example: { timesS: [0, 1.4, 2.8, 4.25, 5.8, 7.5] },
  result: z.object({
    meanS: out('Between blows', 's', 2),
    unevenPercent: out('Uneven by', '%', 0),
    slowingPercent: out('Slower at the end by', '%', 0),
    words: words('What follows'),
  }),
  compute({ timesS }) {
    const s = judgeSpacing(timesS);
    return { meanS: s.meanS, unevenPercent: 100 * s.unevenness, slowingPercent: 100 * s.slowing, words: s.words };
  },
  says: (r) => r.words,
  formula: 'mean and scatter of the gaps; last third against the first',
  sources: ['Practice: within a tenth is even, a quarter slower is tiring'],
  checks: [
    {
      kind: 'practice',
      source: 'Alike to a hundredth: the fly holds',
      given: { timesS: [0, 1.5, 3, 4.5, 6] },
      finds: { meanS: [1.5, 1e-9], words: 'Even blows: the fly holds.' },
    },
    {
      kind: 'practice',
      source: 'Each gap a fifth longer: power runs short',
      given: { timesS: [0, 1, 2.2, 3.64, 5.37] },
      finds: { slowingPercent: [73, 1] },
    },
  ],
});
