import { bestLengthMm, coil, TURNS_LOST } from '../../spring/index.ts';
import { maybe, out } from '../fields.ts';
import { working } from '../working.ts';
import { z } from 'zod';
import { springs } from '../suited.ts';
import { caution, barrel, thicknessMm, lengthMm, AREAS } from './shared.ts';

function arborWords(share: number) {
  if (share < 0.28) return ' The arbor is thin for this barrel: the spring may break at the centre.';
  if (share > 0.4) return ' The arbor is thick for this barrel: turns are lost.';
  return '';
}

export default working({
  id: 'spring-turns',
  title: 'Turns of a mainspring',
  subject: 'Mainspring',
  stages: ['survey', 'fit'],
  suits: springs,
  version: 1,
  figure: 'barrel',
  caution,
  asks: 'How many turns does this spring give, and how long should it be?',
  alias: 'barrel fill half',
  inputs: z.object({ ...barrel, thicknessMm, lengthMm: lengthMm.optional() }),
  example: { barrelMm: 45, arborMm: 15, thicknessMm: 0.4, lengthMm: 1500 },
  result: z.object({
    bestLengthMm: out('Best length', 'mm', 0),
    bestTurns: out('Most turns, ideal', 'turns', 2),
    turns: maybe('Turns of this spring, ideal', 'turns', 2),
    realTurns: out('To be counted on', 'turns', 1),
    fillsPercent: maybe('Fills of the free space', '%', 0),
    unwoundInnerMm: out('Clear inside, let down', 'mm radius', 2),
    woundOuterMm: out('Outside, fully wound', 'mm radius', 2),
    arborShare: out('Arbor to barrel', '', 2),
  }),
  compute(i) {
    const best = bestLengthMm(i);
    const ideal = coil(i, best);
    const own = i.lengthMm === undefined ? null : coil(i, i.lengthMm);
    const shown = own ?? ideal;
    return {
      bestLengthMm: best,
      bestTurns: ideal.turns,
      turns: own?.turns ?? null,
      realTurns: Math.max(0, shown.turns - TURNS_LOST),
      fillsPercent: own ? 100 * own.fills : null,
      unwoundInnerMm: shown.unwoundInnerMm,
      woundOuterMm: shown.woundOuterMm,
      arborShare: i.arborMm / i.barrelMm,
    };
  },
  says(r, i) {
    const arbor = arborWords(r.arborShare);
    if (r.turns === null)
      return `Cut it to ${r.bestLengthMm.toFixed(0)} mm: about ${r.realTurns.toFixed(1)} turns in practice.${arbor}`;
    const short = i.lengthMm! < r.bestLengthMm;
    return (
      `About ${r.realTurns.toFixed(1)} turns in practice` +
      (Math.abs(i.lengthMm! / r.bestLengthMm - 1) > 0.05
        ? `; ${short ? 'shorter' : 'longer'} than the best ${r.bestLengthMm.toFixed(0)} mm, ` +
          `which would give ${(r.bestTurns - r.turns).toFixed(2)} more`
        : '') +
      `.${arbor}`
    );
  },
  formula: 'turns = (r_w − d/2 − D/2 + r_u)/e, r_u = √(D²/4 − ℓe/π), r_w = √(d²/4 + ℓe/π); best ℓ = π(D² − d²)/8e',
  sources: [AREAS],
  checks: [
    {
      kind: 'practice',
      source: 'Fill half the free space: barrel 45, arbor 15, 0.40 thick: 1767 mm, 8.85 turns',
      given: { barrelMm: 45, arborMm: 15, thicknessMm: 0.4, lengthMm: 1500 },
      finds: { bestLengthMm: [1767, 0.5], bestTurns: [8.853, 0.001], turns: [8.699, 0.001] },
    },
    {
      kind: 'practice',
      source: 'Too long a spring gives fewer turns too: 2100 mm in the same barrel',
      given: { barrelMm: 45, arborMm: 15, thicknessMm: 0.4, lengthMm: 2100 },
      finds: { turns: [8.613, 0.001], realTurns: [7.613, 0.001] },
    },
  ],
});
