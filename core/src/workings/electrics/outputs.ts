import { loadOf } from '../../electric/index.ts';
import { number, out, rows, text, whole } from '../fields.ts';
import { working } from '../working.ts';
import { z } from 'zod';
import { electric } from '../suited.ts';
import { caution } from './shared.ts';

export default working({
  id: 'outputs',
  title: 'Joined outputs',
  subject: 'Electric',
  stages: ['assess', 'run'],
  suits: electric,
  version: 1,
  caution,
  asks: 'How much do the joined dials and bells draw together?',
  alias: 'sum current load supply',
  inputs: z.object({
    mayMilliamps: number('The supply may give', 'mA', 1, 20000, { digits: 0 }),
    outputs: rows(
      'Joined side by side',
      {
        name: text('What', 40),
        milliamps: number('Each', 'mA', 0, 20000, { digits: 0 }),
        count: whole('How many', 1, 200),
      },
      1,
      40,
    ),
  }),
  example: {
    mayMilliamps: 500,
    outputs: [
      { name: 'slave dial', milliamps: 90, count: 4 },
      { name: 'bell', milliamps: 120, count: 1 },
    ],
  },
  result: z.object({ milliamps: out('Together', 'mA', 0), sharePercent: out('Of what it may give', '%', 0) }),
  compute(i) {
    const { milliamps, share } = loadOf(i.outputs, i.mayMilliamps);
    return { milliamps, sharePercent: 100 * share };
  },
  says: (r) => {
    if (r.sharePercent > 100)
      return `${r.milliamps.toFixed(0)} mA: more than the supply may give. Never join them all at once.`;
    return r.sharePercent > 80
      ? `${r.milliamps.toFixed(0)} mA: within the limit, but close.`
      : `${r.milliamps.toFixed(0)} mA: well within the limit. In series, one current serves all: count ` +
          'the volts instead.';
  },
  formula: 'Σ current · count',
  sources: ['Kirchhoff’s first law, any text on circuits'],
  checks: [
    {
      kind: 'published',
      source: 'Kirchhoff’s first law: currents add',
      given: {
        mayMilliamps: 500,
        outputs: [
          { name: 'a', milliamps: 90, count: 4 },
          { name: 'b', milliamps: 120, count: 1 },
        ],
      },
      finds: { milliamps: [480, 0], sharePercent: [96, 1e-9] },
    },
    {
      kind: 'practice',
      source: 'Six dials of 100 mA are too many for half an ampere',
      given: { mayMilliamps: 500, outputs: [{ name: 'a', milliamps: 100, count: 6 }] },
      finds: { says: 'Never join them all' },
    },
  ],
});
