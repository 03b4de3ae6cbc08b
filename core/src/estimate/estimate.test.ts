import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { totals } from './index.ts';

const cents = (n: bigint) => `${n / 100n}.${String(n % 100n).padStart(2, '0')}`;

describe('money', () => {
  it('adds up as whole cents do', () => {
    // Oracle: integers.
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.integer({ min: 1, max: 99 }), fc.integer({ min: 0, max: 999_999 })), {
          minLength: 1,
          maxLength: 40,
        }),
        fc.integer({ min: 0, max: 30 }),
        (lines, tax) => {
          const sum = lines.reduce((s, [n, p]) => s + BigInt(n * p), 0n);
          const due = (sum * BigInt(tax) * 2n + 100n) / 200n; // half up
          const t = totals(
            lines.map(([n, p]) => ({ what: '', quantity: String(n), price: (p / 100).toFixed(2) })),
            String(tax),
            false,
          );
          expect(t).toMatchObject({ net: cents(sum), tax: cents(due), gross: cents(sum + due) });
        },
      ),
    );
  });
  it('takes tax out of a price that holds it, to the cent', () => {
    // Practice: an invoice of 119.00 at 19 %.
    expect(totals([{ what: '', quantity: '1', price: '119' }], '19', true)).toMatchObject({
      net: '100.00',
      tax: '19.00',
      gross: '119.00',
    });
    expect(totals([{ what: '', quantity: '3', price: '9,99' }], '7,7', true)).toMatchObject({ gross: '29.97' });
  });
  it.each(['abc', '1.2.3', '1e5', ''])('refuses %j', (price) =>
    expect(() => totals([{ what: '', quantity: '1', price }], '0', false)).toThrow(RangeError),
  );
});
