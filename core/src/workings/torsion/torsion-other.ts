import { beatsWith, shorteningEffect } from '../../torsion/index.ts';
import { mm, out } from '../fields.ts';
import { working } from '../working.ts';
import { z } from 'zod';
import { torsion } from '../suited.ts';
import { strip, perMinute, law, LAW } from './shared.ts';

export default working({
  id: 'torsion-other',
  title: 'Beats with another strip',
  subject: 'Torsion',
  stages: ['fit'],
  suits: torsion,
  version: 1,
  asks: 'What will it beat with the strip in my hand, or with this one shortened?',
  alias: 'shorten strip',
  inputs: z.object({
    thicknessMm: strip('Strip that is in'),
    observed: perMinute('Beats counted with it'),
    newMm: strip('Strip in hand'),
    law,
    lengthMm: mm('Free length', 20, 400),
  }),
  example: { thicknessMm: 0.09652, observed: 7.6, newMm: 0.1016, law: 'equal width', lengthMm: 110 },
  result: z.object({
    beatsPerMinute: out('Beats', 'a minute', 3),
    perMm: out('A millimetre shorter gains', 's/day', 0),
  }),
  compute: (i) => ({
    beatsPerMinute: beatsWith(i.newMm, i.thicknessMm, i.observed, i.law),
    perMm: shorteningEffect(i.lengthMm),
  }),
  says: (r) =>
    `${r.beatsPerMinute.toFixed(2)} a minute; each millimetre shorter gains ${(r.perMm / 60).toFixed(1)} min a day.`,
  formula: 'n₂ = n₁ (t₂/t₁)^(3/2); 43200/ℓ for each mm',
  sources: [LAW],
  checks: [
    {
      kind: 'published',
      source: LAW + ': √8 times the beats at twice the thickness',
      given: { thicknessMm: 0.1, observed: 8, newMm: 0.2, law: 'equal width', lengthMm: 100 },
      finds: { beatsPerMinute: [22.627, 0.001], perMm: [432, 1e-9] },
    },
    {
      kind: 'practice',
      source: 'A ten-thousandth of an inch is about 4 % of the rate of a four-thousandths strip',
      given: { thicknessMm: 0.1016, observed: 8, newMm: 0.10414, law: 'equal width', lengthMm: 100 },
      finds: { beatsPerMinute: [8.3, 0.03] },
    },
  ],
});
