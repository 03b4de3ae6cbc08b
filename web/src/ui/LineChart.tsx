import { Chart, LinearScale, LineElement, PointElement, Tooltip, type ChartOptions } from 'chart.js';
import { useMemo } from 'react';
import { Scatter } from 'react-chartjs-2';
import { CHART_FONT, useColours } from './chartTheme.ts';

Chart.register(LinearScale, PointElement, LineElement, Tooltip);

export interface Series {
  label: string;
  points: { x: number; y: number }[];
  line?: boolean;
  mark?: 'steel' | 'brass-fill' | 'danger';
}

interface Props {
  series: readonly Series[];
  x: string;
  y: string;
  /** What the chart shows, for those who cannot see it. */
  says: string;
  from0?: boolean;
}

/** Lines and marks over two plain scales, in the colours of the theme. */
export function LineChart({ series, x, y, says, from0 = false }: Props) {
  const colours = useColours();
  const { data, options } = useMemo(() => {
    const ink = colours.soft;
    const axis = (text: string) => ({
      title: { display: true, text, color: ink, font: CHART_FONT },
      ticks: { color: ink, font: CHART_FONT, maxTicksLimit: 8 },
      grid: { color: colours.line },
    });
    const options: ChartOptions<'scatter'> = {
      animation: false,
      maintainAspectRatio: false,
      scales: { x: axis(x), y: { ...axis(y), ...(from0 ? { min: 0 } : {}) } },
    };
    const datasets = series.map((s) =>
      s.line
        ? {
            label: s.label,
            data: s.points,
            showLine: true,
            pointRadius: 0,
            borderWidth: 3,
            borderColor: colours[s.mark ?? 'steel'],
          }
        : {
            label: s.label,
            data: s.points,
            pointRadius: 7,
            borderWidth: 3,
            backgroundColor: colours.enamel,
            borderColor: colours[s.mark ?? 'steel'],
          },
    );
    return { data: { datasets: [...datasets].reverse() }, options };
  }, [series, x, y, from0, colours]);
  return (
    <div className="relative h-72 min-w-0 overflow-hidden">
      <Scatter key={colours.steel} data={data} options={options} role="img" aria-label={says} />
    </div>
  );
}
