import type { TestRun } from '@eclat/contract';
import { isOf, kindOfEntry } from '@eclat/core/benches';
import { lazy, useMemo } from 'react';
import { Fold } from '../../ui/Fold.tsx';
import { Help } from '../../ui/help/Help.tsx';
import { Late } from '../../ui/Late.tsx';
import { Entries } from '../benches/Entries.tsx';
import { Saids } from '../benches/Saids.tsx';
import { KindForm } from '../benches/TableBench.tsx';
import { useThisVisit } from '../visit/useThisVisit.ts';
import type { swingOf } from './swing.ts';

const LineChart = lazy(() => import('../../ui/LineChart.tsx').then((m) => ({ default: m.LineChart })));
const DAY = 86_400_000;
const BENCH = 'Swing';

/** How far it swings over the run, as a line, with where this clock stops. */
export function SwingFold({ run, swing }: { run: TestRun; swing: NonNullable<ReturnType<typeof swingOf>> }) {
  const visit = useThisVisit();
  const entries = visit.benchTests.filter((e) => e.of === 'visit' && isOf('swing')(e.test));
  const balance = visit.movement.traits.oscillator === 'balance';
  const last = swing.reads.at(-1);
  const series = useMemo(() => seriesOf(run, swing), [run, swing]);
  if (balance && swing.reads.length === 0) return null;
  return (
    <Fold
      title="Swing"
      says={last ? `${last.deg.toFixed(last.deg < 20 ? 1 : 0)}°` : 'not read'}
      aside={<Help about="swing" />}
    >
      <Saids said={swing.said} />
      {swing.reads.length > 1 && (
        <Late>
          <LineChart
            series={series}
            x="days on test"
            y="degrees to one side"
            says={`Swing, ${swing.reads.length} readings. ${swing.said.map((s) => s.says).join(' ')}`}
          />
        </Late>
      )}
      {swing.limit && (
        <p className="mb-3 text-soft">
          The level line: {swing.limit.deg.toFixed(1)}°, {swing.limit.from}. Below it this clock stops.
        </p>
      )}
      {!balance && !visit.closedAt && <KindForm kind={kindOfEntry('swing')} name={BENCH} keep="Save the swing" />}
      <Entries
        entries={entries}
        what={BENCH}
        form={(c) => <KindForm kind={kindOfEntry('swing')} name={BENCH} correcting={c} />}
      />
    </Fold>
  );
}

/** Readings, the line since it was last wound or touched, and the swing below which it stops. */
function seriesOf(run: TestRun, { reads, line, limit, segment }: NonNullable<ReturnType<typeof swingOf>>) {
  const start = Date.parse(run.startedAt);
  const days = (at: number) => (at - start) / DAY;
  const ran = reads.filter((r) => !r.stops);
  const ends = [segment[0]?.at ?? start, (segment.at(-1)?.at ?? start) + DAY];
  const across = [ran[0]?.at ?? start, ends[1]!];
  return [
    { label: 'Read', points: ran.map((r) => ({ x: days(r.at), y: r.deg })) },
    ...(line
      ? [
          {
            label: 'Since it was wound or touched',
            line: true,
            points: ends.map((at) => ({ x: days(at), y: line.middleDeg + (line.perDay * (at - line.middleAt)) / DAY })),
          },
        ]
      : []),
    ...(limit
      ? [
          {
            label: `Stops below: ${limit.from}`,
            line: true,
            mark: 'danger' as const,
            points: across.map((at) => ({ x: days(at), y: limit.deg })),
          },
        ]
      : []),
  ];
}
