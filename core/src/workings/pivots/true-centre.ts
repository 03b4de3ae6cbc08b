import { trueCentre } from '../../pivots/index.ts';
import { number, out } from '../fields.ts';
import { working } from '../working.ts';
import { z } from 'zod';
import { hole } from './shared.ts';

export default working({
  id: 'true-centre',
  title: 'True centre from the wear',
  subject: 'Pivots and bushes',
  stages: ['survey', 'fit'],
  version: 1,
  asks: 'Where was the hole when it was new?',
  alias: 'oval direction coordinates',
  inputs: z.object({
    xMm: number('Middle of the oval, x', 'mm', -500, 500),
    yMm: number('Middle of the oval, y', 'mm', -500, 500),
    ...hole,
    wearDeg: number('Direction of wear', '°', -360, 360, { digits: 0, hint: 'From x towards y' }),
  }),
  example: { xMm: 20, yMm: 35, holeLongMm: 1.6, holeShortMm: 1.28, wearDeg: 210 },
  result: z.object({
    xMm: out('True centre, x', 'mm', 3),
    yMm: out('True centre, y', 'mm', 3),
    backMm: out('Moved back', 'mm', 3),
  }),
  compute: (i) => ({
    ...trueCentre(i, i.holeLongMm, i.holeShortMm, i.wearDeg),
    backMm: (i.holeLongMm - i.holeShortMm) / 2,
  }),
  says: (r) => `${r.xMm.toFixed(2)}, ${r.yMm.toFixed(2)}: ${r.backMm.toFixed(2)} mm back from the middle of the oval.`,
  formula: 'centre = middle − ½(long − short) · direction',
  sources: ['The unworn side of the oval is the old edge (practice)'],
  checks: [
    {
      kind: 'practice',
      source: 'Worn along x by 0.4: the centre lies 0.2 back',
      given: { xMm: 10, yMm: 5, holeLongMm: 1.4, holeShortMm: 1, wearDeg: 0 },
      finds: { xMm: [9.8, 1e-9], yMm: [5, 1e-9] },
    },
    {
      kind: 'practice',
      source: 'Worn straight up: only y moves',
      given: { xMm: 10, yMm: 5, holeLongMm: 1.4, holeShortMm: 1, wearDeg: 90 },
      finds: { xMm: [10, 1e-9], yMm: [4.8, 1e-9] },
    },
  ],
});
