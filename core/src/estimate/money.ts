import Decimal from 'decimal.js';
import { ensure } from '../units/index.ts';

/** One line of an estimate. Money and quantity as decimal text, so that no cent is lost in binary. */
export interface EstimateLine {
  what: string;
  quantity: string;
  price: string;
}

export interface Totals {
  lines: string[];
  net: string;
  tax: string;
  gross: string;
}

/** Money as it is typed: comma or point, at most four places. @throws Outside at the field */
export function decimal(text: string, field: string): Decimal {
  const clean = text.trim().replace(',', '.');
  ensure(/^-?\d{1,9}(\.\d{1,4})?$/.test(clean), field, 'A plain number such as 12.50.');
  return new Decimal(clean);
}

/**
 * Totals of an estimate. Each line is rounded to hundredths, half up; tax is reckoned once on the sum, which is how
 * most tax offices want an invoice: the local rule decides.
 * @param taxPercent as decimal text; @param included prices already hold the tax
 */
export function totals(lines: readonly EstimateLine[], taxPercent: string, included: boolean): Totals {
  const rate = decimal(taxPercent, 'taxPercent').div(100);
  ensure(rate.gte(0) && rate.lte(1), 'taxPercent', 'Between 0 and 100 %.');
  const each = lines.map((l) => cents(decimal(l.quantity, 'quantity').mul(decimal(l.price, 'price'))));
  const sum = each.reduce((a, b) => a.plus(b), new Decimal(0));
  const net = included ? cents(sum.div(rate.plus(1))) : sum;
  const tax = included ? sum.minus(net) : cents(sum.mul(rate));
  return { lines: each.map(text), net: text(net), tax: text(tax), gross: text(net.plus(tax)) };
}

const cents = (d: Decimal) => d.toDecimalPlaces(2, Decimal.ROUND_HALF_UP);
const text = (d: Decimal) => d.toFixed(2);
