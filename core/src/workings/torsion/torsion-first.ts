import { torsionBeats } from '../../torsion/index.ts';
import { mm, number, out } from '../fields.ts';
import { working } from '../working.ts';
import { z } from 'zod';
import { torsion } from '../suited.ts';
import { strip, LAW } from './shared.ts';

export default working({
  id: 'torsion-first',
  title: 'Torsion pendulum from first principles',
  subject: 'Torsion',
  stages: ['fit'],
  suits: torsion,
  version: 1,
  asks: 'What does this bob beat on this strip, when nothing is known?',
  alias: 'inertia rigidity period',
  inputs: z.object({
    thicknessMm: strip('Thickness'),
    widthMm: mm('Width', 0.2, 10, { digits: 3 }),
    lengthMm: mm('Free length', 20, 400),
    bobG: number('Mass that turns', 'g', 5, 5000, { digits: 0 }),
    gyrationMm: mm('Radius of gyration', 3, 200, {
      hint: 'Balls at a radius: about that radius; a plain disc: 0.707 of its own',
    }),
    rigidityGPa: number('Modulus of rigidity of the strip', 'GPa', 20, 120, {
      digits: 0,
      hint: 'Nickel alloy about 65, bronze about 42 (from memory)',
    }),
  }),
  example: { thicknessMm: 0.1, widthMm: 0.5, lengthMm: 110, bobG: 250, gyrationMm: 28, rigidityGPa: 65 },
  result: z.object({
    beatsPerMinute: out('Beats', 'a minute', 2),
    inertiaKgM2: out('Moment of inertia', 'kg m²', 7),
  }),
  compute(i) {
    const inertiaKgM2 = (i.bobG / 1000) * (i.gyrationMm / 1000) ** 2;
    return { inertiaKgM2, beatsPerMinute: torsionBeats({ ...i, inertiaKgM2 }) };
  },
  says: (r) =>
    `About ${r.beatsPerMinute.toFixed(1)} beats a minute; the modulus is known to a tenth at best, ` +
    'so try it and count.',
  formula: 'T = 2π √(I ℓ/(β G b t³)), β = ⅓ (1 − 0.63 t/b)',
  sources: [LAW],
  checks: [
    {
      kind: 'published',
      source: 'Torsion constant of a rectangle 10 : 1: β = 0.312, tables in texts on elasticity',
      given: { thicknessMm: 0.1, widthMm: 1, lengthMm: 100, bobG: 1000, gyrationMm: 31.6228, rigidityGPa: 80 },
      finds: { beatsPerMinute: [9.542, 0.01] },
    },
    {
      kind: 'published',
      source: 'Torsion constant of a rectangle 4 : 1: β = 0.281, the same tables',
      given: { thicknessMm: 0.25, widthMm: 1, lengthMm: 100, bobG: 1000, gyrationMm: 31.6228, rigidityGPa: 80 },
      finds: { beatsPerMinute: [35.794, 0.04] },
    },
  ],
});
