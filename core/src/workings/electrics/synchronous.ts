import { rateOnOtherMains, synchronousRpm } from '../../electric/index.ts';
import { maybe, number, out, whole } from '../fields.ts';
import { working } from '../working.ts';
import { z } from 'zod';
import { caution } from './shared.ts';

export default working({
  id: 'synchronous',
  title: 'Synchronous speed',
  subject: 'Electric',
  stages: ['assess', 'diagnose', 'run'],
  suits: (t) => t.oscillator === 'mains frequency',
  version: 1,
  caution,
  asks: 'How fast does this motor turn, and what if the mains are others?',
  alias: 'mains frequency 50 60 Hz poles rotor',
  inputs: z.object({
    hertz: number('Mains', 'Hz', 1, 1000, { digits: 0 }),
    poles: whole('Poles', 2, 120),
    madeForHertz: number('Made for', 'Hz', 1, 1000, { digits: 0 }),
    outputRpm: number('Output speed on those mains', 'rpm', 0.001, 10000, { digits: 3 }).optional(),
  }),
  example: { hertz: 50, poles: 16, madeForHertz: 60, outputRpm: 3.6 },
  result: z.object({
    rotorRpm: out('Rotor', 'rpm', 1),
    outputRpm: maybe('Output', 'rpm', 3),
    rateSecondsPerDay: out('Rate', 's/day', 0),
  }),
  compute: (i) => ({
    rotorRpm: synchronousRpm(i.hertz, i.poles),
    outputRpm: i.outputRpm === undefined ? null : (i.outputRpm * i.hertz) / i.madeForHertz,
    rateSecondsPerDay: rateOnOtherMains(i.madeForHertz, i.hertz),
  }),
  says: (r, i) =>
    i.hertz === i.madeForHertz
      ? `The rotor turns ${r.rotorRpm.toFixed(0)} times a minute: right for these mains.`
      : 'On these mains it ' +
        (r.rateSecondsPerDay < 0 ? 'loses' : 'gains') +
        ` ${(Math.abs(r.rateSecondsPerDay) / 3600).toFixed(1)} hours a day: another output wheel or a ` +
        'converter.',
  formula: '120 f/poles',
  sources: ['Any text on electrical machines'],
  checks: [
    {
      kind: 'published',
      source: 'Any text on electrical machines: 2 poles, 60 Hz',
      given: { hertz: 60, poles: 2, madeForHertz: 60 },
      finds: { rotorRpm: [3600, 1e-9] },
    },
    {
      kind: 'by hand',
      source: '5/6: an output of 3.6 turns at 3.0, four hours a day slow',
      given: { hertz: 50, poles: 2, madeForHertz: 60, outputRpm: 3.6 },
      finds: { outputRpm: [3, 1e-9], rateSecondsPerDay: [-14400, 1e-6] },
    },
  ],
});
