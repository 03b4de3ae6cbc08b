import { correct, dilute } from '../../cleaning/index.ts';
import { ensure } from '../../units/index.ts';
import { maybe, number, out, words } from '../fields.ts';
import { working } from '../working.ts';
import { z } from 'zod';
import { caution } from './shared.ts';

export default working({
  id: 'dilution',
  title: 'Dilution of a bath',
  subject: 'Cleaning and oil',
  stages: ['clean'],
  version: 2,
  caution,
  asks: 'How much concentrate fills the tank, and how is a wrong bath put right?',
  alias: 'mix concentrate water parts litre',
  inputs: z.object({
    tankLitres: number('Tank', 'l', 0.05, 1000),
    parts: number('Parts of water to one', '', 0.1, 1000, { digits: 1 }),
    inConcentrateL: number('In it now: concentrate', 'l', 0.001, 1000).optional(),
    inWaterL: number('In it now: water', 'l', 0, 1000).optional(),
  }),
  example: { tankLitres: 4, parts: 7 },
  result: z.object({
    concentrateL: out('Concentrate', 'l', 3),
    waterL: out('Water', 'l', 3),
    percent: out('Strength', '%', 1),
    add: words('To put right, add'),
    addL: maybe('so much', 'l', 3),
    pourOutL: maybe('Pour out first', 'l', 3),
  }),
  compute(i) {
    const mix = dilute(i.tankLitres, i.parts);
    if ((i.inConcentrateL === undefined) !== (i.inWaterL === undefined))
      ensure(false, i.inWaterL === undefined ? 'inWaterL' : 'inConcentrateL', 'Both amounts, or neither.');
    const fix = i.inConcentrateL === undefined ? null : correct(i.inConcentrateL, i.inWaterL!, i.parts, i.tankLitres);
    return {
      ...mix,
      percent: 100 / (i.parts + 1),
      add: fix?.add ?? 'nothing',
      addL: fix && fix.add !== 'nothing' ? fix.litres : null,
      pourOutL: fix && fix.pourOutL > 0 ? fix.pourOutL : null,
    };
  },
  says: (r) =>
    r.addL === null
      ? `${(1000 * r.concentrateL).toFixed(0)} ml of concentrate, ${r.waterL.toFixed(2)} l of water first.`
      : (r.pourOutL === null ? '' : `Pour ${r.pourOutL.toFixed(2)} l out first. `) +
        `Add ${(1000 * r.addL).toFixed(0)} ml of ${r.add}.`,
  formula: 'concentrate = V/(n + 1)',
  sources: ['Parts by volume'],
  checks: [
    {
      kind: 'practice',
      source: 'One part and seven parts fill eight',
      given: { tankLitres: 8, parts: 7 },
      finds: { concentrateL: [1, 1e-9], waterL: [7, 1e-9], percent: [12.5, 1e-9] },
    },
    {
      kind: 'practice',
      source: 'Mixed 1 to 9 and wanted 1 to 4: another 1.25 l to 9 l of water',
      given: { tankLitres: 12, parts: 4, inConcentrateL: 1, inWaterL: 9 },
      finds: { add: 'concentrate', addL: [1.25, 1e-9], says: 'Add 1250 ml' },
    },
    {
      kind: 'by hand',
      source: 'A full tank of 4 l at 1 to 3 for 1 to 7: half of it out, as much water in',
      given: { tankLitres: 4, parts: 7, inConcentrateL: 1, inWaterL: 3 },
      finds: { add: 'water', addL: [2, 1e-9], pourOutL: [2, 1e-9] },
    },
  ],
});
