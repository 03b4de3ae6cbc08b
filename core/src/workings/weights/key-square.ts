import { chooseKey, judgeKey } from '../../weight/index.ts';
import { maybe, mm, numbers, words } from '../fields.ts';
import { working } from '../working.ts';
import { z } from 'zod';
import { springs, weights } from '../suited.ts';

const inHand = (r: { fit: string; playMm: number | null }) => {
  if (r.fit === 'none') return '';
  if (r.fit === 'does not go on') return 'The key in hand does not go on. ';
  return `The key in hand is ${r.fit} by ${r.playMm!.toFixed(2)} mm: it rounds the corners. `;
};

export default working({
  id: 'key-square',
  title: 'Key for a winding square',
  subject: 'Weights and fusee',
  stages: ['intake', 'fit'],
  suits: (t) => springs(t) || weights(t),
  version: 1,
  asks: 'Does this key really fit, and which one would?',
  alias: 'winding key size arbor square',
  inputs: z.object({
    arborMm: mm('Square of the arbor, across flats', 1, 10),
    keyMm: mm('Key in hand, across flats', 1, 12).optional(),
    stockMm: numbers('Keys in the drawer', 'mm', [1, 12], 0, 60),
  }),
  example: { arborMm: 4.3, keyMm: 4.75, stockMm: [3.5, 4, 4.25, 4.5, 4.75, 5] },
  result: z.object({ fit: words('Key in hand'), playMm: maybe('Play', 'mm', 2), takeMm: maybe('Take', 'mm', 2) }),
  compute(i) {
    const judged = i.keyMm === undefined ? null : judgeKey(i.keyMm, i.arborMm);
    return { fit: judged?.fit ?? 'none', playMm: judged?.playMm ?? null, takeMm: chooseKey(i.arborMm, i.stockMm) };
  },
  says: (r) =>
    r.fit === 'fits'
      ? 'It fits.'
      : inHand(r) + (r.takeMm === null ? 'None in the drawer goes on.' : `Take the ${r.takeMm} mm one.`),
  formula: 'play = key − square, across the flats',
  sources: ['Numbers stamped on keys disagree between makers: only millimetres count (practice)'],
  checks: [
    {
      kind: 'practice',
      source: 'A key must be larger than its square',
      given: { arborMm: 4.3, keyMm: 4.25, stockMm: [4.25, 4.5] },
      finds: { fit: 'does not go on', takeMm: [4.5, 0] },
    },
    {
      kind: 'practice',
      source: 'Nearly half a millimetre is a sloppy key',
      given: { arborMm: 4.3, keyMm: 4.75, stockMm: [] },
      finds: { fit: 'sloppy', takeMm: null },
    },
  ],
});
