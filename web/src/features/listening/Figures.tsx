import type { SoundReport } from '@eclat/core/sound';
import { grouped } from '@eclat/core/units';
import { TriangleAlert } from 'lucide-react';
import { msWords } from './sides.ts';

const daily = (r: SoundReport) =>
  '' +
  (r.rateSecondsPerDay >= 0 ? '+' : '−') +
  Math.abs(r.rateSecondsPerDay).toFixed(Math.abs(r.rateSecondsPerDay) < 10 ? 1 : 0);

/** What was heard, in figures that are read from the bench. */
export function Figures({ report, over }: { report: SoundReport; over: string }) {
  const rows: [string, string, string][] = [
    [
      'Rate',
      `${daily(report)} s/day`,
      '95 % within ±' +
        report.rateHalfWidth.toFixed(report.rateHalfWidth < 10 ? 1 : 0) +
        '; ' +
        (report.rateSecondsPerDay >= 0 ? 'gains' : 'loses'),
    ],
    ['Beats an hour', grouped(report.beatsPerHour), `heard ${report.measuredBeats.toFixed(1)}`],
    [
      'Beat error',
      report.beatErrorMs === null ? '—' : msWords(report.beatErrorMs),
      report.beatErrorShare === null
        ? 'not told'
        : `${(100 * report.beatErrorShare).toFixed(2)} %` +
          (report.shortSide === 'neither' ? '' : `, ${report.shortSide} is short`),
    ],
    ...(report.amplitudeDegrees === null
      ? []
      : [
          [
            'Amplitude',
            `${report.amplitudeDegrees.toFixed(0)}°`,
            `scatters by ${report.amplitudeScatter!.toFixed(1)}°`,
          ] as [string, string, string],
        ]),
    ['Beats heard', grouped(report.beats), `${report.missing} missing, ${report.extra} extra; ${over}`],
  ];
  return (
    <>
      <dl className="divide-y divide-line">
        {rows.map(([name, value, more]) => (
          <div key={name} className="flex flex-wrap items-baseline justify-between gap-x-4 py-2">
            <dt className="font-semibold">{name}</dt>
            <dd className="text-2xl font-bold">{value}</dd>
            <dd className="w-full text-right text-sm text-soft">{more}</dd>
          </div>
        ))}
      </dl>
      {report.wheel && (
        <p className="mt-2 rounded-lg bg-brass-wash px-3 py-2">
          Repeats with each turn of a wheel of {report.wheel.teeth} teeth: look at that wheel for a bent tooth or
          runout.
        </p>
      )}
      {report.warnings.map((w) => (
        <p key={w} className="mt-2 flex items-start gap-2 rounded-lg bg-brass-wash px-3 py-2">
          <TriangleAlert className="mt-0.5 size-5 shrink-0 text-brass" aria-label="Attention" />
          {w}
        </p>
      ))}
    </>
  );
}
