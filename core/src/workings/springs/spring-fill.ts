import { coil, lengthFromRest, runDays, TURNS_LOST } from '../../spring/index.ts';
import { mm, number, out } from '../fields.ts';
import { working } from '../working.ts';
import { z } from 'zod';
import { springs } from '../suited.ts';
import { AREAS, barrel, caution, thicknessMm } from './shared.ts';

export default working({
  id: 'spring-fill',
  title: 'Days from how the spring fills',
  subject: 'Mainspring',
  stages: ['assess', 'fit'],
  suits: springs,
  version: 1,
  caution,
  asks: 'How long does the spring run that lies in this barrel?',
  alias: 'fill free area duration coils rest',
  inputs: z.object({
    ...barrel,
    thicknessMm,
    clearMm: mm('Clear inside its coils, unwound', 1, 200, { hint: 'From coil to coil across the arbor' }),
    hoursPerTurn: number('Hours of one barrel turn', 'h', 0.2, 2000),
    days: number('Days wanted', 'days', 0.25, 500, { digits: 1 }),
  }),
  example: { barrelMm: 45, arborMm: 15, thicknessMm: 0.4, clearMm: 33.5, hoursPerTurn: 24, days: 8 },
  result: z.object({
    fillsPercent: out('Fills of the free area', '%', 0),
    lengthMm: out('Length of the spring', 'mm', 0),
    turns: out('Turns, one lost', 'turns', 2),
    days: out('Runs', 'days', 1),
  }),
  compute(i) {
    const lengthMm = lengthFromRest(i, i.clearMm);
    const { turns, fills } = coil(i, lengthMm);
    const real = Math.max(0, turns - TURNS_LOST);
    return { fillsPercent: 100 * fills, lengthMm, turns: real, days: runDays(real, i.hoursPerTurn) };
  },
  says(r, i) {
    const fills = `It fills ${r.fillsPercent.toFixed(0)} % and runs ${r.days.toFixed(1)} days`;
    if (r.days >= i.days) return `${fills}: enough for ${i.days}.`;
    if (r.fillsPercent > 53) return `${fills}, not ${i.days}: too long a spring. A shorter one gives more turns.`;
    if (r.fillsPercent < 47) return `${fills}, not ${i.days}: a longer one gives more turns.`;
    return `${fills}, not ${i.days}: it fills the half already, so a thinner one.`;
  },
  formula: 'ℓ = π (D² − x²)/(4 e); turns of that length, less one',
  sources: [AREAS, 'One turn is lost to the hook and the gaps (practice)'],
  checks: [
    {
      kind: 'by hand',
      source: 'Half the free area: x = √((45² + 15²)/2) = 33.541, ℓ 1767 mm, 8.853 turns less one',
      given: { barrelMm: 45, arborMm: 15, thicknessMm: 0.4, clearMm: 33.541, hoursPerTurn: 24, days: 7 },
      finds: { fillsPercent: [50, 0.01], lengthMm: [1767, 1], turns: [7.853, 0.002] },
    },
    {
      kind: 'practice',
      source: 'A spring that fills three quarters is too long',
      given: { barrelMm: 45, arborMm: 15, thicknessMm: 0.4, clearMm: 26, hoursPerTurn: 24, days: 8 },
      finds: { says: 'A shorter one gives more turns' },
    },
  ],
});
