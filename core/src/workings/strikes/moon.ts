import { clicksForAge, LUNATION_DAYS, moonAgeDays, yearsToADayWrong } from '../../strike/index.ts';
import { choice, day, out, whole } from '../fields.ts';
import { working } from '../working.ts';
import { z } from 'zod';
import { has } from '../../movement/index.ts';
import { counted } from '../../units/index.ts';

const MOVED = ['twice a day', 'once a day'] as const;
const ALMANAC = 'Mean synodic month 29.530588853 days, Astronomical Almanac';

export default working({
  id: 'moon',
  title: 'Moon disc',
  subject: 'Strike and chime',
  stages: ['oil', 'run'],
  suits: (t) => has(t, 'moon work'),
  version: 2,
  asks: 'How many clicks from new moon on this day?',
  alias: 'moon age phase disc 118 59',
  inputs: z.object({
    date: day('Day'),
    clicksForTwo: whole('Clicks of the disc, two moons', 20, 400),
    moved: choice('It is moved', MOVED),
  }),
  example: { date: '2026-11-23', clicksForTwo: 118, moved: 'twice a day' },
  result: z.object({
    ageDays: out('Age of the moon at noon', 'days', 1),
    clicks: out('Clicks from new moon', '', 0),
    fullIn: out('Full moon in', 'days', 1),
    yearsToADay: out('A day wrong after', 'years', 2),
  }),
  compute({ date, clicksForTwo, moved }) {
    const ageDays = moonAgeDays(Date.parse(`${date}T12:00:00Z`));
    return {
      ageDays,
      clicks: clicksForAge(ageDays, clicksForTwo),
      fullIn: (LUNATION_DAYS * 1.5 - ageDays) % LUNATION_DAYS,
      yearsToADay: yearsToADayWrong(clicksForTwo / 2 / (moved === 'twice a day' ? 2 : 1)),
    };
  },
  says: (r) =>
    `${counted(r.clicks, 'click')} on from new moon (the moon is ${r.ageDays.toFixed(1)} days old, ` +
    'give or take half a day).',
  formula: 'age = (day − mean new moon of 6 January 2000, 14:20) mod 29.530588853; clicks = age/29.53 · half the disc',
  sources: [ALMANAC],
  checks: [
    {
      kind: 'published',
      source: 'Total eclipse of the sun, so new moon, 8 April 2024, 18:21 UTC',
      given: { date: '2024-04-09', clicksForTwo: 118, moved: 'twice a day' },
      finds: { ageDays: [0.74, 0.59] },
    },
    {
      kind: 'published',
      source: 'Eclipse of the moon, so full moon, 7 September 2025, 18:09 UTC',
      given: { date: '2025-09-07', clicksForTwo: 118, moved: 'twice a day' },
      finds: { ageDays: [14.5, 0.7] },
    },
    {
      kind: 'published',
      source: ALMANAC + ': 29.5 days is a day wrong in 2.64 years',
      given: { date: '2026-11-23', clicksForTwo: 118, moved: 'twice a day' },
      finds: { yearsToADay: [2.64, 0.01] },
    },
    {
      kind: 'published',
      source: ALMANAC + ': 59 teeth moved once a day are 29.5 days too',
      given: { date: '2026-11-23', clicksForTwo: 59, moved: 'once a day' },
      finds: { yearsToADay: [2.64, 0.01] },
    },
  ],
});
