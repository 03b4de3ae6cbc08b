import { ARBOR_CLASSES, type ArborClass } from '../../movement/index.ts';
import { judgeHole, measureProblem, type HoleVerdict } from '../../pivots/index.ts';
import { Outside, sentence } from '../../units/index.ts';
import { choice, out, words } from '../fields.ts';
import { working } from '../working.ts';
import { z } from 'zod';
import { size, hole } from './shared.ts';

const SAYS: Record<HoleVerdict, string> = {
  sound: 'Sound',
  tight: 'Tight',
  marginal: 'Marginal',
  bush: 'Bush it',
  renew: 'Renew the jewel',
};

const HOUSE = 'House rule, practice: between 0.02 mm and a tenth of the pivot for train arbors';

export default working({
  id: 'hole-verdict',
  title: 'Verdict on a pivot hole',
  subject: 'Pivots and bushes',
  stages: ['assess', 'survey'],
  version: 2,
  figure: 'hole',
  asks: 'Does this hole need a bush?',
  alias: 'worn clearance oval wear',
  inputs: z.object({
    pivotMm: size('Pivot'),
    ...hole,
    arbor: choice('Arbor', ARBOR_CLASSES as readonly [ArborClass, ...ArborClass[]]),
    in: choice('The pivot turns in', ['the plate or a bush', 'a jewel']),
  }),
  example: { pivotMm: 1.2, holeLongMm: 1.55, holeShortMm: 1.28, arbor: 'train', in: 'the plate or a bush' },
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
    return judgeHole(i, i.arbor, i.in === 'a jewel');
  },
  says: (r) => `${SAYS[r.verdict as HoleVerdict]}. ${r.why}`,
  formula:
    'clearance = long way − pivot; limit a tenth of the pivot, at most 0.30 mm at the barrel, 0.15 in the train, ' +
    '0.08 at the escapement; oval by half of it at most; a jewel 0.02 mm',
  sources: [HOUSE],
  checks: [
    {
      kind: 'practice',
      source: HOUSE,
      given: { pivotMm: 1.2, holeLongMm: 1.25, holeShortMm: 1.24, arbor: 'train', in: 'the plate or a bush' },
      finds: { verdict: 'sound' },
    },
    {
      kind: 'practice',
      source: 'A third of a millimetre on a 1.2 mm pivot is worn out',
      given: { pivotMm: 1.2, holeLongMm: 1.55, holeShortMm: 1.28, arbor: 'train', in: 'the plate or a bush' },
      finds: { verdict: 'bush', clearanceMm: [0.35, 1e-9] },
    },
    {
      kind: 'practice',
      source: 'A barrel pivot of 6 mm in 6.7 is worn, whatever a tenth says',
      given: { pivotMm: 6, holeLongMm: 6.7, holeShortMm: 6.6, arbor: 'barrel', in: 'the plate or a bush' },
      finds: { verdict: 'bush', limitMm: [0.3, 1e-9] },
    },
    {
      kind: 'practice',
      source: 'A hundredth of play is right in a jewel; a worn one is renewed, never bushed',
      given: { pivotMm: 0.2, holeLongMm: 0.26, holeShortMm: 0.25, arbor: 'balance', in: 'a jewel' },
      finds: { verdict: 'renew' },
    },
  ],
});
