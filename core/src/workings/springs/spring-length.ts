import { coil, lengthsForTurns } from '../../spring/index.ts';
import { number, out } from '../fields.ts';
import { working } from '../working.ts';
import { z } from 'zod';
import { springs } from '../suited.ts';
import { caution, barrel, thicknessMm, AREAS } from './shared.ts';

export default working({
  id: 'spring-length',
  title: 'Spring length for the turns wanted',
  subject: 'Mainspring',
  stages: ['fit'],
  suits: springs,
  version: 1,
  figure: 'barrel',
  caution,
  asks: 'How long must a spring be for these turns?',
  alias: 'cut',
  inputs: z.object({ ...barrel, thicknessMm, turns: number('Turns wanted, ideal', 'turns', 0.5, 60) }),
  example: { barrelMm: 45, arborMm: 15, thicknessMm: 0.4, turns: 8.5 },
  result: z.object({
    shortMm: out('Shorter of the two', 'mm', 0),
    longMm: out('Longer of the two', 'mm', 0),
    unwoundInnerMm: out('Clear inside, let down', 'mm radius', 2),
    woundOuterMm: out('Outside, fully wound', 'mm radius', 2),
  }),
  compute(i) {
    const [shortMm, longMm] = lengthsForTurns(i, i.turns);
    const { unwoundInnerMm, woundOuterMm } = coil(i, shortMm);
    return { shortMm, longMm, unwoundInnerMm, woundOuterMm };
  },
  says: (r) =>
    `${r.shortMm.toFixed(0)} mm, the shorter: it has more room and less friction than ${r.longMm.toFixed(0)} mm.`,
  formula: 'turns(ℓ) solved for ℓ',
  sources: [AREAS],
  checks: [
    {
      kind: 'practice',
      source: 'Barrel 45, arbor 15, 0.40: 8.699 turns at 1500 mm',
      given: { barrelMm: 45, arborMm: 15, thicknessMm: 0.4, turns: 8.699 },
      finds: { shortMm: [1500, 2] },
    },
    {
      kind: 'practice',
      source: 'The same barrel: 8.613 turns at 2100 mm',
      given: { barrelMm: 45, arborMm: 15, thicknessMm: 0.4, turns: 8.613 },
      finds: { longMm: [2100, 2] },
    },
  ],
});
