import type { LoggedEvent, Moment } from '@eclat/core/sound';
import { counted } from '@eclat/core/units';
import { lazy, useMemo, type ReactNode } from 'react';
import { clockTime } from '../../ui/dates.ts';
import { Panel } from '../../ui/Answer.tsx';
import { Button } from '../../ui/Button.tsx';
import type { Heard } from './logs.ts';
import { Late } from '../../ui/Late.tsx';

const LineChart = lazy(() => import('../../ui/LineChart.tsx').then((m) => ({ default: m.LineChart })));

/** The last minutes as two lines: how it goes, and how its beat stands. */
export function Past({ history }: { history: readonly Moment[] }) {
  const last = history.at(-1)?.atS ?? 0;
  const [rates, odds] = useMemo(() => {
    const x = (m: Moment) => (m.atS - last) / 60;
    return [
      [{ label: 'Rate', line: true, points: history.map((m) => ({ x: x(m), y: m.rate })) }],
      [
        {
          label: 'Beat error',
          line: true,
          points: history.flatMap((m) => (m.oddMs === null ? [] : [{ x: x(m), y: m.oddMs }])),
        },
      ],
    ];
  }, [history, last]);
  if (history.length < 2) return null;
  return (
    <Panel title="The last minutes">
      <div className="grid gap-5 lg:grid-cols-2">
        <Late>
          <LineChart
            series={odds}
            x="minutes ago"
            y="ms out of beat"
            says={
              `Beat error over ${history.length * 10} seconds, last ` +
              `${history.at(-1)!.oddMs?.toFixed(1) ?? 'not told'} ms`
            }
          />
          <LineChart
            series={rates}
            x="minutes ago"
            y="s/day"
            says={`Rate over ${history.length * 10} seconds, last ${history.at(-1)!.rate.toFixed(1)} seconds a day`}
          />
        </Late>
      </div>
    </Panel>
  );
}

const WORDS: Record<LoggedEvent['kind'], string> = {
  found: 'Beat found',
  stopped: 'Stopped',
  missed: 'Missed',
  'not listened': 'Not listened',
};

/** Hours and events of a long listening, and the strikes; as a table to take along. */
export function Log({
  heard: { hours, events, strikes },
  beganAt,
  name,
  title = 'Log',
  children,
}: {
  heard: Heard;
  beganAt: number;
  name: string;
  title?: string;
  children?: ReactNode;
}) {
  const when = (s: number) => new Date(beganAt + s * 1000);
  const rows = [
    ...hours.map((h) => ({
      at: h.fromS,
      what: `${clockTime(when(h.fromS))} to ${clockTime(when(h.toS))}`,
      says: h.report
        ? (h.report.rateSecondsPerDay >= 0 ? '+' : '−') +
          `${Math.abs(h.report.rateSecondsPerDay).toFixed(1)} ± ${h.report.rateHalfWidth.toFixed(1)} ` +
          `s/day, ${h.report.missing} missing`
        : 'too little was heard',
    })),
    ...events.map((e) => ({ at: e.atS, what: `${clockTime(when(e.atS))} ${WORDS[e.kind]}`, says: e.says })),
    ...strikes.map((s) => ({
      at: s.fromS,
      what: `${clockTime(when(s.fromS))} ${counted(s.blows, 'blow')}`,
      says:
        s.everyS === null
          ? ''
          : `one every ${s.everyS.toFixed(2)} s${s.unevenS === null ? '' : `, uneven by ${s.unevenS.toFixed(2)} s`}`,
    })),
  ].sort((a, b) => b.at - a.at);
  if (rows.length === 0) return null;
  return (
    <Panel
      title={title}
      aside={
        <span className="flex flex-wrap gap-2">
          <Button onClick={() => void saveLog({ hours, events, strikes }, beganAt, name)}>Save as CSV</Button>
          {children}
        </span>
      }
    >
      <LogRows rows={rows} />
    </Panel>
  );
}

/** The log as a CSV file of the browser's downloads. */
async function saveLog({ hours, events, strikes }: Heard, beganAt: number, name: string): Promise<void> {
  const when = (s: number) => new Date(beganAt + s * 1000);
  const { writeTable } = await import('@eclat/core/table');
  const figure = (x: number | null | undefined, digits: number) =>
    x === null || x === undefined ? '' : x.toFixed(digits);
  const csv = writeTable(
    ['kind', 'from', 'to', 'rate_s_per_day', 'half_width', 'beat_error_ms', 'beats', 'missing', 'says'],
    [
      ...hours.map(({ fromS, toS, report: r }) => [
        'hour',
        when(fromS).toISOString(),
        when(toS).toISOString(),
        figure(r?.rateSecondsPerDay, 2),
        figure(r?.rateHalfWidth, 2),
        figure(r?.beatErrorMs, 2),
        r?.beats ?? '',
        r?.missing ?? '',
        '',
      ]),
      ...events.map((e) => [e.kind, when(e.atS).toISOString(), '', '', '', '', '', '', e.says]),
      ...strikes.map((s) => [
        'strike',
        when(s.fromS).toISOString(),
        '',
        '',
        '',
        '',
        s.blows,
        '',
        s.everyS === null ? '' : `every ${s.everyS.toFixed(3)} s`,
      ]),
    ],
  );
  const link = document.createElement('a');
  link.href = URL.createObjectURL(new Blob([csv], { type: 'text/csv' }));
  link.download = `${name}.csv`;
  link.click();
  URL.revokeObjectURL(link.href);
}

function LogRows({ rows }: { rows: { at: number; what: string; says: string }[] }) {
  return (
    <ul className="divide-y divide-line">
      {rows.slice(0, 60).map((r) => (
        <li key={`${r.at} ${r.what}`} className="flex min-h-11 flex-wrap items-center gap-x-5">
          <b className="w-56">{r.what}</b>
          <span>{r.says}</span>
        </li>
      ))}
    </ul>
  );
}
