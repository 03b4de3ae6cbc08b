import { seriesLoop, TOUCH_V, wireOhms } from '../../electric/index.ts';
import { number, out, rows, text, whole } from '../fields.ts';
import { working } from '../working.ts';
import { z } from 'zod';
import { electric } from '../suited.ts';
import { caution } from './shared.ts';

export default working({
  id: 'series-loop',
  title: 'Voltage of a series loop',
  subject: 'Electric',
  stages: ['assess', 'run'],
  suits: electric,
  version: 1,
  caution,
  asks: 'What voltage sends the right current through all the dials?',
  alias: 'slave dials series resistance line',
  inputs: z.object({
    milliamps: number('Current that the dials want', 'mA', 1, 5000, { digits: 0 }),
    dials: rows(
      'One after another',
      { name: text('What', 40), ohms: number('Each', 'Ω', 0, 100000), count: whole('How many', 1, 200) },
      1,
      40,
    ),
    wireM: number('Wire, there and back', 'm', 0, 20000, { digits: 0 }),
    wireMm2: number('Its section', 'mm²', 0.05, 10),
    supplyV: number('The supply gives', 'V', 0.5, 400, { digits: 1, hint: 'May stay empty' }).optional(),
  }),
  example: {
    milliamps: 220,
    dials: [
      { name: 'dial', ohms: 5, count: 8 },
      { name: 'master’s magnet', ohms: 6, count: 1 },
    ],
    wireM: 200,
    wireMm2: 1,
    supplyV: 12,
  },
  result: z.object({
    ohms: out('Whole loop', 'Ω', 1),
    volts: out('Voltage wanted', 'V', 1),
    watts: out('Heat while it is closed', 'W', 2),
    wireOhms: out('Of it the wire', 'Ω', 2),
    milliamps: out('With this supply', 'mA', 0),
  }),
  compute(i) {
    const wire = wireOhms(i.wireM, i.wireMm2);
    const loop = seriesLoop(i.dials, wire, i.milliamps);
    const milliamps = i.supplyV === undefined || loop.ohms === 0 ? i.milliamps : (1000 * i.supplyV) / loop.ohms;
    return { ...loop, wireOhms: wire, milliamps };
  },
  says(r, i) {
    const wanted = `${r.volts.toFixed(1)} V for ${i.milliamps} mA through all of it`;
    if (r.volts > TOUCH_V)
      return `${wanted}: more than bare hands may meet. Split the loop, or have it done by licensed people.`;
    const share = r.milliamps / i.milliamps;
    if (share < 0.9) return `${wanted}; this supply sends only ${r.milliamps.toFixed(0)} mA: dials will miss steps.`;
    const spare = (1000 * (i.supplyV ?? r.volts)) / i.milliamps - r.ohms;
    if (share > 1.2)
      return `${wanted}; this supply sends ${r.milliamps.toFixed(0)} mA: put ${spare.toFixed(0)} Ω in the loop.`;
    return `${wanted}. One dial that is taken out opens the whole loop: bridge it first.`;
  },
  formula: 'V = I (Σ R + ρ ℓ/A)',
  sources: ['Ohm’s law', 'IEC 60028: copper 1/58 Ω mm²/m', 'IEC 61140: 60 V of direct voltage'],
  checks: [
    {
      kind: 'published',
      source: 'IEC 60028: 200 m of 1 mm² copper are 3.45 Ω',
      given: { milliamps: 220, dials: [{ name: 'a', ohms: 5, count: 8 }], wireM: 200, wireMm2: 1 },
      finds: { wireOhms: [3.448, 0.001], ohms: [43.448, 0.001], volts: [9.559, 0.001] },
    },
    {
      kind: 'published',
      source: 'Ohm’s law: 1.5 V through 10 Ω, 150 mA',
      given: { milliamps: 150, dials: [{ name: 'a', ohms: 10, count: 1 }], wireM: 0, wireMm2: 1, supplyV: 1.5 },
      finds: { volts: [1.5, 1e-9], milliamps: [150, 1e-9] },
    },
    {
      kind: 'practice',
      source: 'Sixty dials in one loop are no work for a low voltage',
      given: { milliamps: 300, dials: [{ name: 'a', ohms: 6, count: 60 }], wireM: 600, wireMm2: 0.75 },
      finds: { says: 'Split the loop' },
    },
  ],
});
