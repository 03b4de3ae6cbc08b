import { arborsThatFit, gapsOf, spacingOf } from '../../strike/index.ts';
import { number, numbers, out, rows, table, text, words } from '../fields.ts';
import { working } from '../working.ts';
import { z } from 'zod';

export default working({
  id: 'same-place',
  title: 'It stops at the same place',
  subject: 'Strike and chime',
  stages: ['diagnose'],
  version: 2,
  asks: 'Which arbor turns as often as it stops?',
  alias: 'stoppage period wheel',
  inputs: z.object({
    stopMinutes: numbers('Stops, minutes from the first start', 'min', [0, 100000], 2, 50, { digits: 0 }),
    arbors: rows('Arbors', { name: text('Name', 40), minutes: number('One turn', 'min', 0.01, 20000) }, 1, 20),
  }),
  example: {
    stopMinutes: [12, 73, 131, 192],
    arbors: [
      { name: 'great wheel', minutes: 720 },
      { name: 'centre wheel', minutes: 60 },
      { name: 'third wheel', minutes: 7.5 },
      { name: 'escape wheel', minutes: 1 },
    ],
  },
  result: z.object({
    spacing: out('Between stops', 'min', 1),
    scatter: out('Scatter', 'min', 1),
    fits: table('Arbors that fit', {
      name: words('Arbor'),
      minutes: out('One turn', 'min', 2),
      turns: out('Turns in the shortest gap', '', 0),
    }),
  }),
  compute(i) {
    const gaps = gapsOf(i.stopMinutes);
    const { minutes, scatter } = spacingOf(gaps);
    return { spacing: minutes, scatter, fits: arborsThatFit(gaps, i.arbors) };
  },
  says: (r) =>
    r.fits[0]
      ? `Look at the ${r.fits.map((f) => f.name).join(' or the ')}: a bent tooth, a bent arbor, dirt in one leaf.`
      : 'No arbor fits: it does not stop by the train. Look at the case, the strike, and the weather.',
  formula: 'each gap = whole turns of an arbor, within an eighth of a turn and a twentieth together',
  sources: ['Practice'],
  checks: [
    {
      kind: 'practice',
      source: 'Once, twice and three times round between stops is the same tooth',
      given: {
        stopMinutes: [10, 70, 190, 250, 430],
        arbors: [
          { name: 'great wheel', minutes: 720 },
          { name: 'centre wheel', minutes: 60 },
          { name: 'third wheel', minutes: 7.5 },
        ],
      },
      finds: { 'fits.0.name': 'centre wheel', 'fits.1': null },
    },
    {
      kind: 'practice',
      source: 'Every hour: the centre wheel',
      given: {
        stopMinutes: [10, 70, 130, 190],
        arbors: [
          { name: 'great wheel', minutes: 720 },
          { name: 'centre wheel', minutes: 60 },
          { name: 'escape wheel', minutes: 1 },
        ],
      },
      finds: { 'fits.0.name': 'centre wheel', 'fits.1': null },
    },
    {
      kind: 'practice',
      source: 'Twelve hours apart: the great wheel of a longcase, or the hour work',
      given: {
        stopMinutes: [100, 820, 1540],
        arbors: [
          { name: 'great wheel', minutes: 720 },
          { name: 'centre wheel', minutes: 60 },
        ],
      },
      finds: { 'fits.0.name': 'great wheel' },
    },
  ],
});
