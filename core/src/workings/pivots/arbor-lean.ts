import { clearanceFromLean, clearanceFromPlay, leanBetweenPlatesDeg, leanDeg } from '../../pivots/index.ts';
import { given } from '../../units/index.ts';
import { choice, mm, number, out } from '../fields.ts';
import { working } from '../working.ts';
import { z } from 'zod';

function clearanceOf(i: {
  how: 'clearance' | 'lean in one plate' | 'sideways play';
  plateMm: number;
  gapMm: number;
  clearanceMm?: number | undefined;
  leanDeg?: number | undefined;
  playMm?: number | undefined;
  measuredAtMm?: number | undefined;
  farMm?: number | undefined;
}) {
  if (i.how === 'clearance') return given(i.clearanceMm, 'clearanceMm');
  if (i.how === 'lean in one plate') return clearanceFromLean(given(i.leanDeg, 'leanDeg'), i.plateMm);
  return clearanceFromPlay(given(i.playMm, 'playMm'), given(i.measuredAtMm, 'measuredAtMm'), i.gapMm, i.farMm);
}

export default working({
  id: 'arbor-lean',
  title: 'Lean, play and clearance',
  subject: 'Pivots and bushes',
  stages: ['survey'],
  version: 2,
  asks: 'What clearance does this lean or this sideways play show?',
  alias: 'rock tilt one plate',
  inputs: z.object({
    how: choice('Known', ['clearance', 'lean in one plate', 'sideways play']),
    clearanceMm: mm('Clearance', 0, 3, { digits: 3, when: { how: ['clearance'] } }).optional(),
    leanDeg: number('Lean to each side', '°', 0, 30, { when: { how: ['lean in one plate'] } }).optional(),
    plateMm: mm('Plate less its sinks', 0.3, 10),
    playMm: mm('Sideways play', 0, 5, { digits: 3, when: { how: ['sideways play'] } }).optional(),
    measuredAtMm: mm('Measured at, from the far pivot', 1, 300, { when: { how: ['sideways play'] } }).optional(),
    farMm: mm('Clearance of the far pivot, if known', 0, 3, {
      digits: 3,
      when: { how: ['sideways play'] },
      hint: 'Left empty: worn as much as this one',
    }).optional(),
    gapMm: mm('Between the plates', 3, 300),
  }),
  example: { how: 'lean in one plate', leanDeg: 5, plateMm: 1.5, gapMm: 30 },
  result: z.object({
    clearanceMm: out('Clearance', 'mm', 3),
    leanDeg: out('Lean in one plate, each side', '°', 2),
    betweenDeg: out('Lean between plates', '°', 3),
  }),
  compute(i) {
    const clearanceMm = clearanceOf(i);
    return {
      clearanceMm,
      leanDeg: leanDeg(clearanceMm, i.plateMm),
      betweenDeg: leanBetweenPlatesDeg(clearanceMm, i.gapMm),
    };
  },
  says: (r) =>
    `Clearance ${r.clearanceMm.toFixed(3)} mm: ${r.leanDeg.toFixed(1)}° to each side in one plate, ` +
    `only ${r.betweenDeg.toFixed(2)}° between plates, where sideways play is what can be read.`,
  formula:
    'lean = atan(c/h), h = plate less its sinks; between plates atan(c/gap); ' +
    'play = c a/L + c′ (1 − a/L), both pivots give',
  sources: ['Trigonometry; the method is stored with the number'],
  checks: [
    {
      kind: 'by hand',
      source: 'tan 45° = 1',
      given: { how: 'clearance', clearanceMm: 1, plateMm: 1, gapMm: 30 },
      finds: { leanDeg: [45, 1e-9] },
    },
    {
      kind: 'published',
      source: 'Tables: tan 5° = 0.087489',
      given: { how: 'lean in one plate', leanDeg: 5, plateMm: 2, gapMm: 30 },
      finds: { clearanceMm: [0.174978, 1e-5] },
    },
    {
      kind: 'by hand',
      source: 'Read half way, a far pivot of 0.10 mm gives 0.05 of the play; the other 0.15 is half of 0.30',
      given: { how: 'sideways play', playMm: 0.2, measuredAtMm: 20, gapMm: 40, farMm: 0.1, plateMm: 2 },
      finds: { clearanceMm: [0.3, 1e-9] },
    },
    {
      kind: 'practice',
      source: 'Both pivots worn alike: the play is the clearance of each, wherever it is read',
      given: { how: 'sideways play', playMm: 0.2, measuredAtMm: 20, gapMm: 40, plateMm: 2 },
      finds: { clearanceMm: [0.2, 1e-9] },
    },
  ],
});
