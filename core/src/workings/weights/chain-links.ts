import { linksFor, pocketWheelMm } from '../../weight/index.ts';
import { maybe, mm, out, whole } from '../fields.ts';
import { working } from '../working.ts';
import { z } from 'zod';
import { weights } from '../suited.ts';
import { caution } from './shared.ts';

/** A chain that has grown longer by more climbs in its pockets. House rule, practice: three in a hundred. */
const GROWN = 0.03;

export default working({
  id: 'chain-links',
  title: 'A chain from its links',
  subject: 'Weights and fusee',
  stages: ['assess', 'fit'],
  suits: weights,
  version: 1,
  caution,
  asks: 'How many links, which pitch, and does it fit its wheel?',
  alias: 'endless sprocket pockets length joint',
  inputs: z.object({
    links: whole('Links measured', 2, 500, { hint: 'Twenty or more, pulled straight' }),
    acrossMm: mm('Inside of the first to inside of the last', 2, 5000, {
      hint: 'From the inside end of the first link to the far inside end of the last',
    }),
    wireMm: mm('Wire across', 0.3, 10),
    wantedMm: mm('Length wanted', 20, 20000, { digits: 0 }),
    pockets: whole('Pockets of its wheel', 3, 60).optional(),
    wheelMm: mm('Wheel across, at the middle of the links', 5, 200, { hint: 'May stay empty' }).optional(),
  }),
  example: { links: 20, acrossMm: 122, wireMm: 1.2, wantedMm: 5200, pockets: 12, wheelMm: 46.6 },
  result: z.object({
    pitchMm: out('Pitch', 'mm', 3),
    wanted: out('Links wanted', '', 0),
    lengthMm: out('Makes', 'mm', 0),
    wheelMm: maybe('Wheel that it fits, across', 'mm', 2),
    grownPercent: maybe('Too long for its wheel by', '%', 1),
  }),
  compute(i) {
    const pitchMm = i.acrossMm / i.links;
    const wanted = linksFor(i.wantedMm, pitchMm);
    const wheelMm =
      i.pockets === undefined ? null : pocketWheelMm(pitchMm, Math.min(i.wireMm, 0.9 * pitchMm), i.pockets);
    const grown = wheelMm === null || i.wheelMm === undefined ? null : wheelMm / i.wheelMm - 1;
    return {
      pitchMm,
      wanted,
      lengthMm: wanted * pitchMm,
      wheelMm,
      grownPercent: grown === null ? null : 100 * grown,
    };
  },
  says(r) {
    const length = `${r.wanted} links of ${r.pitchMm.toFixed(2)} mm`;
    if (r.grownPercent === null) return `${length}. Count them in pairs, and join it without a twist.`;
    if (Math.abs(r.grownPercent) <= 100 * GROWN) return `${length}; it fits its wheel. Join it without a twist.`;
    return r.grownPercent > 0
      ? `${length}, but it is too long for its wheel by ${r.grownPercent.toFixed(0)} %: stretched, or another chain.`
      : `${length}, but it is too short for its wheel by ${(-r.grownPercent).toFixed(0)} %: another chain.`;
  },
  formula: 'wheel = √((p/sin(90°/z))² + (d/cos(90°/z))²)',
  sources: ['Geometry of pocket wheels, handbooks of lifting gear'],
  checks: [
    {
      kind: 'by hand',
      source: 'Twenty links over 122 mm are 6.1 mm each; 5200 mm want 852',
      given: { links: 20, acrossMm: 122, wireMm: 1.2, wantedMm: 5200 },
      finds: { pitchMm: [6.1, 1e-9], wanted: [852, 0] },
    },
    {
      kind: 'by hand',
      source: 'Many pockets are a circle: 60 of 6 mm go round in 120 · 6 mm',
      given: { links: 20, acrossMm: 120, wireMm: 1, wantedMm: 5000, pockets: 60 },
      finds: { wheelMm: [229.2, 0.1] },
    },
    {
      kind: 'practice',
      source: 'A chain that has grown by a twentieth climbs in its pockets',
      given: { links: 20, acrossMm: 128.1, wireMm: 1.2, wantedMm: 5200, pockets: 12, wheelMm: 46.6 },
      finds: { says: 'stretched, or another chain' },
    },
  ],
});
