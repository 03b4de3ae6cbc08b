import { judgeWindings, seriesLoop, TOUCH_V } from '../electric/index.ts';
import { said, sentence, type Said } from '../units/index.ts';
import { figure, valuesOf, last, type TableTest, type Values } from './table.ts';

/** A dwell by the clock that differs from the one of its turn by more is another contact, or one that bounces. */
const SAME_DWELL = 0.2;
/** A reading under this between terminal and frame is a way through the frame, Ω. Practice. */
const THROUGH_OHMS = 5;
/** Current of a series loop within this of what the dials want. Practice. */
const ENOUGH = 0.9;

const text = (v: Values, id: string): string => String(v[id] ?? '').trim();
const same = (a: string, b: string): boolean => a.toLowerCase() === b.toLowerCase();

/** The last that was entered of each terminal (or other key), in the order they first came. */
function lastBy(all: readonly Values[], keyOf: (v: Values) => string): Values[] {
  const keys = [...new Set(all.map((v) => keyOf(v).toLowerCase()))];
  return keys.map((key) => all.findLast((v) => same(keyOf(v), key))!);
}

export interface Output {
  terminal: string;
  feeds: string;
  /** Where its contact closes and how far on it opens, degrees of the turn; null where that was not looked at. */
  closes: { from: number; span: number } | null;
  does: string;
  with: string;
  milliamps: number | null;
  carries: number | null;
  values: Values;
}

/** The outputs as they stand, each as it was last entered. */
export function outputsOf(tests: readonly TableTest[]): Output[] {
  return lastBy(valuesOf(tests, 'output'), (v) => text(v, 'terminal')).map((v) => ({
    terminal: text(v, 'terminal'),
    feeds: text(v, 'feeds'),
    closes: closesOf(v),
    does: text(v, 'does'),
    with: text(v, 'with'),
    milliamps: figure(v, 'draws'),
    carries: figure(v, 'carries'),
    values: v,
  }));
}

function closesOf(v: Values): Output['closes'] {
  const [from, to] = [figure(v, 'from'), figure(v, 'to')];
  if (v['does'] === 'never opens') return { from: 0, span: 360 };
  if (from === null || to === null || v['does'] !== 'makes') return null;
  return { from, span: (((to - from) % 360) + 360) % 360 };
}

/** Jumpers that are still in: nothing is signed so. @returns "A to B" for each */
export const jumpersIn = (tests: readonly TableTest[]): string[] =>
  lastBy(valuesOf(tests, 'jumper'), jumperOf)
    .filter((v) => v['is'] === 'in')
    .map(jumperOf);
const jumperOf = (v: Values): string => `${text(v, 'from')} to ${text(v, 'to')}`;

/** What supply, outputs and contacts say. @param tests the oldest first */
export function sayOutputs(tests: readonly TableTest[]): Said[] {
  const outputs = outputsOf(tests);
  const supply = last(tests, 'return path');
  return [
    ...sayReturn(supply),
    ...outputs.flatMap((o) => sayOutput(o, tests)),
    ...sayJoined(outputs, tests, supply && figure(supply, 'limit')),
    ...sayTogether(outputs),
    ...lastBy(valuesOf(tests, 'jumper'), jumperOf).flatMap(sayJumper),
    ...lastBy(valuesOf(tests, 'unlike a sister'), (v) => `${text(v, 'terminal')} ${text(v, 'does')}`).map(saySister),
    ...sayLoop(last(tests, 'series loop')),
  ];
}

function sayReturn(v: Values | null): Said[] {
  if (!v) return [];
  const ohms = figure(v, 'frameOhms');
  if (v['pole'] === 'the frame')
    return [
      ohms !== null && ohms > THROUGH_OHMS
        ? said('Return path', false, `Said to be the frame, and ${ohms} Ω to it: a bad joint in the way back.`)
        : said(
            'Return path',
            true,
            'Through the frame: coil and contacts are measured against it, nothing earthed near.',
          ),
    ];
  if (v['pole'] === 'a terminal of its own')
    return [
      ohms !== null && ohms < THROUGH_OHMS
        ? said('Return path', false, `A terminal of its own, yet ${ohms} Ω to the frame: insulation is bridged.`)
        : said('Return path', true, 'A terminal of its own: nothing is measured against the frame.'),
    ];
  return [said('Return path', null, 'Measure each terminal against the frame before a supply is put to it.')];
}

