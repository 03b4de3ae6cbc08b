import type { ServiceRecord } from '../history/index.ts';
import { sentence } from '../units/index.ts';
import { rowsIn } from './columns.ts';

/** How long it ran, from hours: minutes below one hour, days from two. */
const runTime = (h: number): string => {
  if (h < 1) return `${Math.round(h * 60)} min`;
  return h < 48 ? `${Math.round(h)} h` : `${Math.round(h / 24)} days`;
};

/** What went at its own pace, and runs with parts off. */
const besideRows = (record: ServiceRecord): [string, string[]][] => [
  [
    'By itself',
    (record.units ?? []).flatMap((u) => [
      `${sentence(u.name)}: ${u.done.length > 0 ? u.done.join(', ').toLowerCase() : 'nothing said of it'}`,
      ...u.runs.map((r) => `${sentence(u.name)} ran ${runTime(r.hours)}, driven by: ${r.driven}. ${r.found}`.trim()),
    ]),
  ],
  [
    'Stand',
    (record.standRuns ?? []).map((r) =>
      [`Ran ${runTime(r.hours)}, off: ${r.off}.`, r.watched && `Watched: ${r.watched}.`, r.found]
        .filter(Boolean)
        .join(' '),
    ),
  ],
];

const partsOf = (record: ServiceRecord): [string, string[]][] => [
  [
    'Job',
    record.job ? [[record.job.shape, record.job.terms.toLowerCase(), record.job.trial].filter(Boolean).join('; ')] : [],
  ],
  ['Found', record.condition.map((c) => `${c.place}: ${c.seen}${c.earlierRepair ? ' (earlier repair)' : ''}`)],
  ['Cause', record.causes],
  [
    'Cleaned',
    record.cleaned.map((c) =>
      [c.parts.join(', '), c.minutes > 0 ? `in ${c.bath}, ${c.minutes} min` : c.bath].filter(Boolean).join(' '),
    ),
  ],
  [
    'Worn',
    (record.looked?.worn ?? []).map(
      (w) =>
        `${w.what}: ${w.state}` +
        (w.toMm ? `, turned down to ${w.toMm.toFixed(2)} mm` : '') +
        (w.note ? `, ${w.note}` : ''),
    ),
  ],
  [
    'Bushes',
    record.bushes.map(
      (b) =>
        `${b.hole}: pivot ${b.pivotMm.toFixed(2)}, bore ${b.boreMm.toFixed(2)}, outside ` +
        `${b.outsideMm.toFixed(2)}, height ${b.heightMm.toFixed(2)} mm`,
    ),
  ],
  [
    'Work',
    (record.work ?? []).map((w) =>
      [
        `${w.part}: ${w.did}`,
        w.before && `before ${w.before}`,
        w.after && `after ${w.after}`,
        !w.reversible && 'cannot be undone',
      ]
        .filter(Boolean)
        .join(', '),
    ),
  ],
  ['Parts', record.parts.map((p) => `${p.what}${p.size ? `, ${p.size}` : ''}, ${p.source}; old part ${p.oldPart}`)],
  ['Electric', record.electric ?? []],
  ['Set up', record.setUp ?? []],
  [
    'Case',
    (record.casework ?? []).map((c) =>
      [`${c.place}: ${c.what.toLowerCase()}${c.times > 1 ? `, ${c.times} times` : ''}`, c.product, c.origin]
        .filter(Boolean)
        .join(', '),
    ),
  ],
  ['Oiled', oiledLines(record.oiled)],
  ...besideRows(record),
  ['Not done', record.notDone ?? []],
  ['Declined', record.declined ?? []],
  ['Test', [record.test.verdict + (record.test.waived ? ` Waived: ${record.test.waived.replace(/\.+$/, '')}.` : '')]],
];

/** How many, with what, and each point that was done otherwise than its chart. */
function oiledLines(oiled: ServiceRecord['oiled']): string[] {
  if (oiled.length === 0) return [];
  const dry = oiled.filter((o) => o.grade === 'none').length;
  const products = oiled.map((o) => [o.product, o.batch && `batch ${o.batch}`].filter(Boolean).join(', '));
  const used = [...new Set(products)].filter(Boolean).join('; ');
  return [
    `${oiled.length - dry} points oiled, ${dry} left dry`,
    ...(used ? [used] : []),
    ...oiled.flatMap((o) => (o.otherwise ? [`Not as the chart says, ${o.where}: ${o.otherwise}`] : [])),
  ];
}

/** What of old things was kept or changed, as far as it was decided: a stranger’s section may say anything. */
function decided(sections: Told['sections']): string[] {
  const word = (value: unknown) => (typeof value === 'string' ? value : '');
  return rowsIn(sections['conservation'], 'ways')
    .filter((row) => row['stands'] === 'chosen' && word(row['way']) !== '')
    .map((row) => {
      const said = `${word(row['about'])}: ${word(row['way'])}`;
      const undone = row['undone'] === 'no' ? ', which cannot be undone' : '';
      return [said + undone, word(row['why'])].filter(Boolean).join('. ');
    });
}

/** What of an entry is told: its record, and the sections beside it. */
export interface Told {
  record: ServiceRecord;
  sections: Readonly<Record<string, unknown>>;
}

/** A signed visit as a story: names, each with its lines. What was not said is left out. */
export function tellRecord({ record, sections }: Told): { name: string; lines: string[] }[] {
  const parts = partsOf(record);
  const told: [string, string[]][] = [...parts.slice(0, -1), ['Decided', decided(sections)], ...parts.slice(-1)];
  return told.flatMap(([name, lines]) => (lines.length > 0 ? [{ name, lines }] : []));
}
