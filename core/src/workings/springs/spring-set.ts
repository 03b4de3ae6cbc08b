import { judgeFree } from '../../spring/index.ts';
import { mm, out, words } from '../fields.ts';
import { working } from '../working.ts';
import { z } from 'zod';
import { springs } from '../suited.ts';
import { caution } from './shared.ts';

export default working({
  id: 'spring-set',
  title: 'Is the spring set',
  subject: 'Mainspring',
  stages: ['survey'],
  suits: springs,
  version: 1,
  caution,
  asks: 'Has this spring lost its life?',
  alias: 'tired free diameter',
  inputs: z.object({
    freeMm: mm('Widest coil, lying free', 10, 1000, { digits: 0 }),
    barrelMm: mm('Inside of the barrel', 5, 200),
  }),
  example: { freeMm: 95, barrelMm: 45 },
  result: z.object({ share: out('Free over barrel', '×', 2), verdict: words('It is') }),
  compute: (i) => ({ share: i.freeMm / i.barrelMm, verdict: judgeFree(i.freeMm, i.barrelMm) }),
  says: (r) =>
    ({
      set: 'Set: replace it by one of the same width and strength.',
      tired: 'Tired: it will do for a light train; note it, and think of replacing.',
      lively: 'Lively: clean it and use it again.',
    })[r.verdict as 'set' | 'tired' | 'lively'],
  formula: 'free diameter/barrel: under 2 set, under 2.5 tired',
  sources: ['House rule, from memory of practice'],
  checks: [
    {
      kind: 'memory',
      source: 'A good spring opens to well over twice its barrel',
      given: { freeMm: 130, barrelMm: 45 },
      finds: { verdict: 'lively' },
    },
    {
      kind: 'memory',
      source: 'One that hardly opens is set',
      given: { freeMm: 60, barrelMm: 45 },
      finds: { verdict: 'set' },
    },
  ],
});
