import { inPairs, watchBells } from '../../strike/index.ts';
import { out, whole, words, yes } from '../fields.ts';
import { working } from '../working.ts';
import { z } from 'zod';

export default working({
  id: 'watch-bells',
  title: 'Bells of the watch',
  subject: 'Strike and chime',
  stages: ['run'],
  suits: (t) => t.strike === 'ship bells',
  version: 1,
  asks: 'How many bells at this time?',
  alias: 'ship bells pairs',
  inputs: z.object({ hour: whole('Hour', 0, 23), half: yes('Half past') }),
  example: { hour: 6, half: true },
  result: z.object({ bells: out('Bells', '', 0), pairs: words('Struck') }),
  compute({ hour, half }) {
    const bells = watchBells(2 * hour + (half ? 1 : 0));
    return { bells, pairs: inPairs(bells) };
  },
  says: (r) => `${r.bells}: ${r.pairs.replaceAll('2', 'two').replaceAll('1', 'one').replaceAll(' ', ', ')}.`,
  formula: 'half-hours of a four-hour watch, 1 to 8',
  sources: ['Custom of the sea'],
  checks: [
    {
      kind: 'practice',
      source: 'Half past six in the morning: five bells',
      given: { hour: 6, half: true },
      finds: { bells: [5, 0], pairs: '2 2 1' },
    },
    { kind: 'practice', source: 'Noon: eight bells', given: { hour: 12, half: false }, finds: { bells: [8, 0] } },
  ],
});
