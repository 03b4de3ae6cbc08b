import { ensure, readMass, G_PER_OUNCE, G_PER_POUND } from '../../units/index.ts';
import { out, text } from '../fields.ts';
import { working } from '../working.ts';
import { z } from 'zod';
import { pendulum, weights } from '../suited.ts';
import { INCH } from './shared.ts';

export default working({
  id: 'mass',
  title: 'Mass in every unit',
  subject: 'Units',
  stages: ['intake', 'run'],
  suits: (t) => weights(t) || pendulum(t),
  version: 1,
  asks: 'What is this mass in kilograms, pounds and ounces?',
  alias: 'convert weight lb oz',
  inputs: z.object({ typed: text('A mass as it is written', 40, { hint: '3,63 kg · 8 lb · 120 g · 14 oz' }) }),
  example: { typed: '8 lb' },
  result: z.object({
    grams: out('Grams', '', 1),
    kilograms: out('Kilograms', '', 4),
    pounds: out('Pounds', '', 3),
    ounces: out('Ounces', '', 2),
  }),
  compute({ typed }) {
    const read = readMass(typed, [0.001, 1e6]);
    ensure(read.kind === 'value', 'typed', read.kind === 'problem' ? read.message : '');
    return {
      grams: read.value,
      kilograms: read.value / 1000,
      pounds: read.value / G_PER_POUND,
      ounces: read.value / G_PER_OUNCE,
    };
  },
  says: (r) => `${r.kilograms.toFixed(3)} kg, or ${r.pounds.toFixed(2)} lb.`,
  formula: '1 lb = 453.59237 g = 16 oz',
  sources: [INCH],
  checks: [
    {
      kind: 'published',
      source: INCH,
      given: { typed: '1 lb' },
      finds: { grams: [453.59237, 1e-9], ounces: [16, 1e-9] },
    },
    {
      kind: 'practice',
      source: 'A longcase weight of 8 lb is spoken of as 3.63 kg',
      given: { typed: '8 lb' },
      finds: { kilograms: [3.63, 0.005] },
    },
  ],
});
