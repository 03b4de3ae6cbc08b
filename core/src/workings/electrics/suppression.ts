import { PEAK_V, resistorForPeak, suppressed, usualPeakV } from '../../electric/index.ts';
import { maybe, number, out } from '../fields.ts';
import { working } from '../working.ts';
import { z } from 'zod';
import { electric } from '../suited.ts';
import { caution, volts, ohms } from './shared.ts';

export default working({
  id: 'suppression',
  title: 'Resistor across a coil',
  subject: 'Electric',
  stages: ['fit'],
  suits: electric,
  version: 2,
  caution,
  asks: 'Which resistor keeps the contact from sparking?',
  alias: 'spark arc peak suppressor',
  inputs: z.object({
    volts,
    ohms,
    contactPeakV: number('Peak across the contact, at most', 'V', 1, 1000, { digits: 0 }).optional(),
    resistorOhms: number('Resistor that is there', 'Ω', 1, 1e6, { digits: 0 }).optional(),
    henries: number('Inductance, if measured', 'H', 0.001, 100).optional(),
  }),
  example: { volts: 10, ohms: 220, contactPeakV: 60 },
  result: z.object({
    resistorOhms: out('Resistor', 'Ω', 0),
    coilPeakV: out('Peak across the coil', 'V', 0),
    contactPeakV: out('Peak across the contact', 'V', 0),
    steadyLossW: out('Lost while closed', 'W', 3),
    decayMs: maybe('Decay', 'ms', 1),
  }),
  compute(i) {
    const r =
      i.contactPeakV === undefined && i.resistorOhms !== undefined
        ? i.resistorOhms
        : resistorForPeak(i.volts, i.ohms, i.contactPeakV ?? usualPeakV(i.volts));
    return { resistorOhms: r, ...suppressed(i.volts, i.ohms, r, i.henries) };
  },
  says: (r) =>
    `${r.resistorOhms} Ω across the coil: ${r.contactPeakV.toFixed(0)} V at the contact. Take one ` +
    `for at least ${(2 * r.steadyLossW).toFixed(2)} W.` +
    (r.contactPeakV > PEAK_V + 0.5 ? ` More than ${PEAK_V} V can be felt, and wears the contact.` : ''),
  formula: 'coil peak I·R_s; contact V + I·R_s; loss V²/R_s; decay L/(R + R_s)',
  sources: ['Decay of current in an inductive circuit, any text on circuits', 'IEC 60063, series E12'],
  checks: [
    {
      kind: 'by hand',
      source: 'I·R_s by hand: 10 V, 220 Ω, 2.2 kΩ: 100 V and 110 V',
      given: { volts: 10, ohms: 220, resistorOhms: 2200 },
      finds: { coilPeakV: [100, 1e-9], contactPeakV: [110, 1e-9] },
    },
    {
      kind: 'published',
      source: 'IEC 60063: the largest E12 value that keeps 110 V is 2.2 kΩ',
      given: { volts: 10, ohms: 220, contactPeakV: 110 },
      finds: { resistorOhms: [2200, 0], says: 'More than 60 V' },
    },
    {
      kind: 'memory',
      source: 'Nothing said: what may be touched, 60 V of direct current, is kept; E12 below 1100 Ω is 1 kΩ',
      given: { volts: 10, ohms: 220 },
      finds: { resistorOhms: [1000, 0], contactPeakV: [55.45, 0.01] },
    },
  ],
});
