import { circularErrorSecondsPerDay } from '@eclat/core/pendulum';
import { useMemo } from 'react';
import { LineChart, type Series } from '../../../ui/LineChart.tsx';
import type { FigureProps } from './kinds.ts';

/** The curve of circular error with the two arcs on it. */
export function Circular({ input }: FigureProps) {
  const [arc, other] = [input['semiArcDeg']!, input['otherDeg']];
  const series = useMemo((): Series[] => {
    const most = Math.max(arc, other ?? 0, 2) * 1.4;
    const at = (x: number) => ({ x, y: circularErrorSecondsPerDay(x) });
    return [
      { label: 'Loses', points: Array.from({ length: 61 }, (_, i) => at((most * i) / 60)), line: true },
      { label: 'This arc', points: [at(arc)], mark: 'steel' },
      ...(other === undefined
        ? []
        : [{ label: 'Later in the wind', points: [at(other)], mark: 'brass-fill' as const }]),
    ];
  }, [arc, other]);
  return (
    <LineChart series={series} x="semi-arc, degrees" y="loses, s a day" says="Circular error against the semi-arc" />
  );
}

/** The pull of a fusee over the wind. */
export function Fusee({ rows }: FigureProps) {
  const curve = rows['curve'];
  const series = useMemo(
    (): Series[] => [
      { label: 'Pull', points: curve!.map((p) => ({ x: p['unwoundTurns']!, y: p['sharePercent']! })), line: true },
    ],
    [curve],
  );
  return (
    <LineChart
      series={series}
      x="turns from fully wound"
      y="pull, % of its mean"
      says="Pull of the fusee over the wind"
      from0
    />
  );
}

/** Readings and the line of the rate. */
export function Rate({ rows, result }: FigureProps) {
  const readings = rows['readings'];
  const rate = result['rateSecondsPerDay']!;
  const series = useMemo((): Series[] => {
    const points = readings!.map((r) => ({ x: r['days']!, y: r['errorS']! }));
    const middle = [...points.map((p) => p.y - rate * p.x)].sort((a, b) => a - b)[points.length >> 1]!;
    const end = Math.max(...points.map((p) => p.x));
    return [
      {
        label: 'Rate',
        points: [
          { x: 0, y: middle },
          { x: end, y: middle + rate * end },
        ],
        line: true,
      },
      { label: 'Reading', points, mark: 'steel' },
    ];
  }, [readings, rate]);
  return <LineChart series={series} x="days" y="seconds ahead" says="Readings and the line of the rate" />;
}
