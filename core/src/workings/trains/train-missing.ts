import { ratioForBeats, ratioOf, searchMeshes, MOST_TEETH } from '../../train/index.ts';
import { ensure } from '../../units/index.ts';
import { beats, choice, maybe, mm, number, out, rows, table, whole } from '../fields.ts';
import { working } from '../working.ts';
import { z } from 'zod';
import { mesh, TEXT, BS } from './shared.ts';

export default working({
  id: 'train-missing',
  title: 'A missing wheel or pinion',
  subject: 'Trains',
  stages: ['survey', 'fit'],
  version: 1,
  heavy: true,
  asks: 'Which counts could the lost wheel and pinion have had?',
  alias: 'search lost teeth leaves',
  inputs: z.object({
    beats: beats('Beats an hour wanted'),
    escapeTeeth: whole('Teeth of the escape wheel', 3, 200),
    known: rows('Meshes that are there', mesh, 0, 5),
    unknown: choice('Meshes that are not known', ['1', '2']),
    tolerancePercent: number('Departure allowed', '%', 0, 5, { digits: 2, hint: '0 for exact counts' }),
    wheelsFrom: whole('Wheels from', 12, MOST_TEETH),
    wheelsTo: whole('Wheels to', 12, MOST_TEETH),
    pinionsFrom: whole('Pinions from', 4, 40),
    pinionsTo: whole('Pinions to', 4, 40),
    wheel: whole('Wheel, if it is there', 6, MOST_TEETH).optional(),
    pinion: whole('Pinion, if it is there', 4, 60).optional(),
    wheelMm: mm('Wheel across, if it can be measured', 2, 300).optional(),
    pinionMm: mm('Pinion across', 0.5, 60).optional(),
    centresMm: mm('Distance of the two arbors', 1, 200).optional(),
  }),
  example: {
    beats: 3600,
    escapeTeeth: 30,
    known: [{ wheel: 64, pinion: 8 }],
    unknown: '1',
    tolerancePercent: 0,
    wheelsFrom: 24,
    wheelsTo: 120,
    pinionsFrom: 6,
    pinionsTo: 16,
  },
  result: z.object({
    ratio: out('The missing part must multiply by', '', 5),
    total: out('Sets of counts that do it', '', 0),
    found: table('Counts, most usual first', {
      wheel: out('Wheel', '', 0),
      pinion: out('Pinion', '', 0),
      wheel2: maybe('2nd wheel', '', 0),
      pinion2: maybe('2nd pinion', '', 0),
      offSecondsPerDay: out('Rate', 's/day', 1),
      misfitPercent: maybe('Sizes disagree', '%', 1),
    }),
  }),
  compute(i) {
    const ratio = ratioForBeats(i.beats, i.escapeTeeth) / ratioOf(i.known);
    ensure(i.wheelsTo >= i.wheelsFrom, 'wheelsTo', 'Not fewer than it starts from.');
    ensure(i.pinionsTo >= i.pinionsFrom, 'pinionsTo', 'Not fewer than it starts from.');
    const { found, total } = searchMeshes({
      ratio,
      tolerance: i.tolerancePercent / 100,
      unknown: i.unknown === '1' ? 1 : 2,
      wheels: [i.wheelsFrom, i.wheelsTo],
      pinions: [i.pinionsFrom, i.pinionsTo],
      wheel: i.wheel,
      pinion: i.pinion,
      wheelMm: i.wheelMm,
      pinionMm: i.pinionMm,
      centresMm: i.centresMm,
    });
    return {
      ratio,
      total,
      found: found.map((f) => ({
        wheel: f.meshes[0]!.wheel,
        pinion: f.meshes[0]!.pinion,
        wheel2: f.meshes[1]?.wheel ?? null,
        pinion2: f.meshes[1]?.pinion ?? null,
        offSecondsPerDay: -86400 * (f.off / (1 + f.off)),
        misfitPercent: f.misfit === null ? null : 100 * f.misfit,
      })),
    };
  },
  says(r) {
    const best = r.found[0];
    if (!best) return 'No counts within these limits do it. Allow a departure, or more teeth.';
    const more =
      r.total > 1 ? ` ${r.total - 1} other ${r.total === 2 ? 'set does' : 'sets do'} it too: check the diameters.` : '';
    return (
      `Most usual: ${best.wheel}/${best.pinion}` +
      (best.wheel2 === null ? '' : ` and ${best.wheel2}/${best.pinion2}`) +
      `.${more}`
    );
  },
  formula: 'Π missing = beats/(2 · E · Π known); sizes: module = D/(N + 2.76) = d/(n + 1.71) = 2C/(N + n)',
  sources: [TEXT, BS],
  checks: [
    {
      kind: 'practice',
      source: 'Seconds longcase: beside 64/8 and E 30 stands 60/8',
      given: {
        beats: 3600,
        escapeTeeth: 30,
        known: [{ wheel: 64, pinion: 8 }],
        unknown: '1',
        tolerancePercent: 0,
        wheelsFrom: 24,
        wheelsTo: 120,
        pinionsFrom: 6,
        pinionsTo: 16,
      },
      finds: { ratio: [7.5, 1e-9], 'found.0.wheel': [60, 0], 'found.0.pinion': [8, 0] },
    },
    {
      kind: 'practice',
      source: 'The same train with both upper meshes lost: 64/8 and 60/8',
      given: {
        beats: 3600,
        escapeTeeth: 30,
        known: [],
        unknown: '2',
        tolerancePercent: 0,
        wheelsFrom: 24,
        wheelsTo: 120,
        pinionsFrom: 8,
        pinionsTo: 8,
      },
      finds: { 'found.0.wheel': [64, 0], 'found.0.wheel2': [60, 0] },
    },
  ],
});
