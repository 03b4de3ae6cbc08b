import {
  BEARS_MPA,
  chooseSuspension,
  flexesBelowMm,
  SUSPENSION_STOCK_MM,
  suspensionStressMpa,
} from '../../pendulum/index.ts';
import { maybe, mm, number, out } from '../fields.ts';
import { working } from '../working.ts';
import { z } from 'zod';
import { pendulum } from '../suited.ts';

const THICKEST = SUSPENSION_STOCK_MM.at(-1)!;

export default working({
  id: 'suspension-spring',
  title: 'Suspension spring for a bob',
  subject: 'Pendulum',
  stages: ['assess', 'fit'],
  suits: pendulum,
  version: 1,
  asks: 'Which suspension spring carries this bob?',
  alias: 'thickness strip feather chops',
  inputs: z.object({
    bobKg: number('Pendulum weighs', 'kg', 0.005, 50, { digits: 2 }),
    widthMm: mm('Width of all its strips together', 0.5, 60),
    semiArcDeg: number('Swings to one side', '°', 0.2, 12, { digits: 1 }),
    freeMm: mm('Free between the chops', 1, 100, { digits: 1 }),
    thicknessMm: mm('Thickness there', 0.02, 0.6, { digits: 3, hint: 'May stay empty' }).optional(),
  }),
  example: { bobKg: 5, widthMm: 12.7, semiArcDeg: 2.5, freeMm: 12, thicknessMm: 0.15 },
  result: z.object({
    chosenMm: maybe('Thinnest that bears it', 'mm', 2),
    stressMpa: out('Stress at the chops', 'MPa', 0),
    flexesBelowMm: out('Bends below the chops by', 'mm', 2),
    bendsFree: z.boolean().meta({ title: 'Long enough to bend free' }),
  }),
  compute(i) {
    const chosenMm = chooseSuspension(i.bobKg, i.widthMm, i.semiArcDeg);
    const strip = { bobKg: i.bobKg, widthMm: i.widthMm, thicknessMm: i.thicknessMm ?? chosenMm ?? THICKEST };
    const below = flexesBelowMm(strip);
    return {
      chosenMm,
      stressMpa: suspensionStressMpa(strip, i.semiArcDeg),
      flexesBelowMm: below,
      bendsFree: i.freeMm >= 3 * below,
    };
  },
  says(r, i) {
    const chosen = r.chosenMm === null ? 'no strip of this width bears it: wider, or two' : `take ${r.chosenMm} mm`;
    const there = i.thicknessMm ?? r.chosenMm;
    if (r.stressMpa > BEARS_MPA)
      return `${there ?? THICKEST} mm cracks in time at ${r.stressMpa.toFixed(0)} MPa: ${chosen}.`;
    const [below, wants] = [r.flexesBelowMm.toFixed(1), (3 * r.flexesBelowMm).toFixed(0)];
    return r.bendsFree
      ? `${there} mm bears it, and bends ${below} mm below the chops: the length counts from there.`
      : `${there} mm is too stiff for ${i.freeMm} mm between the chops: it wants ${wants}.`;
  },
  formula: 'flexes at √(E w t³/12 W); stress = W/(w t) + E t θ/(2 · that)',
  sources: ['Bending of a strip under pull, any text on elasticity', 'Limit of stress from memory'],
  checks: [
    {
      kind: 'practice',
      source: 'A longcase bob of 5 kg hangs on half an inch of 0.15 to 0.2 mm',
      given: { bobKg: 5, widthMm: 12.7, semiArcDeg: 2.5, freeMm: 12, thicknessMm: 0.15 },
      finds: { bendsFree: true, says: '0.15 mm bears it' },
    },
    {
      kind: 'practice',
      source: 'On the strip of a small French bob, 0.05 by 3 mm, the longcase bob would not hang long',
      given: { bobKg: 5, widthMm: 3, semiArcDeg: 2.5, freeMm: 8, thicknessMm: 0.05 },
      finds: { says: 'cracks in time' },
    },
    {
      kind: 'by hand',
      source: '1 kg on 10 × 0.1 mm of 206 GPa: √(206000 · 10/12000/9.80665)',
      given: { bobKg: 1, widthMm: 10, semiArcDeg: 2, freeMm: 15, thicknessMm: 0.1 },
      finds: { flexesBelowMm: [4.184, 0.002] },
    },
  ],
});
