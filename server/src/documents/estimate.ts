import type { Visit } from '@eclat/contract';
import { type Asked, signature } from './parts.ts';
import { priceAccepted, priceOfRoute, routeName, totals } from '@eclat/core/estimate';
import type { Content } from 'pdfmake';
import type { Context } from '../platform/http/context.ts';
import { facts, head, none, rows, sheet } from './pdf.ts';
import { photosOf } from './photos.ts';

export async function estimate(ctx: Context, asked: Asked): Promise<Buffer> {
  const { visit, shop, day } = asked;
  const { lines, routes, chosen, prices } = visit.agreement;
  const { lines: amounts } = totals(lines, prices.taxPercent, prices.pricesIncludeTax);
  const money = (t: string) => `${t} ${prices.currency}`;
  const agreed = priceAccepted(lines, chosen?.route ?? null, prices);
  const whole = priceOfRoute(lines, chosen?.route ?? null, prices);
  const tax = prices.pricesIncludeTax
    ? `Prices include ${prices.taxPercent} % tax.`
    : `Prices without tax; ${prices.taxPercent} % is added to the sum.`;
  return sheet({
    title: 'Estimate',
    of: `${visit.clock.description}, ${visit.claim}`,
    shop,
    content: [
      facts([
        ['Owner', visit.owner.name],
        ['Date', day(ctx.now)],
        ['Promised for', visit.promisedFor ? day(visit.promisedFor) : ''],
        ['Likely cause', visit.cause],
      ]),
      ...(visit.complaint ? [head('You told us'), { text: visit.complaint }] : []),
      ...alternatives(visit),
      head('The work'),
      lines.length === 0
        ? none('No line is written yet.')
        : rows(
            ['*', 'auto', 'auto', 'auto'],
            ['What', 'Belongs to', 'Your answer', 'Amount'],
            lines.map((l, i) => [
              {
                text: [
                  l.what,
                  l.optional ? ' (optional)' : '',
                  l.noGuarantee ? ' (without guarantee)' : '',
                  l.addition ? ' (found during the work)' : '',
                ].join(''),
              },
              { text: l.routes.length === 0 ? 'all' : l.routes.map(routeName).join(', '), style: 'soft' },
              { text: l.state ? `${l.state}, ${day(l.decisions.at(-1)!.at)}, ${l.decisions.at(-1)!.how}` : 'open' },
              { text: amounts[i]!, alignment: 'right' as const },
            ]),
          ),
      {
        margin: [0, 8, 0, 0],
        ...(facts([
          ['Accepted so far', money(agreed.gross)],
          ['Of which tax', money(agreed.tax)],
          ['If all that is open is accepted', routes.length > 0 && !chosen ? '' : money(whole.withOptions.gross)],
        ]) as object),
      } as Content,
      { text: tax, style: 'soft' },
      ...(await photosOf(
        ctx,
        asked,
        visit.photos.filter((p) => p.marks.length > 0),
      )),
      signature('Owner'),
    ],
  });
}

/** The alternatives that were offered, side by side; nothing where there is only one way. */
function alternatives({ agreement: { lines, routes, chosen, prices } }: Visit): Content[] {
  if (routes.length === 0) return [];
  const range = (without: string, withOptions: string) =>
    `${without === withOptions ? without : `${without} to ${withOptions}`} ${prices.currency}`;
  return [
    head('How far to go'),
    rows(
      ['*', '*', '*', 'auto'],
      ['Alternative', 'What stays original', 'Guarantee', 'To pay'],
      routes.map((r) => {
        const p = priceOfRoute(lines, r.route, prices);
        return [
          { text: routeName(r.route), bold: chosen?.route === r.route },
          { text: r.originality },
          { text: r.guarantee },
          { text: range(p.without.gross, p.withOptions.gross), alignment: 'right' as const },
        ];
      }),
    ),
  ];
}
