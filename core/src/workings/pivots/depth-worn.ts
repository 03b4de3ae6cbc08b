import { judgeDepth, runningDistanceMm } from '../../pivots/index.ts';
import { centreDistanceMm } from '../../train/index.ts';
import { mm, number, out, whole, words } from '../fields.ts';
import { working } from '../working.ts';
import { z } from 'zod';

const wear = (whose: string) => mm(`${whose}: longer than wide by`, 0, 3, { hint: 'Long way less short way' });
const away = (whose: string) =>
  number(`${whose}: worn towards`, '°', -180, 180, {
    digits: 0,
    hint: '0 straight away from the other arbor, 90 sideways',
  });

export default working({
  id: 'depth-worn',
  title: 'Depth in worn holes',
  subject: 'Pivots and bushes',
  stages: ['survey', 'fit'],
  version: 1,
  asks: 'How deep do wheel and pinion run in their worn holes?',
  alias: 'depthing oval wear centre distance',
  inputs: z.object({
    wheel: whole('Wheel', 6, 400),
    pinion: whole('Pinion', 4, 60),
    moduleMm: mm('Module', 0.05, 3, { digits: 3 }),
    wheelWornMm: wear('Wheel’s hole'),
    wheelAwayDeg: away('Wheel’s hole'),
    pinionWornMm: wear('Pinion’s hole'),
    pinionAwayDeg: away('Pinion’s hole'),
  }),
  example: {
    wheel: 60,
    pinion: 8,
    moduleMm: 0.5,
    wheelWornMm: 0.15,
    wheelAwayDeg: 40,
    pinionWornMm: 0.25,
    pinionAwayDeg: 30,
  },
  result: z.object({
    rightMm: out('Right distance', 'mm', 3),
    runsMm: out('Runs at', 'mm', 3),
    offMm: out('Off by', 'mm', 3),
    depth: words('Depth'),
    first: words('Bush first'),
  }),
  compute(i) {
    const rightMm = centreDistanceMm(i.moduleMm, i.wheel, i.pinion);
    const of = (wheelWornMm: number, pinionWornMm: number) =>
      runningDistanceMm(
        rightMm,
        { wornMm: wheelWornMm, awayDeg: i.wheelAwayDeg },
        { wornMm: pinionWornMm, awayDeg: i.pinionAwayDeg },
      );
    const runsMm = of(i.wheelWornMm, i.pinionWornMm);
    const left = (mm: number) => Math.abs(mm - rightMm);
    const first = left(of(0, i.pinionWornMm)) < left(of(i.wheelWornMm, 0)) ? 'the wheel’s hole' : 'the pinion’s hole';
    return { rightMm, runsMm, ...judgeDepth(runsMm, rightMm, i.moduleMm), first };
  },
  says: (r) =>
    r.depth === 'right'
      ? 'Wear has not moved the depth: what it costs is in the holes themselves.'
      : `${r.depth === 'too deep' ? 'Too deep' : 'Too shallow'} by ${Math.abs(r.offMm).toFixed(2)} mm as it runs. ` +
        `Most of it comes from ${r.first}.`,
  formula: '√((m(N + n)/2 + Σ w cos a)² + (Σ w sin a)²)',
  sources: ['Pythagoras; the arbor lies at the far end of its worn hole', 'A twentieth of the module: house rule'],
  checks: [
    {
      kind: 'by hand',
      source: 'Both straight away: it adds up, 17 + 0.1 + 0.2',
      given: {
        wheel: 60,
        pinion: 8,
        moduleMm: 0.5,
        wheelWornMm: 0.1,
        wheelAwayDeg: 0,
        pinionWornMm: 0.2,
        pinionAwayDeg: 0,
      },
      finds: { runsMm: [17.3, 1e-9], depth: 'too shallow', first: 'the pinion’s hole' },
    },
    {
      kind: 'by hand',
      source: 'Wear square to the line of centres hardly moves the depth: √(17² + 0.3²) = 17.0026',
      given: {
        wheel: 60,
        pinion: 8,
        moduleMm: 0.5,
        wheelWornMm: 0.3,
        wheelAwayDeg: 90,
        pinionWornMm: 0,
        pinionAwayDeg: 0,
      },
      finds: { runsMm: [17.0026, 0.0001], depth: 'right' },
    },
    {
      kind: 'practice',
      source: 'A hole worn towards the other arbor makes it run too deep',
      given: {
        wheel: 60,
        pinion: 8,
        moduleMm: 0.5,
        wheelWornMm: 0.2,
        wheelAwayDeg: 180,
        pinionWornMm: 0,
        pinionAwayDeg: 0,
      },
      finds: { depth: 'too deep', first: 'the wheel’s hole' },
    },
  ],
});