/** Its verdicts: the later leads, the one of the other place stays beside it. */
function verdictOf(terminal: string, tests: readonly TableTest[]): { is: string; words: string } | null {
  const all = valuesOf(tests, 'contact verdict').filter((v) => same(text(v, 'terminal'), terminal));
  const v = all.at(-1);
  if (!v) return null;
  const before = all.findLast((x) => x['where'] !== v['where']);
  const kept = before ? ` (${String(before['where'])}: ${String(before['is'])})` : '';
  return { is: String(v['is']), words: `${String(v['where'])} ${String(v['is'])}${kept}` };
}

function sayOutput(o: Output, tests: readonly TableTest[]): Said[] {
  const what = `Terminal ${o.terminal}`;
  const verdict = verdictOf(o.terminal, tests);
  const chosen = valuesOf(tests, 'contact chosen').findLast((v) => same(text(v, 'terminal'), o.terminal));
  const judged = verdict ? `; ${verdict.words}` : '';
  const decided = chosen ? `; ${String(chosen['is'])}, since ${text(chosen, 'why')}` : '';
  const feeds = o.feeds && ` (${o.feeds})`;
  if (o.does !== 'makes') {
    // Decided upon, it is known and not forgotten.
    const open = chosen && chosen['is'] !== 'its own contact' ? null : false;
    return [said(what, open, `${sentence(o.does)}${feeds}${judged}${decided || `. ${WRONG[o.does] ?? ''}`}`)];
  }
  const dwell = sayDwell(what, o);
  if (verdict?.is === 'bad') return [said(what, chosen ? null : false, `Makes${feeds}${judged}${decided}.`), ...dwell];
  return [said(what, verdict?.is === 'in doubt' ? null : true, `Makes${feeds}${judged}${decided}.`), ...dwell];
}
const WRONG: Record<string, string> = {
  'never makes': 'Look at its gap, its pin and the dirt on it.',
  'never opens': 'Re-set it on the right side of its pin: what it feeds stays under current, and gets hot.',
  broken: 'Renew it, feed it from another, or leave it dead: decide, and say why.',
};

function sayDwell(what: string, { closes, values }: Output): Said[] {
  const [turn, timed] = [figure(values, 'turn'), figure(values, 'dwell')];
  if (closes?.span === 0) return [said(what, false, 'Closes and opens at the same place: read its turn again.')];
  if (!closes || turn === null) return [];
  const reckoned = (turn * closes.span) / 360;
  const each = `${closes.span.toFixed(0)}° of its turn are ${seconds(reckoned)}`;
  if (timed === null) return [];
  return Math.abs(timed - reckoned) > SAME_DWELL * reckoned
    ? [said(what, false, `${each}, held closed for ${seconds(timed)}: it bounces, drags, or another closes with it.`)]
    : [said(what, true, `${each}, and so it is held.`)];
}
const seconds = (s: number): string => (s < 1 ? `${(1000 * s).toFixed(0)} ms` : `${s.toFixed(1)} s`);

