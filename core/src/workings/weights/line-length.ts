import { dropMm, lineOnBarrelMm, lineToCutMm, TURNS_THAT_STAY } from '../../weight/index.ts';
import { mm, out } from '../fields.ts';
import { working } from '../working.ts';
import { z } from 'zod';
import { weights } from '../suited.ts';
import { caution, line, falls, count, CIRCLE } from './shared.ts';

export default working({
  id: 'line-length',
  title: 'Line to cut',
  subject: 'Weights and fusee',
  stages: ['fit'],
  suits: weights,
  version: 1,
  figure: 'line',
  caution,
  asks: 'How long must the new line be, and how far does the weight fall?',
  alias: 'gut cable cord rope',
  inputs: z.object({
    ...line,
    falls,
    pathMm: mm('Path from barrel to the wound-up weight, and back to its hook', 0, 5000, { digits: 0 }),
    knotsMm: mm('For knots', 0, 1000, { digits: 0 }),
  }),
  example: { barrelMm: 50, lineMm: 1.5, turns: 16, falls: 'on a pulley', pathMm: 450, knotsMm: 150 },
  result: z.object({
    onBarrelMm: out('On the barrel when wound', 'mm', 0),
    dropMm: out('The weight falls', 'mm', 0),
    cutMm: out('Cut', 'mm', 0),
  }),
  compute: (i) => ({
    onBarrelMm: lineOnBarrelMm(i),
    dropMm: dropMm(i, count(i.falls)),
    cutMm: lineToCutMm(i, i.pathMm, i.knotsMm),
  }),
  says: (r) => `Cut ${(r.cutMm / 1000).toFixed(2)} m; ${TURNS_THAT_STAY} turns of it stay on the barrel for good.`,
  formula: 'on the barrel n π (d_b + d_l); cut = path + (n + 2.5) π (d_b + d_l) + knots',
  sources: [CIRCLE],
  checks: [
    {
      kind: 'by hand',
      source: 'π = 3.14159: ten turns of 100 mm are 3.1416 m',
      given: { barrelMm: 99, lineMm: 1, turns: 10, falls: 'on a pulley', pathMm: 0, knotsMm: 0 },
      finds: { onBarrelMm: [3141.59, 0.01], dropMm: [1570.8, 0.01] },
    },
    {
      kind: 'practice',
      source: 'Two to three turns stay on the barrel',
      given: { barrelMm: 99, lineMm: 1, turns: 10, falls: 'straight on the line', pathMm: 500, knotsMm: 100 },
      finds: { cutMm: [3141.59 + 2.5 * 314.159 + 600, 0.5] },
    },
  ],
});
