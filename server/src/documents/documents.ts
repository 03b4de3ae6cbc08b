import { recordedPart } from '@eclat/core/history';
import type { DocumentKind as PaperName, Visit } from '@eclat/contract';
import { AREAS, walkOf } from '@eclat/core/assess';
import { cautionsFor, LOCAL_RULES } from '@eclat/core/cautions';
import { priceAccepted, priceOfRoute, routeName, totals } from '@eclat/core/estimate';
import { dateFrom } from '@eclat/core/history';
import { careOf, dueAgain } from '@eclat/core/aftercare';
import { unproven } from '@eclat/core/intake';
import { weighMeasurement } from '@eclat/core/assess';
import { familyById } from '@eclat/core/movement';
import { judgeRun } from '@eclat/core/rate';
import { remarkName } from '@eclat/core/strip';
import QRCode from 'qrcode';
import type { Content } from 'pdfmake';
import type { Context } from '../platform/http/context.ts';
import { facts, head, INK, none, print, rows, sheet } from './pdf.ts';
import { photosOf } from './photos.ts';

export interface Asked {
  visit: Visit;
  shop: string;
  /** Where a phone that reads the label is led. */
  address: string;
}

const short = (t: string, most: number) => (t.length > most ? `${t.slice(0, most - 1)}…` : t);
const day = (iso: string) => iso.slice(0, 10);
const things = (visit: Visit, returned: boolean) =>
  rows(
    ['auto', '*', '*', 'auto'],
    ['Number', 'Thing', 'Condition', returned ? 'Given back' : ''],
    visit.received.map((r) => [
      { text: String(r.count) },
      { text: r.what },
      {
        text: [r.condition, r.squareMm ? `fits ${r.squareMm} mm square` : '', r.fits ?? ''].filter(Boolean).join(', '),
      },
      { text: returned ? (r.returnedAt ? `${day(r.returnedAt)}, ${r.returnedBy}` : 'NOT YET') : '' },
    ]),
  );
const wantedList = (visit: Visit): Content[] =>
  visit.wantedThings.length === 0
    ? []
    : [
        head('Missing when it came'),
        rows(
          ['*', '*', 'auto'],
          ['Thing', 'Evidence', ''],
          visit.wantedThings.map((w) => [{ text: w.what }, { text: w.evidence }, { text: w.ended ?? 'wanted' }]),
        ),
      ];
const handsOff = (visit: Visit): Content[] =>
  visit.handsOff.length === 0
    ? []
    : [head('Do not disturb'), { ul: visit.handsOff.map((h) => `${h.place}: ${h.seen}`) }];
