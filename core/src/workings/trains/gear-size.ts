import {
  centreDistanceMm,
  moduleOfCentres,
  moduleOfPinion,
  moduleOfWheel,
  pinionDiameterMm,
  wheelDiameterMm,
} from '../../train/index.ts';
import { choice, mm, out } from '../fields.ts';
import { working } from '../working.ts';
import { z } from 'zod';
import { mesh, BS } from './shared.ts';

function moduleFrom(
  measured: 'wheel across' | 'pinion across' | 'distance of arbors' | 'module',
  sizeMm: number,
  wheel: number,
  pinion: number,
) {
  if (measured === 'wheel across') return moduleOfWheel(sizeMm, wheel);
  if (measured === 'pinion across') return moduleOfPinion(sizeMm, pinion);
  if (measured === 'distance of arbors') return moduleOfCentres(sizeMm, wheel, pinion);
  return sizeMm;
}

export default working({
  id: 'gear-size',
  title: 'Module and sizes of a mesh',
  subject: 'Trains',
  stages: ['survey', 'fit'],
  version: 1,
  asks: 'How large are wheel and pinion, and how far apart?',
  alias: 'depthing module diameter centre distance',
  inputs: z.object({
    wheel: mesh.wheel,
    pinion: mesh.pinion,
    measured: choice('What was measured', ['wheel across', 'pinion across', 'distance of arbors', 'module']),
    sizeMm: mm('Its size', 0.05, 300, { digits: 3 }),
  }),
  example: { wheel: 60, pinion: 8, measured: 'wheel across', sizeMm: 31.38 },
  result: z.object({
    moduleMm: out('Module', 'mm', 3),
    wheelMm: out('Wheel across', 'mm', 2),
    pinionMm: out('Pinion across', 'mm', 2),
    centresMm: out('Distance of arbors', 'mm', 2),
  }),
  compute({ wheel, pinion, measured, sizeMm }) {
    const m = moduleFrom(measured, sizeMm, wheel, pinion);
    return {
      moduleMm: m,
      wheelMm: wheelDiameterMm(m, wheel),
      pinionMm: pinionDiameterMm(m, pinion),
      centresMm: centreDistanceMm(m, wheel, pinion),
    };
  },
  says: (r) =>
    `Module ${r.moduleMm.toFixed(3)}: wheel ${r.wheelMm.toFixed(2)} mm, pinion ` +
    `${r.pinionMm.toFixed(2)} mm, arbors ${r.centresMm.toFixed(2)} mm apart. Makers rounded: measure ` +
    'a second part before cutting.',
  formula: 'm = D/(N + 2.76) = d/(n + 1.71 or 1.61) = 2C/(N + n)',
  sources: [BS],
  checks: [
    {
      kind: 'memory',
      source: BS,
      given: { wheel: 60, pinion: 8, measured: 'module', sizeMm: 0.5 },
      finds: { wheelMm: [31.38, 1e-9], pinionMm: [4.855, 1e-9] },
    },
    {
      kind: 'published',
      source: 'Pitch circles touch: centre distance is half the sum of the pitch diameters, any text on gears',
      given: { wheel: 72, pinion: 12, measured: 'module', sizeMm: 1 },
      finds: { centresMm: [42, 1e-9], pinionMm: [13.61, 1e-9] },
    },
  ],
});
