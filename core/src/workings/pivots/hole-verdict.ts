import { ARBOR_CLASSES, type ArborClass } from '../../movement/index.ts';
import { judgeHole, measureProblem } from '../../pivots/index.ts';
import { Outside, sentence } from '../../units/index.ts';
import { choice, out, words } from '../fields.ts';
import { working } from '../working.ts';
import { z } from 'zod';
import { size, hole } from './shared.ts';

const HOUSE = 'House rule, practice: between 0.02 mm and a tenth of the pivot for train arbors';

export default working({
  id: 'hole-verdict',
  title: 'Verdict on a pivot hole',
  subject: 'Pivots and bushes',
  stages: ['assess', 'survey'],
  version: 1,
  figure: 'hole',
  asks: 'Does this hole want a bush?',
  alias: 'worn clearance oval wear',
  inputs: z.object({
    pivotMm: size('Pivot'),
    ...hole,
    arbor: choice('Arbor', ARBOR_CLASSES as readonly [ArborClass, ...ArborClass[]]),
  }),
  example: { pivotMm: 1.2, holeLongMm: 1.55, holeShortMm: 1.28, arbor: 'train' },
  result: z.object({
    verdict: words('Verdict'),
    clearanceMm: out('Clearance, the long way', 'mm', 3),
    limitMm: out('House limit', 'mm', 3),
    ovalityMm: out('Oval by', 'mm', 3),
    why: words('Why'),
  }),
  compute(i) {
    const problem = measureProblem(i);
    if (problem) throw new Outside(problem.field, `${sentence(problem.message)}.`);
    return judgeHole(i, i.arbor);
  },
  says: (r) =>
    `${{ sound: 'Sound', tight: 'Tight', marginal: 'Marginal', bush: 'Bush it' }[r.verdict as 'sound']}. ${r.why}`,
  formula:
    'clearance = long way − pivot; limit a tenth of the pivot (train), looser at the barrel, tighter at the escapement',
  sources: [HOUSE],
  checks: [
    {
      kind: 'practice',
      source: HOUSE,
      given: { pivotMm: 1.2, holeLongMm: 1.25, holeShortMm: 1.24, arbor: 'train' },
      finds: { verdict: 'sound' },
    },
    {
      kind: 'practice',
      source: 'A third of a millimetre on a 1.2 mm pivot is worn out',
      given: { pivotMm: 1.2, holeLongMm: 1.55, holeShortMm: 1.28, arbor: 'train' },
      finds: { verdict: 'bush', clearanceMm: [0.35, 1e-9] },
    },
  ],
});
