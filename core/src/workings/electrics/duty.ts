import { coilAt, duty, judgeWindings } from '../../electric/index.ts';
import { number, out, words } from '../fields.ts';
import { working } from '../working.ts';
import { z } from 'zod';
import { electric } from '../suited.ts';
import { caution, volts, ohms } from './shared.ts';

export default working({
  id: 'duty',
  title: 'Contact time and windings',
  subject: 'Electric',
  stages: ['run'],
  suits: electric,
  version: 1,
  caution,
  asks: 'How long is the contact closed, and does it wind as often as it should?',
  alias: 'dwell duty windings a minute',
  inputs: z.object({
    dwellS: number('Closed for', 's', 0.001, 600, { digits: 3 }),
    periodS: number('From one closing to the next', 's', 0.01, 3600),
    volts,
    ohms,
    expected: number('Windings a minute that belong there', '', 0.01, 120).optional(),
  }),
  example: { dwellS: 0.4, periodS: 30, volts: 5, ohms: 220, expected: 2 },
  result: z.object({
    dutyPercent: out('Closed', '%', 2),
    perMinute: out('Windings a minute', '', 2),
    meanMw: out('Mean power', 'mW', 1),
    verdict: words('Windings'),
  }),
  compute(i) {
    const share = duty(i.dwellS, i.periodS);
    const perMinute = 60 / i.periodS;
    return {
      dutyPercent: 100 * share,
      perMinute,
      meanMw: 1000 * share * coilAt(i.volts, i.ohms).watts,
      verdict: i.expected === undefined ? 'not compared' : judgeWindings(i.expected, perMinute),
    };
  },
  says: (r) =>
    ({
      right: 'As often as it should.',
      'too often': 'Too often: it unwinds too far each time, or the contact makes twice. Watch one winding.',
      'too seldom': 'Too seldom: the contact misses, or the pull is too weak.',
      'not compared': `Closed ${r.dutyPercent.toFixed(1)} % of the time.`,
    })[r.verdict as 'right'],
  formula: 'duty = dwell/period',
  sources: ['Practice'],
  checks: [
    {
      kind: 'by hand',
      source: 'By hand: 1 s in 60 s is 1.667 %',
      given: { dwellS: 1, periodS: 60, volts: 10, ohms: 100 },
      finds: { dutyPercent: [1.6667, 0.0001], meanMw: [16.667, 0.001] },
    },
    {
      kind: 'practice',
      source: 'Three windings a minute where one belongs is too often',
      given: { dwellS: 1, periodS: 20, volts: 10, ohms: 100, expected: 1 },
      finds: { verdict: 'too often' },
    },
  ],
});