const signature = (who: string): Content => ({
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

const qr = async (address: string): Promise<string> =>
  QRCode.toString(address, { type: 'svg', margin: 0, errorCorrectionLevel: 'M' });

async function receipt({ visit, shop, address }: Asked): Promise<Buffer> {
  const cautions = cautionsFor(visit.movement.traits, 'intake');
  return sheet({
    title: `Receipt ${visit.claim}`,
    of: visit.clock.description,
    shop,
    content: [
      {
        columns: [
          facts([
            ['Taken in', day(visit.openedAt)],
            ['Owner', visit.owner.name],
            ['Reached at', [visit.owner.phone, visit.owner.email].filter(Boolean).join(', ')],
            ['Movement', `${visit.movement.name}, ${visit.movement.code}`],
            ['Numbers', visit.movement.marks.map((m) => `${m.text} (${m.place})`).join(', ')],
            ['Promised for', visit.promisedFor ?? ''],
          ]),
          { svg: await qr(address), width: 70 },
        ],
      },
      head('What you told us'),
      { text: visit.complaint },
      ...(visit.wanted ? [head('Wanted'), { text: visit.wanted }] : []),
      ...(visit.notWanted ? [head('Not wanted: left as it is'), { text: visit.notWanted }] : []),
      ...(visit.outOfScope ? [head('Out of scope'), { text: visit.outOfScope }] : []),
      head('Received with it'),
      visit.received.length === 0 ? none('Nothing came with it.') : things(visit, false),
      ...wantedList(visit),
      ...(visit.alone
        ? [
            head('Came without its case'),
            facts([
              ['Drives', visit.alone.drives],
              ['Supply', visit.alone.supply],
              ['Borrowed to test it', visit.alone.borrowed],
              ['Therefore unproven', unproven(visit.alone.borrowed).join('; ')],
            ]),
          ]
        : []),
      ...(cautions.length > 0 ? [head('Mind'), { ul: cautions.map((c) => c.text) }] : []),
      signature('Received by'),
      { text: 'Bring this receipt when you come for the clock.', style: 'soft', margin: [0, 12, 0, 0] },
    ],
  });
}

/** Tied to the clock: claim, what it is, whose, and a code that opens the visit. */
async function label({ visit, shop, address }: Asked): Promise<Buffer> {
  return print({
    pageSize: { width: 255, height: 156 },
    pageMargins: [10, 10, 10, 6],
    info: { title: `Label ${visit.claim}`, creator: 'Eclat', producer: 'Eclat' },
    content: [
      {
        columns: [
          { svg: await qr(address), width: 96 },
          {
            width: '*',
            margin: [10, 0, 0, 0],
            stack: [
              { text: visit.claim, fontSize: 22, bold: true },
              { text: short(visit.clock.description, 40), bold: true, fontSize: 10 },
              { text: visit.movement.code, fontSize: 10 },
              { text: `${day(visit.openedAt)} · ${shop}`, fontSize: 7 },
            ],
          },
        ],
      },
      {
        text: `With it: ${short(visit.received.map((r) => (r.count > 1 ? `${r.count} ${r.what}` : r.what)).join(', ') || 'nothing', 80)}`,
        fontSize: 7,
        margin: [0, 4, 0, 0],
      },
    ],
  });
}

async function estimate(ctx: Context, { visit, shop }: Asked): Promise<Buffer> {
  const { lines, routes, chosen, prices } = visit.agreement;
  const { lines: amounts } = totals(lines, prices.taxPercent, prices.pricesIncludeTax);
  const money = (t: string) => `${t} ${prices.currency}`;
  const agreed = priceAccepted(lines, chosen?.route ?? null, prices);
  const whole = priceOfRoute(lines, chosen?.route ?? null, prices);
  const tax = prices.pricesIncludeTax
    ? `Prices hold ${prices.taxPercent} % tax.`
    : `Prices without tax; ${prices.taxPercent} % is added to the sum.`;
  return sheet({
    title: 'Estimate',
    of: `${visit.clock.description}, ${visit.claim}`,
    shop,
    content: [
      facts([
        ['Owner', visit.owner.name],
        ['Date', day(ctx.now.toISOString())],
        ['Promised for', visit.promisedFor ?? ''],
        ['Likely cause', visit.cause],
      ]),
      head('You told us'),
      { text: visit.complaint },
      ...(routes.length > 0
        ? [
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
                  {
                    text:
                      p.without.gross === p.withOptions.gross
                        ? money(p.without.gross)
                        : `${p.without.gross} to ${money(p.withOptions.gross)}`,
                    alignment: 'right' as const,
                  },
                ];
              }),
            ),
          ]
        : []),
      head('The work'),
      lines.length === 0
        ? none('No line is written yet.')
        : rows(
            ['*', 'auto', 'auto', 'auto'],
            ['What', 'Belongs to', 'Your word', 'Amount'],
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
        visit,
        visit.photos.filter((p) => p.marks.length > 0),
      )),
      signature('Owner'),
    ],
  });
}

