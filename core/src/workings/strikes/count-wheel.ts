import { hourBlows } from '../../strike/index.ts';
import { out, words, yes } from '../fields.ts';
import { working } from '../working.ts';
import { z } from 'zod';
import { strikes } from '../suited.ts';

const ARITHMETIC = '1 + 2 + … + 12 = 78';

export default working({
  id: 'count-wheel',
  title: 'Blows round the dial',
  subject: 'Strike and chime',
  stages: ['oil', 'run'],
  suits: strikes,
  version: 1,
  asks: 'What should it strike, in order?',
  alias: 'count wheel rack sequence halves',
  inputs: z.object({ halves: yes('A single blow at each half') }),
  example: { halves: true },
  result: z.object({
    sequence: words('In order from one'),
    in12Hours: out('Blows in 12 hours', '', 0),
    aDay: out('Blows a day', '', 0),
  }),
  compute({ halves }) {
    const blows = hourBlows(halves);
    const sum = blows.reduce((a, b) => a + b, 0);
    return { sequence: blows.join(' '), in12Hours: sum, aDay: 2 * sum };
  },
  says: (r) => `${r.in12Hours} blows in twelve hours.`,
  formula: '1 … 12, and 1 between',
  sources: [ARITHMETIC],
  checks: [
    {
      kind: 'by hand',
      source: ARITHMETIC,
      given: { halves: false },
      finds: { in12Hours: [78, 0], aDay: [156, 0] },
    },
    {
      kind: 'by hand',
      source: 'With twelve halves: 90 and 180',
      given: { halves: true },
      finds: { in12Hours: [90, 0], aDay: [180, 0] },
    },
  ],
});
