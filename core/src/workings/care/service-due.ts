import { familyById } from '../../movement/index.ts';
import { serviceInterval } from '../../oiling/index.ts';
import { ensure } from '../../units/index.ts';
import { day, out, words } from '../fields.ts';
import { working } from '../working.ts';
import { yearsAfter } from '../../days/index.ts';
import { z } from 'zod';
import { family, HOUSE } from './shared.ts';

export default working({
  id: 'service-due',
  title: 'When service is due',
  subject: 'Cleaning and oil',
  stages: ['sign'],
  version: 1,
  asks: 'When does it need oil, and when an overhaul?',
  alias: 'interval next',
  inputs: z.object({ family, done: day('Last overhaul'), oiled: day('Last oiled, if later').optional() }),
  example: { family: 'longcase', done: '2026-11-23' },
  result: z.object({
    oilOn: words('Look and oil'),
    overhaulOn: words('Overhaul'),
    oilYears: out('Look and oil every', 'years', 0),
    overhaulYears: out('Overhaul every', 'years', 0),
  }),
  compute(i) {
    const oiled = i.oiled ?? i.done;
    ensure(oiled >= i.done, 'oiled', 'Not before the overhaul.');
    const rule = serviceInterval(familyById(i.family).traits);
    const overhaul = yearsAfter(i.done, rule.overhaulYears),
      oil = yearsAfter(oiled, rule.oilYears);
    return { oilOn: oil < overhaul ? oil : overhaul, overhaulOn: overhaul, ...rule };
  },
  says: (r) => `Look and oil by ${r.oilOn}, overhaul by ${r.overhaulOn}; sooner in dust, smoke or damp.`,
  formula: 'last day + house interval',
  sources: [HOUSE],
  checks: [
    {
      kind: 'practice',
      source: 'Oil after 3 years, overhaul after 8',
      given: { family: 'longcase', done: '2024-02-29' },
      finds: { oilOn: '2027-02-28', overhaulOn: '2032-02-29' },
    },
    {
      kind: 'practice',
      source: 'Torsion clocks: 8 years; synchronous: 5',
      given: { family: 'torsion', done: '2026-01-10' },
      finds: { oilOn: '2034-01-10', overhaulYears: [8, 0] },
    },
  ],
});
