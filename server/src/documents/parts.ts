import type { Visit } from '@eclat/contract';
import type { Day } from '@eclat/core/days';
import QRCode from 'qrcode';
import type { Content } from 'pdfmake';
import { head, rows } from './pdf.ts';

export interface Asked {
  visit: Visit;
  shop: string;
  /** The day on which something was, where the shop is. */
  dayOn: (at: string | Date) => Day;
  /** A day, or the day on which something was where the shop is, as a letter says it. */
  day: (at: string | Date) => string;
  /** Where a phone that reads the label is led. */
  address: string;
}

export const short = (t: string, most: number) => (t.length > most ? `${t.slice(0, most - 1)}…` : t);

const givenBack = ({ returnedAt, returnedBy }: Visit['received'][number], day: Asked['day']): string =>
  returnedAt ? `${day(returnedAt)}, ${returnedBy}` : 'NOT YET';

export const things = ({ visit, day }: Asked, returned: boolean) =>
  rows(
    ['auto', '*', '*', 'auto'],
    ['Number', 'Thing', 'Condition', returned ? 'Given back' : ''],
    visit.received.map((r) => [
      { text: String(r.count) },
      { text: r.what },
      {
        text: [r.condition, r.squareMm ? `fits ${r.squareMm} mm square` : '', r.fits ?? ''].filter(Boolean).join(', '),
      },
      { text: returned ? givenBack(r, day) : '' },
    ]),
  );

export const wantedList = (visit: Visit): Content[] =>
  visit.wantedThings.length === 0
    ? []
    : [
        head('Missing when it came'),
        rows(
          ['*', '*', 'auto'],
          ['Thing', 'Evidence', ''],
          visit.wantedThings.map((w) => [
            { text: w.what },
            { text: w.evidence },
            { text: w.steps.at(-1)?.step ?? 'wanted' },
          ]),
        ),
      ];

export const handsOff = (visit: Visit): Content[] =>
  visit.handsOff.length === 0
    ? []
    : [head('Do not disturb'), { ul: visit.handsOff.map((h) => `${h.place}: ${h.seen}`) }];

export const signature = (who: string): Content => ({
  columns: [
    { text: '' },
    {
      width: 220,
      stack: [
        { text: ' ', margin: [0, 26, 0, 0] },
        { canvas: [{ type: 'line', x1: 0, y1: 0, x2: 220, y2: 0, lineWidth: 0.5 }] },
        { text: who, style: 'soft' },
      ],
    },
  ],
});

export const qr = async (address: string): Promise<string> =>
  QRCode.toString(address, { type: 'svg', margin: 0, errorCorrectionLevel: 'M' });
