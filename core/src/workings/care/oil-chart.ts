import { familyById } from '../../movement/index.ts';
import { oilChart } from '../../oiling/index.ts';
import { out, table, words } from '../fields.ts';
import { working } from '../working.ts';
import { z } from 'zod';
import { family, HOUSE } from './shared.ts';

export default working({
  id: 'oil-chart',
  title: 'Lubrication chart',
  subject: 'Cleaning and oil',
  stages: ['oil'],
  version: 1,
  asks: 'What is oiled, with what, and what stays dry?',
  alias: 'oil grease dry points',
  inputs: z.object({ family }),
  example: { family: 'longcase' },
  result: z.object({
    points: table('Points', { where: words('Where'), grade: words('With'), amount: words('How much') }),
    dry: out('Left dry', '', 0),
  }),
  compute(i) {
    const chart = oilChart(familyById(i.family).traits);
    return {
      points: chart.map(({ where, grade, amount }) => ({
        where,
        grade: grade === 'none' ? 'leave dry' : grade,
        amount,
      })),
      dry: chart.filter((p) => p.grade === 'none').length,
    };
  },
  says: (r) =>
    `${r.points.length - r.dry} points take something, ${r.dry} stay dry. ` +
    'A drop too much creeps away and takes the rest with it.',
  formula: 'from the traits of the movement',
  sources: [HOUSE],
  checks: [
    {
      kind: 'practice',
      source: 'Teeth and leaves stay dry in every clock',
      given: { family: 'riveted-alarm' },
      finds: { says: 'stay dry' },
    },
    {
      kind: 'practice',
      source: 'The first point of a spring clock: barrel and winding arbors with heavy oil',
      given: { family: 'mantel-barrels' },
      finds: { 'points.0.grade': 'heavy', 'points.1.grade': 'grease' },
    },
  ],
});
