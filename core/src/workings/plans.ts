import { addDays } from 'date-fns';
import { z } from 'zod';
import { totals } from '../estimate/index.ts';
import { promiseDays } from '../planning/index.ts';
import { choice, day, isoDay, number, out, rows, table, text, whole, words } from './fields.ts';
import { working } from './working.ts';

const hours = (title: string) => number(title, 'h', 0, 2000, { digits: 1 });
const days = (title: string) => number(title, 'days', 0, 1000, { digits: 1 });
const SIMULATION = 'Simulation with triangular judgements, any text on project planning';

export const PLANS = [
  working({
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
      const by = (days: number) => isoDay(addDays(new Date(i.from), Math.ceil(days)));
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
      `Promise ${r.nineBy}: nine such jobs in ten are done by then, half by ${r.halfBy}. ${r.waitingPercent > r.benchPercent ? 'Most of it is waiting, so ask and order today.' : 'Most of it is the bench.'}`,
    formula: 'sum of triangles: (hours ahead + bench hours + passes) · 7/hours a week + waits + test runs',
    sources: [SIMULATION],
    checks: [
      {
        kind: 'published',
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
        source:
          'Triangular distribution 0, 0, 10: median 10 (1 − √½), 90 % point 10 (1 − √0.1), any text on statistics',
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
  }),
  working({
    id: 'estimate',
    title: 'Estimate and tax',
    subject: 'Planning and money',
    stages: ['diagnose', 'sign'],
    version: 1,
    asks: 'What does it come to, with tax?',
    alias: 'price invoice money total vat',
    inputs: z.object({
      lines: rows(
        'Lines',
        { what: text('What', 80), quantity: text('Quantity', 14), price: text('Price of one', 14) },
        1,
        200,
      ),
      taxPercent: text('Tax', 8, { hint: 'Per cent' }),
      prices: choice('Prices', ['without tax', 'with tax']),
    }),
    example: {
      lines: [
        { what: 'Overhaul, two trains', quantity: '8.5', price: '48.00' },
        { what: 'Bushes', quantity: '7', price: '6.40' },
      ],
      taxPercent: '20',
      prices: 'without tax',
    },
    result: z.object({
      net: words('Without tax'),
      tax: words('Tax'),
      gross: words('To pay'),
      lines: table('Lines', { what: words('What'), amount: words('Amount') }),
    }),
    compute(i) {
      const t = totals(i.lines, i.taxPercent, i.prices === 'with tax');
      return {
        net: t.net,
        tax: t.tax,
        gross: t.gross,
        lines: i.lines.map((l, k) => ({ what: l.what, amount: t.lines[k]! })),
      };
    },
    says: (r) => `${r.gross} to pay, of which ${r.tax} is tax. The local rule decides how tax is rounded.`,
    formula: 'each line rounded to hundredths, half up; tax once on the sum',
    sources: ['Decimal arithmetic, IEEE 754 decimal rounding'],
    checks: [
      {
        kind: 'published',
        source: 'Decimal arithmetic: 0.1 + 0.2 is 0.3',
        given: {
          lines: [
            { what: 'a', quantity: '1', price: '0.10' },
            { what: 'b', quantity: '1', price: '0.20' },
          ],
          taxPercent: '0',
          prices: 'without tax',
        },
        finds: { net: '0.30', gross: '0.30' },
      },
      {
        kind: 'practice',
        source: 'A price of 119.00 that holds 19 % is 100.00 and 19.00',
        given: { lines: [{ what: 'a', quantity: '1', price: '119.00' }], taxPercent: '19', prices: 'with tax' },
        finds: { net: '100.00', tax: '19.00', gross: '119.00' },
      },
      {
        kind: 'published',
        source: 'Half up: 2.675 is 2.68, which binary fractions make 2.67',
        given: { lines: [{ what: 'a', quantity: '1', price: '2.675' }], taxPercent: '0', prices: 'without tax' },
        finds: { net: '2.68' },
      },
    ],
  }),
];
