import { MM_PER_INCH, nearestSixtyFourth, ensure, readLength } from '../../units/index.ts';
import { out, text, words } from '../fields.ts';
import { working } from '../working.ts';
import { z } from 'zod';
import { INCH } from './shared.ts';

export default working({
  id: 'length',
  title: 'Length in every unit',
  subject: 'Units',
  stages: ['survey', 'fit'],
  version: 1,
  asks: 'What is this length in mm, inches, thousandths and sixty-fourths?',
  alias: 'convert thou inch fraction caliper',
  inputs: z.object({
    typed: text('A length as it is written', 40, { hint: '1,22 mm · 0.048in · 48 thou · 1 3/64in' }),
  }),
  example: { typed: '3/64in' },
  result: z.object({
    lengthMm: out('Millimetres', '', 4),
    inches: out('Inches', '', 5),
    thousandths: out('Thousandths of an inch', '', 2),
    fraction: words('Nearest sixty-fourth'),
    offMm: out('The length less that fraction', 'mm', 3),
  }),
  compute({ typed }) {
    const read = readLength(typed, [0.001, 5000]);
    ensure(read.kind !== 'problem', 'typed', read.kind === 'problem' ? read.message : '');
    const lengthMm = read.kind === 'length' ? read.mm : read.asMm;
    const near = nearestSixtyFourth(lengthMm);
    return {
      lengthMm,
      inches: lengthMm / MM_PER_INCH,
      thousandths: (1000 * lengthMm) / MM_PER_INCH,
      fraction: `${near.text} in`,
      offMm: near.offMm,
    };
  },
  says: (r) =>
    `${r.lengthMm.toFixed(3)} mm is ${r.thousandths.toFixed(1)} thousandths, ` +
    (Math.abs(r.offMm) < 0.005 ? 'exactly' : 'about') +
    ` ${r.fraction}.`,
  formula: '1 in = 25.4 mm = 1000 thousandths = 64/64',
  sources: [INCH],
  checks: [
    {
      kind: 'published',
      source: INCH,
      given: { typed: '1 in' },
      finds: { lengthMm: [25.4, 1e-9], thousandths: [1000, 1e-6] },
    },
    {
      kind: 'published',
      source: 'Decimal equivalents of an inch, ASME B1 tables: 3/64 = 0.046875',
      given: { typed: '3/64in' },
      finds: { inches: [0.046875, 1e-9], fraction: '3/64 in' },
    },
  ],
});
