import type { HeardSound, TestRun } from '@eclat/contract';
import { breaksLine, type RunJudgement } from '@eclat/core/rate';
import {
  Chart,
  Filler,
  LinearScale,
  LineElement,
  PointElement,
  Tooltip,
  type ChartOptions,
  type Plugin,
} from 'chart.js';
import { useDeferredValue, useMemo } from 'react';
import { Scatter } from 'react-chartjs-2';
import { CHART_FONT as font, useColours, type Colours } from '../../ui/chartTheme.ts';

Chart.register(LinearScale, PointElement, LineElement, Filler, Tooltip);

const DAY = 86_400_000;
const STROKE_DAYS = 0.4;
/** Readings, the line of the rate with its 95 % band, and a mark where the clock was touched. */
export default function RateChart(now: { run: TestRun; judged: RunJudgement; heard: readonly HeardSound[] }) {
  // Drawing it is long: the log and the verdict stand first.
  const [run, judged, heard] = [useDeferredValue(now.run), useDeferredValue(now.judged), useDeferredValue(now.heard)];
  const colours = useColours();
  const { data, options, events } = useMemo(() => draw(run, judged, heard, colours), [run, judged, heard, colours]);
  const says = `${run.readings.length} readings over ${judged.days.toFixed(1)} days. ${judged.verdict.text}`;
  return (
    <div className="relative h-[22rem] min-w-0 overflow-hidden">
      <Scatter key={colours.steel} data={data} options={options} plugins={[events]} role="img" aria-label={says} />
    </div>
  );
}

/** Points of the readings, the line of the fit and the slopes that were heard, in days since the start. */
function shapesOf(run: TestRun, { fit, segment }: RunJudgement, heard: readonly HeardSound[]) {
  const start = Date.parse(run.startedAt);
  const days = (at: number) => (at - start) / DAY;
  const own = new Set(segment.map((r) => r.at));
  const out = new Set(fit?.outliers.map((i) => segment[i]!.at));
  const points = run.readings.map((r) => ({ at: Date.parse(r.readAt), x: days(Date.parse(r.readAt)), y: r.errorS }));
  const [from, to] = [segment[0]?.at ?? start, (segment.at(-1)?.at ?? start) + DAY / 2];
  const fitted = (at: number) => fit!.interceptS + (fit!.rateSecondsPerDay * (at - fit!.originAt)) / DAY;
  const line = (offset: (at: number) => number) =>
    fit === null
      ? []
      : Array.from({ length: 41 }, (_, i) => {
          const at = from + ((to - from) * i) / 40;
          return { x: days(at), y: fitted(at) + offset(at) };
        });
  // The slope that was heard, as a short stroke through the nearest reading: along the line, or across it.
  const strokes = heard.flatMap((h) => {
    const at = Date.parse(h.at);
    const near = points.reduce<(typeof points)[number] | null>(
      (best, p) => (best === null || Math.abs(p.at - at) < Math.abs(best.at - at) ? p : best),
      null,
    );
    if (!near || at < start) return [];
    const y = own.has(near.at) && fit ? fitted(at) : near.y;
    return [
      { x: days(at) - STROKE_DAYS, y: y - h.rateSecondsPerDay * STROKE_DAYS },
      { x: days(at) + STROKE_DAYS, y: y + h.rateSecondsPerDay * STROKE_DAYS },
      { x: days(at), y: Number.NaN },
    ];
  });
  return {
    days,
    strokes,
    line: line(() => 0),
    high: line((at) => fit!.bandS(at)),
    low: line((at) => -fit!.bandS(at)),
    counted: points.filter((p) => own.has(p.at) && !out.has(p.at)),
    before: points.filter((p) => !own.has(p.at)),
    leftOut: points.filter((p) => out.has(p.at)),
  };
}

const plain = { pointRadius: 0, borderWidth: 0, showLine: true };

function draw(run: TestRun, judged: RunJudgement, heard: readonly HeardSound[], colours: Colours) {
  const shapes = shapesOf(run, judged, heard);
  const { steel } = colours;
  const data = {
    datasets: [
      { label: 'high', data: shapes.high, ...plain, fill: '+1', backgroundColor: `${steel}2b` },
      { label: 'low', data: shapes.low, ...plain, fill: false },
      { label: 'Line', data: shapes.line, ...plain, borderWidth: 3, borderColor: steel },
      { label: 'By sound', data: shapes.strokes, ...plain, borderWidth: 5, borderColor: colours['brass-fill'] },
      {
        label: 'Reading',
        data: shapes.counted,
        pointRadius: 6,
        backgroundColor: colours.enamel,
        borderColor: steel,
        borderWidth: 3,
      },
      {
        label: 'Before it was last touched',
        data: shapes.before,
        pointRadius: 5,
        backgroundColor: colours.line,
        borderColor: colours.soft,
        borderWidth: 1.5,
      },
      {
        label: 'Left out',
        data: shapes.leftOut,
        pointStyle: 'crossRot' as const,
        pointRadius: 9,
        borderColor: colours.danger,
        borderWidth: 3,
      },
    ],
  };
  return { data, options: optionsOf(colours), events: eventLines(run, shapes.days, colours) };
}

function optionsOf({ soft: ink, line }: Colours): ChartOptions<'scatter'> {
  return {
    animation: false,
    maintainAspectRatio: false,
    scales: {
      x: {
        title: { display: true, text: 'days on test', color: ink, font },
        ticks: { color: ink, font, maxTicksLimit: 12 },
        grid: { color: line },
        min: 0,
      },
      y: {
        title: { display: true, text: 'seconds ahead', color: ink, font },
        ticks: { color: ink, font },
        grid: { color: line },
      },
    },
    plugins: {
      tooltip: {
        filter: (item) => item.datasetIndex > 3,
        callbacks: { label: (item) => `${item.dataset.label ?? ''}: ${Number(item.parsed.y).toFixed(1)} s` },
      },
    },
  };
}

/** A line across the chart for each thing that happened to the clock; solid where the rate begins anew. */
function eventLines(run: TestRun, days: (at: number) => number, colours: Colours): Plugin<'scatter'> {
  return {
    id: 'events',
    afterDatasetsDraw({ ctx, chartArea, scales }) {
      for (const e of run.events) {
        const x = scales['x']!.getPixelForValue(days(Date.parse(e.happenedAt)));
        if (x < chartArea.left || x > chartArea.right) continue;
        ctx.save();
        ctx.strokeStyle = breaksLine(e.kind) ? colours['brass-fill'] : colours.line;
        ctx.lineWidth = 2;
        ctx.setLineDash(breaksLine(e.kind) ? [] : [4, 4]);
        ctx.beginPath();
        ctx.moveTo(x, chartArea.top);
        ctx.lineTo(x, chartArea.bottom);
        ctx.stroke();
        ctx.fillStyle = colours.soft;
        ctx.font = `14px ${font.family}`;
        const right = x > chartArea.right - 90;
        ctx.textAlign = right ? 'right' : 'left';
        ctx.fillText(e.kind, x + (right ? -6 : 6), chartArea.top + 14);
        ctx.restore();
      }
    },
  };
}
