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
import { useMemo } from 'react';
import { Scatter } from 'react-chartjs-2';
import { CHART_FONT as font, useColours, type Colours } from '../../ui/chartTheme.ts';

Chart.register(LinearScale, PointElement, LineElement, Filler, Tooltip);

const DAY = 86_400_000;
const STROKE_DAYS = 0.4;
/** Readings, the line of the rate with its 95 % band, and a mark where the clock was touched. */
export default function RateChart({
  run,
  judged,
  heard,
}: {
  run: TestRun;
  judged: RunJudgement;
  heard: readonly HeardSound[];
}) {
  const colours = useColours();
  const { data, options, events } = useMemo(() => draw(run, judged, heard, colours), [run, judged, heard, colours]);
  const says = `${run.readings.length} readings over ${judged.days.toFixed(1)} days. ${judged.verdict.text}`;
  return (
    <div className="relative h-[22rem] min-w-0 overflow-hidden">
      <Scatter key={colours.steel} data={data} options={options} plugins={[events]} role="img" aria-label={says} />
    </div>
  );
}

function draw(run: TestRun, { fit, segment }: RunJudgement, heard: readonly HeardSound[], colours: Colours) {
  const start = Date.parse(run.startedAt);
  const days = (at: number) => (at - start) / DAY;
  const own = new Set(segment.map((r) => r.at));
  const out = new Set(fit?.outliers.map((i) => segment[i]!.at));
  const points = run.readings.map((r) => ({ at: Date.parse(r.readAt), x: days(Date.parse(r.readAt)), y: r.errorS }));
  const [from, to] = [segment[0]?.at ?? start, (segment.at(-1)?.at ?? start) + DAY / 2];
  const line = (offset: (at: number) => number) =>
    fit === null
      ? []
      : Array.from({ length: 41 }, (_, i) => {
          const at = from + ((to - from) * i) / 40;
          return { x: days(at), y: fit.interceptS + (fit.rateSecondsPerDay * (at - fit.originAt)) / DAY + offset(at) };
        });
  /**
   * The slope that was heard, as a short stroke through the reading nearest in time: it runs along the line, or across
   * it.
   */
  const strokes = heard.flatMap((h) => {
    const at = Date.parse(h.at);
    const near = points.reduce<(typeof points)[number] | null>(
      (best, p) => (best === null || Math.abs(p.at - at) < Math.abs(best.at - at) ? p : best),
      null,
    );
    if (!near || at < start) return [];
    const y = own.has(near.at) && fit ? fit.interceptS + (fit.rateSecondsPerDay * (at - fit.originAt)) / DAY : near.y;
    return [
      { x: days(at) - STROKE_DAYS, y: y - h.rateSecondsPerDay * STROKE_DAYS },
      { x: days(at) + STROKE_DAYS, y: y + h.rateSecondsPerDay * STROKE_DAYS },
      { x: days(at), y: Number.NaN },
    ];
  });
  const plain = { pointRadius: 0, borderWidth: 0, showLine: true };
  const steel = colours.steel;
  const data = {
    datasets: [
      { label: 'high', data: line((at) => fit!.bandS(at)), ...plain, fill: '+1', backgroundColor: `${steel}2b` },
      { label: 'low', data: line((at) => -fit!.bandS(at)), ...plain, fill: false },
      { label: 'Line', data: line(() => 0), ...plain, borderWidth: 3, borderColor: steel },
      { label: 'By sound', data: strokes, ...plain, borderWidth: 5, borderColor: colours['brass-fill'] },
      {
        label: 'Reading',
        data: points.filter((p) => own.has(p.at) && !out.has(p.at)),
        pointRadius: 6,
        backgroundColor: colours.enamel,
        borderColor: steel,
        borderWidth: 3,
      },
      {
        label: 'Before it was last touched',
        data: points.filter((p) => !own.has(p.at)),
        pointRadius: 5,
        backgroundColor: colours.line,
        borderColor: colours.soft,
        borderWidth: 1.5,
      },
      {
        label: 'Left out',
        data: points.filter((p) => out.has(p.at)),
        pointStyle: 'crossRot' as const,
        pointRadius: 9,
        borderColor: colours.danger,
        borderWidth: 3,
      },
    ],
  };
  const ink = colours.soft;
  const options: ChartOptions<'scatter'> = {
    animation: false,
    maintainAspectRatio: false,
    scales: {
      x: {
        title: { display: true, text: 'days on test', color: ink, font },
        ticks: { color: ink, font, maxTicksLimit: 12 },
        grid: { color: colours.line },
        min: 0,
      },
      y: {
        title: { display: true, text: 'seconds ahead', color: ink, font },
        ticks: { color: ink, font },
        grid: { color: colours.line },
      },
    },
    plugins: {
      tooltip: {
        filter: (item) => item.datasetIndex > 3,
        callbacks: { label: (item) => `${item.dataset.label ?? ''}: ${Number(item.parsed.y).toFixed(1)} s` },
      },
    },
  };
  const events: Plugin<'scatter'> = {
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
        ctx.fillStyle = ink;
        ctx.font = `14px ${font.family}`;
        const right = x > chartArea.right - 90;
        ctx.textAlign = right ? 'right' : 'left';
        ctx.fillText(e.kind, x + (right ? -6 : 6), chartArea.top + 14);
        ctx.restore();
      }
    },
  };
  return { data, options, events };
}