/** Outputs that hang on one contact: their currents add, on the contact and on the supply. */
function sayJoined(outputs: readonly Output[], tests: readonly TableTest[], limit: number | null): Said[] {
  const leads = outputs.filter((o) => outputs.some((x) => same(x.with, o.terminal)));
  return leads.flatMap((lead) => {
    const all = [lead, ...outputs.filter((x) => x !== lead && same(x.with, lead.terminal))];
    const what = all.map((o) => o.terminal).join(' and ');
    if (all.some((o) => o.milliamps === null))
      return [said(what, null, 'Joined: measure what each draws, before one contact carries both.')];
    const sum = all.reduce((n, o) => n + o.milliamps!, 0);
    const bad = verdictOf(lead.terminal, tests)?.is === 'bad';
    if (bad) return [said(what, false, `Both hang on a contact that was found bad.`)];
    if (lead.carries !== null && sum > lead.carries)
      return [
        said(what, false, `Joined they draw ${sum} mA, and its contact carries ${lead.carries}: a relay, or apart.`),
      ];
    if (limit !== null && sum > limit)
      return [said(what, false, `Joined they draw ${sum} mA, and the supply is limited to ${limit}.`)];
    const known =
      lead.carries === null ? 'what the contact may carry is not said' : `its contact carries ${lead.carries}`;
    return [said(what, lead.carries === null ? null : true, `Joined they draw ${sum} mA; ${known}. It wears faster.`)];
  });
}

/** Degrees of the turn in which both are closed. */
export function closedTogether(a: NonNullable<Output['closes']>, b: NonNullable<Output['closes']>): number {
  const overlap = (shift: number) =>
    Math.max(0, Math.min(a.from + a.span, b.from + shift + b.span) - Math.max(a.from, b.from + shift));
  return overlap(-360) + overlap(0) + overlap(360);
}

function sayTogether(outputs: readonly Output[]): Said[] {
  return outputs.flatMap((a, i) =>
    outputs.slice(i + 1).flatMap((b) => {
      if (!a.closes || !b.closes || same(a.with, b.terminal) || same(b.with, a.terminal)) return [];
      const both = closedTogether(a.closes, b.closes);
      return both > 0
        ? [said(`${a.terminal} and ${b.terminal}`, null, `Closed together for ${both.toFixed(0)}° of the turn.`)]
        : [];
    }),
  );
}

function sayJumper(v: Values): Said[] {
  const [counted, belong] = [figure(v, 'counted'), figure(v, 'belong')];
  const often = counted !== null && belong !== null ? judgeWindings(belong, counted) : null;
  const wound =
    often === null || often === 'right' ? '' : ` It winds ${often} with it, ${counted} where ${belong} belong.`;
  const what = `Jumper ${jumperOf(v)}`;
  return v['is'] === 'in'
    ? [said(what, false, `Still in.${wound} Out before the clock goes.`)]
    : [said(what, true, `Tried, and out again.${wound}`)];
}

function saySister(v: Values): Said {
  const what = v['terminal'] ? `Terminal ${text(v, 'terminal')}` : 'Unlike a sister';
  const words = `${sentence(text(v, 'does'))}, unlike a sister movement`;
  if (v['is'] === 'by design') return said(what, true, `${words}: by design.`);
  return v['is'] === 'a fault'
    ? said(what, false, `${words}: a fault.`)
    : said(what, null, `${words}: not known which is right. Leave it as it is until that is known.`);
}

function sayLoop(v: Values | null): Said[] {
  if (!v) return [];
  const wants = figure(v, 'wants')!;
  const loop = seriesLoop([{ ohms: figure(v, 'ohms')!, count: figure(v, 'dials')! }], figure(v, 'line') ?? 0, wants);
  const words = `${loop.volts.toFixed(1)} V send ${wants} mA through all of it`;
  if (loop.volts > TOUCH_V) return [said('Series loop', false, `${words}: more than bare hands may meet. Split it.`)];
  const gives = figure(v, 'volts');
  if (gives === null) return [said('Series loop', null, `${words}.`)];
  const now = (1000 * gives) / loop.ohms;
  if (now < ENOUGH * wants)
    return [said('Series loop', false, `${words}; this supply sends ${now.toFixed(0)}: dials will miss steps.`)];
  return now > wants / ENOUGH
    ? [said('Series loop', null, `${words}; this supply sends ${now.toFixed(0)}: put a resistor in the loop.`)]
    : [said('Series loop', true, `${words}, and so it is.`)];
}
