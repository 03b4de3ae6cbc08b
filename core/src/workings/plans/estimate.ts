import { totals } from '../../estimate/index.ts';
import { choice, rows, table, text, words } from '../fields.ts';
import { working } from '../working.ts';
import { z } from 'zod';

export default working({
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
      kind: 'by hand',
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
      kind: 'by hand',
      source: 'Half up: 2.675 is 2.68, which binary fractions make 2.67',
      given: { lines: [{ what: 'a', quantity: '1', price: '2.675' }], taxPercent: '0', prices: 'without tax' },
      finds: { net: '2.68' },
    },
  ],
});
