import { chooseSpring } from '../../spring/index.ts';
import { mm, out, rows, table, text, words } from '../fields.ts';
import { working } from '../working.ts';
import { z } from 'zod';
import { springs } from '../suited.ts';
import { caution, barrel, thicknessMm, lengthMm, widthMm, BENDING } from './shared.ts';

export default working({
  id: 'spring-stock',
  title: 'A spring from stock',
  subject: 'Mainspring',
  stages: ['fit'],
  suits: springs,
  version: 2,
  caution,
  asks: 'Which of the springs in the drawer comes nearest?',
  alias: 'choose replacement mainspring',
  inputs: z.object({
    ...barrel,
    widthMm: mm('Width that belongs there', 1, 80),
    thicknessMm,
    lengthMm: lengthMm.optional(),
    stock: rows('In stock', { name: text('Marked', 40), widthMm, thicknessMm, lengthMm }, 1, 100),
  }),
  example: {
    barrelMm: 45,
    arborMm: 15,
    widthMm: 19,
    thicknessMm: 0.4,
    stock: [
      { name: 'drawer 3', widthMm: 19, thicknessMm: 0.4, lengthMm: 1500 },
      { name: 'drawer 4', widthMm: 18, thicknessMm: 0.42, lengthMm: 1800 },
      { name: 'drawer 5', widthMm: 20, thicknessMm: 0.4, lengthMm: 1700 },
    ],
  },
  result: z.object({
    fits: table('That go in, nearest first', {
      name: words('Marked'),
      widthMm: out('Width', 'mm', 2),
      thicknessMm: out('Thickness', 'mm', 2),
      lengthMm: out('Length', 'mm', 0),
      strength: out('Strength', '×', 2),
      turns: out('Turns, ideal', '', 2),
      fillsPercent: out('Fills', '%', 0),
    }),
  }),
  compute: (i) => ({
    fits: chooseSpring(i, i, i.stock).map(({ fills, ...f }) => ({ ...f, fillsPercent: 100 * fills })),
  }),
  says: (r) =>
    r.fits[0]
      ? `Take ${r.fits[0].name || 'the first'}: it pulls ${r.fits[0].strength.toFixed(2)} × the right ` +
        `one and gives ${r.fits[0].turns.toFixed(1)} turns.`
      : 'None in stock goes in: too wide, more than 1.5 mm too narrow, or too long for the barrel.',
  formula: 'strength fully wound first, E b e³ θ/12 ℓ with θ from the free spring; then turns',
  sources: [BENDING, 'A spring wider than the old binds on the cap (practice)'],
  checks: [
    {
      kind: 'practice',
      source: 'Too wide a spring is never offered',
      given: {
        barrelMm: 45,
        arborMm: 15,
        widthMm: 19,
        thicknessMm: 0.4,
        stock: [
          { name: 'wide', widthMm: 20, thicknessMm: 0.4, lengthMm: 1767 },
          { name: 'right', widthMm: 19, thicknessMm: 0.4, lengthMm: 1750 },
        ],
      },
      finds: { 'fits.0.name': 'right', 'fits.1': null },
    },
    {
      kind: 'practice',
      source: 'Length tells little: the same strip 15 % shorter is nearer than one 5 % thicker',
      given: {
        barrelMm: 45,
        arborMm: 15,
        widthMm: 19,
        thicknessMm: 0.4,
        stock: [
          { name: 'thicker', widthMm: 18, thicknessMm: 0.42, lengthMm: 1800 },
          { name: 'shorter', widthMm: 19, thicknessMm: 0.4, lengthMm: 1500 },
        ],
      },
      finds: { 'fits.0.name': 'shorter', 'fits.0.strength': [1.05, 0.02] },
    },
    {
      kind: 'practice',
      source: 'Strength counts before turns: 0.45 pulls a third harder and comes after 0.40',
      given: {
        barrelMm: 45,
        arborMm: 15,
        widthMm: 19,
        thicknessMm: 0.4,
        stock: [
          { name: 'strong', widthMm: 19, thicknessMm: 0.45, lengthMm: 1570 },
          { name: 'same', widthMm: 19, thicknessMm: 0.4, lengthMm: 1500 },
        ],
      },
      finds: { 'fits.0.name': 'same' },
    },
  ],
});
