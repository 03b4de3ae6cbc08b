import { promiseDays } from '../../planning/index.ts';
import { day, number, out, rows, text, whole, words } from '../fields.ts';
import { working } from '../working.ts';
import { daysAfter } from '../../days/index.ts';
import { z } from 'zod';

const hours = (title: string) => number(title, 'h', 0, 2000, { digits: 1 });
const days = (title: string) => number(title, 'days', 0, 1000, { digits: 1 });
const SIMULATION = 'Simulation with triangular judgements, any text on project planning';

export default working({
  id: 'promise-date',
  title: 'Promise date',
  subject: 'Planning and money',
  stages: ['intake', 'diagnose'],
  version: 1,
  heavy: true,
  figure: 'promise',
  asks: 'By when will it be done, half of the time and nine times in ten?',
  alias: 'when ready deadline simulation',
  inputs: z.object({
    from: day('Counted from'),
    hoursBest: hours('Bench hours at best'),
    hoursLikely: hours('Likeliest'),
    hoursWorst: hours('At worst'),
    hoursPerWeek: number('Bench hours a week for this', 'h', 0.5, 168, { digits: 1 }),
    hoursAhead: hours('Hours of clocks that come first'),
    waits: rows(
      'Waits',
      {
        what: text('For', 60),
        shortDays: days('Shortest'),
        likelyDays: days('Likeliest'),
        longDays: days('Longest'),
      },
      0,
      20,
    ),
    chancePercent: number('Comes apart again', '%', 0, 95, { digits: 0, hint: 'How often this kind did' }),
    passHours: hours('Hours of that'),
    testDays: days('Test run'),
    seed: whole('Seed', 0, 2_147_483_647),
    trials: whole('Trials', 100, 100_000),
  }),
  example: {
    from: '2026-11-23',
    hoursBest: 5,
    hoursLikely: 8,
    hoursWorst: 16,
    hoursPerWeek: 10,
    hoursAhead: 12,
    waits: [
      { what: 'owner’s answer', shortDays: 1, likelyDays: 3, longDays: 14 },
      { what: 'mainspring', shortDays: 5, likelyDays: 8, longDays: 30 },
    ],
    chancePercent: 25,
    passHours: 4,
    testDays: 9,
    seed: 1,
    trials: 10000,
  },
  result: z.object({
    halfDays: out('Half of such jobs within', 'days', 0),
    nineDays: out('Nine in ten within', 'days', 0),
    halfBy: words('Half by'),
    nineBy: words('Nine in ten by'),
    benchPercent: out('Bench', '%', 0),
    waitingPercent: out('Waiting', '%', 0),
    testPercent: out('Test run', '%', 0),
  }),
  compute(i) {
    const p = promiseDays({ ...i, chanceOfPass: i.chancePercent / 100 }, i.seed, i.trials);
    const by = (days: number) => daysAfter(i.from, Math.ceil(days));
    return {
      halfDays: p.half,
      nineDays: p.nineInTen,
      halfBy: by(p.half),
      nineBy: by(p.nineInTen),
      benchPercent: 100 * p.shares.bench,
      waitingPercent: 100 * p.shares.waiting,
      testPercent: 100 * p.shares.test,
    };
  },
  says: (r) =>
    `Promise ${r.nineBy}: nine such jobs in ten are done by then, half by ${r.halfBy}. ` +
    (r.waitingPercent > r.benchPercent ? 'Most of it is waiting, so ask and order today.' : 'Most of it is the bench.'),
  formula: 'sum of triangles: (hours ahead + bench hours + passes) · 7/hours a week + waits + test runs',
  sources: [SIMULATION],
  checks: [
    {
      kind: 'by hand',
      source: 'Nothing left to chance: 10 h at 10 a week and a test of 8 days are 15 days',
      given: {
        from: '2026-01-01',
        hoursBest: 10,
        hoursLikely: 10,
        hoursWorst: 10,
        hoursPerWeek: 10,
        hoursAhead: 0,
        waits: [],
        chancePercent: 0,
        passHours: 0,
        testDays: 8,
        seed: 1,
        trials: 1000,
      },
      finds: { halfDays: [15, 1e-9], nineDays: [15, 1e-9], nineBy: '2026-01-16' },
    },
    {
      kind: 'published',
      source: 'Triangular distribution 0, 0, 10: median 10 (1 − √½), 90 % point 10 (1 − √0.1), any text on statistics',
      given: {
        from: '2026-01-01',
        hoursBest: 0,
        hoursLikely: 0,
        hoursWorst: 0,
        hoursPerWeek: 10,
        hoursAhead: 0,
        waits: [{ what: 'x', shortDays: 0, likelyDays: 0, longDays: 10 }],
        chancePercent: 0,
        passHours: 0,
        testDays: 0,
        seed: 7,
        trials: 100000,
      },
      finds: { halfDays: [2.929, 0.05], nineDays: [6.838, 0.06] },
    },
  ],
});