/** What it was like when it came: every place, looked at or not, with the evidence. Fit for a registrar's file. */
async function condition(ctx: Context, { visit, shop }: Asked): Promise<Buffer> {
  const { movement } = visit;
  const walk = walkOf(movement.traits);
  const stateOf = (place: string) => visit.places.find((p) => p.place === place)?.state ?? 'not looked at';
  const numbers = new Map(
    visit.photos.flatMap((p) => p.marks).flatMap((m) => (m.findingId ? [[m.findingId, m.number] as const] : [])),
  );
  return sheet({
    title: 'Condition report',
    of: `${visit.clock.description}, ${visit.claim}`,
    shop,
    content: [
      facts([
        ['Examined', `${day(visit.openedAt)} to ${day(ctx.now.toISOString())}`],
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
                text: `${f.place}: ${f.seen}${f.earlierRepair ? ' (earlier repair)' : ''}${f.doNotDisturb ? ' DO NOT DISTURB' : ''}`,
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
      ...(visit.photos.length === 0 ? [none('None.')] : await photosOf(ctx, visit, visit.photos)),
      { text: LOCAL_RULES, style: 'soft', margin: [0, 10, 0, 0] },
      signature('Examined by'),
    ],
  });
}

/** Readings of the last segment with their line: a small picture for paper. */
function runChart(visit: Visit, now: Date): Content[] {
  if (!visit.testRun) return [none('It had no test run.')];
  const { segment, fit, verdict, days } = judgeRun(
    visit.movement.traits,
    visit.testRun,
    now.getTime(),
    visit.rules.held,
  );
  const last = visit.heard.at(-1);
  const figures = facts([
    ['Verdict', verdict.text],
    ['Watched', `${days.toFixed(1)} days, ${segment.length} readings, ${visit.testRun.place}`],
    [
      'By sound',
      last
        ? `${last.rateSecondsPerDay.toFixed(1)} s a day, ${last.beatErrorMs === null ? '' : `${last.beatErrorMs.toFixed(1)} ms out of beat`}${last.amplitudeDegrees === null ? '' : `, ${last.amplitudeDegrees.toFixed(0)}° of amplitude`}`
        : '',
    ],
  ]);
  if (!fit || segment.length < 2) return [figures];
  const [w, h] = [460, 110];
  const [from, to] = [segment[0]!.at, segment.at(-1)!.at];
  const values = segment.map((r) => r.errorS);
  const [low, high] = [Math.min(...values) - 1, Math.max(...values) + 1];
  const x = (at: number) => 40 + ((at - from) / Math.max(1, to - from)) * (w - 60);
  const y = (s: number) => h - 18 - ((s - low) / (high - low)) * (h - 34);
  const line = (at: number) => fit.interceptS + (fit.rateSecondsPerDay * (at - fit.originAt)) / 86_400_000;
  const svg = `<svg xmlns="http://www.w3.org/2000/svg" width="${w}" height="${h}" viewBox="0 0 ${w} ${h}"><path d="M40 8 V${h - 18} H${w - 20}" fill="none" stroke="#9aa4b5"/><text x="0" y="14" font-size="9">${high.toFixed(0)} s</text><text x="0" y="${h - 20}" font-size="9">${low.toFixed(0)} s</text><text x="${w - 70}" y="${h - 4}" font-size="9">${((to - from) / 86_400_000).toFixed(1)} days</text><path d="M${x(from)} ${y(line(from))} L${x(to)} ${y(line(to))}" stroke="${INK}" stroke-width="1.6"/>${segment.map((r) => `<circle cx="${x(r.at)}" cy="${y(r.errorS)}" r="2.6" fill="#fff" stroke="${INK}" stroke-width="1.3"/>`).join('')}</svg>`;
  return [
    figures,
    { svg, margin: [0, 6, 0, 0] },
    { text: 'Seconds ahead of true time at each reading, and the line through them.', style: 'soft' },
  ];
}

async function returnSheet(ctx: Context, { visit, shop }: Asked): Promise<Buffer> {
  const { lines, chosen, routes } = visit.agreement;
  const { traits } = visit.movement;
  const signed = visit.closedAt ? new Date(visit.closedAt) : ctx.now;
  const due = dueAgain(traits, signed, visit.replacement.out !== null);
  const put = lines.filter((l) => l.state === 'ask later' || l.state === null).map((l) => l.what);
  const without = lines.filter((l) => l.noGuarantee && l.state === 'accepted').map((l) => l.what);
  const guarantee = routes.find((r) => r.route === chosen?.route)?.guarantee ?? '';
  const of = (state: string) => lines.filter((l) => l.state === state).map((l) => l.what);
  const list = (items: string[], empty: string): Content => (items.length === 0 ? none(empty) : { ul: items });
  return sheet({
    title: 'Return sheet',
    of: `${visit.clock.description}, ${visit.claim}`,
    shop,
    content: [
      facts([
        ['Owner', visit.owner.name],
        ['Movement', visit.movement.code],
        ['Found', visit.cause],
      ]),
      ...(visit.findings.length > 0
        ? [head('Found'), { ul: visit.findings.map((f) => `${f.place}: ${f.seen}`) } as Content]
        : []),
      head('Done as agreed'),
      list(of('accepted'), 'Nothing was agreed.'),
      head('Offered and declined: left as it was'),
      list(of('declined'), 'Nothing was declined.'),
      ...(visit.notWanted ? [head('Not wanted'), { text: visit.notWanted }] : []),
      head('Parts fitted'),
      list(
        visit.parts.map(recordedPart).map((p) => `${p.what}${p.size ? `, ${p.size}` : ''}; old part ${p.oldPart}`),
        'None.',
      ),
      ...(put.length > 0 ? [head('Left for another time'), { ul: put } as Content] : []),
      head('Test'),
      ...runChart(visit, ctx.now),
      head('Guarantee and its limits'),
      facts([
        ['Guarantee', guarantee || 'As agreed with the shop.'],
        ['Without guarantee', without.join('; ')],
        ['Ends', 'when somebody else opens, oils or moves parts of it'],
      ]),
      head('Due again'),
      facts([
        ['A look, and oil', due.oil],
        ['Overhaul', due.overhaul],
      ]),
      ...careOf(traits).flatMap((c): Content[] => [head(c.heading), { ul: c.says }]),
      head('Goes home with it'),
      visit.received.length === 0 ? none('Nothing came with it.') : things(visit, true),
      ...wantedList(visit),
      ...handsOff(visit),
      signature('Received back'),
    ],
  });
}

/**
 * For inside the case: the movement's code, when it was worked on, when it is due; nothing of the owner. It scratches
 * nothing.
 */
async function slip(ctx: Context, { visit, shop, address }: Asked): Promise<Buffer> {
  const signed = visit.closedAt ? new Date(visit.closedAt) : ctx.now;
  const due = dueAgain(visit.movement.traits, signed, visit.replacement.out !== null);
  const by = visit.stages.find((s) => s.stage === 'sign')?.by ?? ctx.person.name;
  return print({
    pageSize: { width: 255, height: 130 },
    pageMargins: [10, 10, 10, 6],
    info: { title: `Slip ${visit.movement.code}`, creator: 'Eclat', producer: 'Eclat' },
    content: [
      {
        columns: [
          { svg: await qr(`${new URL(address).origin}/movements/${visit.movement.id}`), width: 92 },
          {
            width: '*',
            margin: [10, 0, 0, 0],
            stack: [
              { text: visit.movement.code, fontSize: 18, bold: true },
              { text: short(visit.movement.name, 44), fontSize: 8 },
              { text: `Serviced ${day(signed.toISOString())}`, fontSize: 9, margin: [0, 4, 0, 0] },
              { text: `${by}, ${shop}`, fontSize: 8 },
              {
                text: `Oil ${due.oil.slice(0, 7)} · overhaul ${due.overhaul.slice(0, 7)}`,
                fontSize: 8,
                margin: [0, 4, 0, 0],
              },
            ],
          },
        ],
      },
    ],
  });
}

/** For the bench: what came off in its order, where it is, and what is odd about it. */
async function benchSheet({ visit, shop }: Asked): Promise<Buffer> {
  const { steps, phases, temporary } = visit.strip;
  return sheet({
    title: 'Bench sheet',
    of: `${visit.clock.description}, ${visit.claim}`,
    shop,
    content: [
      ...handsOff(visit),
      head('Phases and marks'),
      phases.length === 0
        ? none('None noted.')
        : rows(
            ['*', '*', 'auto'],
            ['What', 'How', 'When'],
            phases.map((p) => [{ text: p.what }, { text: p.how }, { text: p.when }]),
          ),
      head('What came off, in order'),
      steps.length === 0
        ? none('Nothing is logged.')
        : rows(
            ['auto', '*', 'auto', 'auto', '*', 'auto'],
            ['', 'What', 'Held by', 'Where it is', 'Mind', 'On again'],
            steps.map((s, i) => [
              { text: String(i + 1) },
              { text: s.what },
              { text: s.heldBy },
              { text: s.place },
              { text: [...s.remarks.map(remarkName), s.note].filter(Boolean).join(', ') },
              { text: s.fate === 'apart' ? '–' : s.fate },
            ]),
          ),
      ...(temporary.length > 0
        ? [head('In for the time being'), { ul: temporary.map((t) => `${t.what}${t.ended ? `: ${t.ended}` : ''}`) }]
        : []),
    ],
  });
}

export const PAPER: Record<PaperName, (ctx: Context, asked: Asked) => Promise<Buffer>> = {
  receipt: (_, a) => receipt(a),
  label: (_, a) => label(a),
  estimate,
  condition,
  bench: (_, a) => benchSheet(a),
  return: returnSheet,
  slip,
};

/** The label as a picture: what a label printer is sent. */
export async function labelPicture({ visit, shop, address }: Asked): Promise<string> {
  const safe = (t: string) => t.replace(/[&<>"]/g, (c) => `&#${c.charCodeAt(0)};`);
  const code = (await qr(address)).replace(
    /^[^]*?viewBox="0 0 (\d+) \d+"[^>]*>/,
    (_, n: string) =>
      `<svg x="14" y="14" width="152" height="152" viewBox="0 0 ${n} ${n}" shape-rendering="crispEdges">`,
  );
  const text = (y: number, size: number, words: string, bold = false) =>
    `<text x="182" y="${y}" font-size="${size}" font-family="sans-serif"${bold ? ' font-weight="bold"' : ''}>${safe(words)}</text>`;
  return `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 480 180" width="480" height="180"><rect width="480" height="180" fill="#fff"/>${code}${text(52, 40, visit.claim, true)}${text(84, 16, short(visit.clock.description, 30), true)}${text(110, 18, visit.movement.code)}${text(134, 14, `${day(visit.openedAt)} · ${shop}`)}${text(158, 13, short(visit.received.map((r) => r.what).join(', '), 42))}</svg>`;
}
