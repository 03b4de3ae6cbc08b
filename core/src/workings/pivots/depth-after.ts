import { judgeDepth } from '../../pivots/index.ts';
import { centreDistanceMm } from '../../train/index.ts';
import { mm, out, whole, words } from '../fields.ts';
import { working } from '../working.ts';
import { z } from 'zod';

export default working({
  id: 'depth-after',
  title: 'Depthing after bushing',
  subject: 'Pivots and bushes',
  stages: ['fit'],
  version: 1,
  asks: 'Do wheel and pinion still stand right?',
  alias: 'depthing centre distance mesh',
  inputs: z.object({
    wheel: whole('Wheel', 6, 400),
    pinion: whole('Pinion', 4, 60),
    moduleMm: mm('Module', 0.05, 3, { digits: 3 }),
    measuredMm: mm('Centre to centre, now', 1, 300),
  }),
  example: { wheel: 60, pinion: 8, moduleMm: 0.5, measuredMm: 17.03 },
  result: z.object({ rightMm: out('Right distance', 'mm', 3), offMm: out('Off by', 'mm', 3), depth: words('Depth') }),
  compute(i) {
    const rightMm = centreDistanceMm(i.moduleMm, i.wheel, i.pinion);
    return { rightMm, ...judgeDepth(i.measuredMm, rightMm, i.moduleMm) };
  },
  says: (r) =>
    r.depth === 'right'
      ? 'Right, within a twentieth of the module.'
      : (r.depth === 'too deep' ? 'Too deep' : 'Too shallow') +
        ` by ${Math.abs(r.offMm).toFixed(2)} mm: the last bush is off its centre. Plug and mark again ` +
        'before it goes together.',
  formula: 'm (N + n)/2 ± m/20',
  sources: ['House rule, practice'],
  checks: [
    {
      kind: 'by hand',
      source: 'Pitch circles touch: half of 0.5 · 68',
      given: { wheel: 60, pinion: 8, moduleMm: 0.5, measuredMm: 17 },
      finds: { rightMm: [17, 1e-9], depth: 'right' },
    },
    {
      kind: 'practice',
      source: 'A tenth of a millimetre too far is too shallow for module 0.5',
      given: { wheel: 60, pinion: 8, moduleMm: 0.5, measuredMm: 17.1 },
      finds: { depth: 'too shallow' },
    },
  ],
});
