import { type Asked, wantedList, handsOff, signature } from './parts.ts';
import { AREAS, findingWords, walkOf, weighMeasurement } from '@eclat/core/assess';
import { LOCAL_RULES } from '@eclat/core/cautions';
import { dateFrom } from '@eclat/core/history';
import { familyById } from '@eclat/core/movement';
import type { Context } from '../platform/http/context.ts';
import { facts, head, none, rows, sheet } from './pdf.ts';
import { photosOf } from './photos.ts';

/** What it was like when it came: every place, looked at or not, with the evidence. Fit for a registrar's file. */
export async function conditionReport(ctx: Context, asked: Asked): Promise<Buffer> {
  const { visit, shop, day } = asked;
  const { movement } = visit;
  const walk = walkOf(movement.traits);
  const stateOf = (place: string) => visit.places.find((p) => p.place === place)?.state ?? 'not looked at';
  const marks = visit.photos.flatMap((p) => p.marks);
  const numbers = new Map(marks.flatMap((m) => (m.findingId ? [[m.findingId, m.number] as const] : [])));
  return sheet({
    title: 'Condition report',
    of: `${visit.clock.description}, ${visit.claim}`,
    shop,
    content: [
      facts([
        ['Examined', `${day(visit.openedAt)} to ${day(ctx.now)}`],
        ['Movement', `${movement.name}, ${familyById(movement.familyId).name}`],
        ['Code', movement.code],
        ['Maker’s mark', movement.maker],
        ['Numbers and marks', movement.marks.map((m) => `${m.text} (${m.place})`).join(', ')],
        ['Date', dateFrom(movement.dating).words],
        ['', movement.dating.map((d) => d.why).join('; ')],
      ]),
      head('Findings'),
      visit.findings.length === 0
        ? none('None recorded.')
        : rows(
            ['auto', '*', '*', 'auto'],
            ['No.', 'Place and what was seen', 'Proposed', 'Weight'],
            visit.findings.map((f) => [
              { text: String(numbers.get(f.id) ?? '–') },
              {
                text:
                  `${f.place}: ${findingWords(f, visit.findings)}` +
                  (f.earlierRepair ? ' (earlier repair)' : '') +
                  (f.doNotDisturb ? ' DO NOT DISTURB' : ''),
              },
              { text: f.proposal || '–' },
              { text: f.severity },
            ]),
          ),
      ...handsOff(visit),
      ...(visit.measurements.length > 0
        ? [
            head('Measured'),
            rows(
              ['*', 'auto', 'auto', '*'],
              ['What', 'Figure', 'How', ''],
              visit.measurements.map((m) => {
                const { name, unit } = weighMeasurement(movement.traits, m.kind, m.value, m.how);
                return [
                  { text: name },
                  { text: `${m.value} ${unit} ± ${Number(m.within.toPrecision(2))}` },
                  { text: m.how },
                  { text: m.says },
                ];
              }),
            ),
          ]
        : []),
      head('What was looked at'),
      rows(
        ['auto', '*', '*'],
        ['Area', 'In order', 'Not looked at'],
        AREAS.flatMap((area) => {
          const here = walk.filter((p) => p.area === area);
          const of = (state: string) =>
            here
              .filter((p) => stateOf(p.place) === state)
              .map((p) => p.place)
              .join(', ') || '–';
          return here.length === 0 ? [] : [[{ text: area }, { text: of('in order') }, { text: of('not looked at') }]];
        }),
      ),
      ...wantedList(visit),
      head('Photographs'),
      ...(visit.photos.length === 0 ? [none('None.')] : await photosOf(ctx, asked, visit.photos)),
      { text: LOCAL_RULES, style: 'soft', margin: [0, 10, 0, 0] },
      signature('Examined by'),
    ],
  });
}
