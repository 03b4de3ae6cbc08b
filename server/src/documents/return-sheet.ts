import { findingWords } from '@eclat/core/assess';
import { frayedLeftIn, isOf } from '@eclat/core/benches';
import { sourceName } from '@eclat/core/movement';
import { type Asked, things, wantedList, handsOff, signature } from './parts.ts';
import { recordedPart } from '@eclat/core/history';
import type { Visit } from '@eclat/contract';
import { careOf, dueAgain } from '@eclat/core/aftercare';
import { judgeRun, learntOf } from '@eclat/core/rate';
import type { Content } from 'pdfmake';
import type { Context } from '../platform/http/context.ts';
import { facts, head, INK, none, sheet } from './pdf.ts';

/** Readings of the last segment with their line: a small picture for paper. */
export function runChart(visit: Visit, now: Date): Content[] {
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
        ? `${last.rateSecondsPerDay.toFixed(1)} s a day, ` +
          (last.beatErrorMs === null ? '' : `${last.beatErrorMs.toFixed(1)} ms out of beat`) +
          (last.amplitudeDegrees === null ? '' : `, ${last.amplitudeDegrees.toFixed(0)}° of amplitude`)
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
  const svg =
    `<svg xmlns="http://www.w3.org/2000/svg" width="${w}" height="${h}" viewBox="0 0 ${w} ${h}"><path ` +
    `d="M40 8 V${h - 18} H${w - 20}" fill="none" stroke="#9aa4b5"/><text x="0" y="14" font-size="9">` +
    `${high.toFixed(0)} s</text><text x="0" y="${h - 20}" font-size="9">${low.toFixed(0)} ` +
    `s</text><text x="${w - 70}" y="${h - 4}" font-size="9">${((to - from) / 86_400_000).toFixed(1)} ` +
    `days</text><path d="M${x(from)} ${y(line(from))} L${x(to)} ${y(line(to))}" stroke="${INK}" ` +
    'stroke-width="1.6"/>' +
    segment
      .map(
        (r) => `<circle cx="${x(r.at)}" cy="${y(r.errorS)}" r="2.6" fill="#fff" stroke="${INK}" stroke-width="1.3"/>`,
      )
      .join('') +
    '</svg>';
  return [
    figures,
    { svg, margin: [0, 6, 0, 0] },
    { text: 'Seconds ahead of true time at each reading, and the line through them.', style: 'soft' },
  ];
}

/** A frayed line that stays is declared: what may happen, the owner's word, and the owner's hand beneath. */
function declaration({ benchTests, movement: { traits } }: Visit): Content[] {
  const lines = frayedLeftIn(
    benchTests.flatMap(({ of, test }) => (of === 'visit' && isOf('weights')(test) ? [test] : [])),
  );
  return lines.flatMap(({ source, word }): Content[] => {
    const of = traits.sources.find((s) => s.id === source);
    return [
      head(`Declaration: a frayed line stays${of ? ` (${sourceName(traits, of)})` : ''}`),
      {
        text:
          'This line is frayed and was left in as the owner wants it. It may part without a warning: the weight then ' +
          'falls. Nobody should stand or reach under the weight, wind it slowly, and have the line renewed soon.',
      },
      { text: `The owner’s word: ${word || 'not given yet.'}`, margin: [0, 4, 0, 0] },
      signature('Declared by the owner'),
    ];
  });
}

export async function returnSheet(ctx: Context, asked: Asked): Promise<Buffer> {
  const { visit, shop, day, dayOn } = asked;
  const { lines, chosen, routes } = visit.agreement;
  const { traits } = visit.movement;
  const signed = dayOn(visit.closedAt ?? ctx.now);
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
        ['Found', visit.cause || (visit.replacement.out?.why ?? '')],
      ]),
      ...(visit.findings.length > 0
        ? [
            head('Found'),
            { ul: visit.findings.map((f) => `${f.place}: ${findingWords(f, visit.findings)}`) } as Content,
          ]
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
      ...(visit.prognosis ? [head('What to expect'), { text: visit.prognosis } as Content] : []),
      head('Due again'),
      facts([
        ...(visit.lookAgainOn ? [['A promised look', day(visit.lookAgainOn)] as const] : []),
        ['A look, and oil', day(due.oil)],
        ['Overhaul', day(due.overhaul)],
      ]),
      ...careOf(traits, visit.testRun && learntOf(visit.testRun)).flatMap((c): Content[] => [
        head(c.heading),
        { ul: c.says },
      ]),
      ...declaration(visit),
      head('Goes home with it'),
      visit.received.length === 0 ? none('Nothing came with it.') : things(asked, true),
      ...wantedList(visit),
      ...handsOff(visit),
      signature('Received back'),
    ],
  });
}
