import { strengthAgainst, torqueNmm } from '../../spring/index.ts';
import { maybe, mm, number, out } from '../fields.ts';
import { working } from '../working.ts';
import { z } from 'zod';
import { springs } from '../suited.ts';
import { barrel, thicknessMm, widthMm, lengthMm, BENDING } from './shared.ts';

export default working({
  id: 'spring-strength',
  title: 'Strength against the old spring',
  subject: 'Mainspring',
  stages: ['survey', 'fit'],
  suits: springs,
  version: 2,
  asks: 'How much harder or softer does this spring pull?',
  alias: 'torque compare replacement wrong',
  inputs: z.object({
    ...barrel,
    thicknessMm,
    widthMm,
    lengthMm,
    oldThicknessMm: mm('Old: thickness', 0.05, 2),
    oldWidthMm: mm('Old: width', 1, 80),
    oldLengthMm: mm('Old: length', 50, 10000, { digits: 0 }),
    turns: number('Torque wanted at so many turns from free', 'turns', 0.5, 60).optional(),
  }),
  example: {
    barrelMm: 45,
    arborMm: 15,
    thicknessMm: 0.42,
    widthMm: 19,
    lengthMm: 1500,
    oldThicknessMm: 0.4,
    oldWidthMm: 19,
    oldLengthMm: 1500,
  },
  result: z.object({
    strength: out('Strength against the old, fully wound', '×', 3),
    torqueNmm: maybe('Torque, ideal', 'N mm', 0),
  }),
  compute: (i) => ({
    strength: strengthAgainst(i, { thicknessMm: i.oldThicknessMm, widthMm: i.oldWidthMm, lengthMm: i.oldLengthMm }, i),
    torqueNmm: i.turns === undefined ? null : torqueNmm(i, i.turns),
  }),
  says(r) {
    const percent = Math.round(100 * (r.strength - 1));
    if (Math.abs(percent) <= 5) return 'As strong as the old one.';
    return percent > 0
      ? `Pulls ${percent} % harder. Too strong a spring wears the train and breaks teeth when it ` +
          'slips: look for a thinner one.'
      : `Pulls ${-percent} % less. It may not drive a clock that is not quite clean.`;
  },
  formula: 'M = E b e³ θ/12 ℓ, θ on the arbor less ℓ/(π · free diameter), that 2.5 of the barrel',
  sources: [BENDING, 'Spring steel 206 GPa, from memory of handbooks'],
  checks: [
    {
      kind: 'practice',
      source: '15 % shorter of the same strip is 4 to 6 % harder, not 18',
      given: {
        barrelMm: 45,
        arborMm: 15,
        thicknessMm: 0.4,
        widthMm: 19,
        lengthMm: 1275,
        oldThicknessMm: 0.4,
        oldWidthMm: 19,
        oldLengthMm: 1500,
      },
      finds: { strength: [1.05, 0.01] },
    },
    {
      kind: 'practice',
      source: '5 % thicker pulls about 16 % harder by the cube, a little less since it lies in fewer coils',
      given: {
        barrelMm: 45,
        arborMm: 15,
        thicknessMm: 0.42,
        widthMm: 19,
        lengthMm: 1500,
        oldThicknessMm: 0.4,
        oldWidthMm: 19,
        oldLengthMm: 1500,
      },
      finds: { strength: [1.14, 0.025] },
    },
    {
      kind: 'published',
      source: BENDING + ': twice the width, twice the pull',
      given: {
        barrelMm: 45,
        arborMm: 15,
        thicknessMm: 0.4,
        widthMm: 20,
        lengthMm: 1500,
        oldThicknessMm: 0.4,
        oldWidthMm: 10,
        oldLengthMm: 1500,
      },
      finds: { strength: [2, 1e-9] },
    },
  ],
});
