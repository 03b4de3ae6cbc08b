import type { FigureProps } from './kinds.ts';

const PARTS = [
  ['benchPercent', 'Bench', 'fill-steel'],
  ['waitingPercent', 'Waiting', 'fill-brass-fill'],
  ['testPercent', 'Test run', 'fill-good'],
] as const;

/** Where the days go: bench, waiting, test run; half and nine in ten marked on the line of days. */
export function Shares({ result }: FigureProps) {
  const [half, nine] = [result['halfDays']!, result['nineDays']!];
  const x = (days: number) => 20 + (days / (nine * 1.12)) * 560;
  const parts = PARTS.map(([key, title, look], i) => ({
    title,
    look,
    share: result[key]!,
    from: PARTS.slice(0, i).reduce((n, [k]) => n + result[k]!, 0),
  }));
  return (
    <svg
      viewBox="0 0 600 170"
      role="img"
      aria-label={`Half within ${half.toFixed(0)} days, nine in ten within ${nine.toFixed(0)}`}
      className="w-full max-w-2xl"
    >
      {parts.map(
        (p) =>
          p.share > 0.5 && (
            <g key={p.title}>
              <rect x={20 + 5.6 * p.from} y={8} width={5.6 * p.share - 2} height={34} rx={4} className={p.look} />
              {p.share > 12 && (
                <text
                  x={20 + 5.6 * (p.from + p.share / 2)}
                  y={62}
                  textAnchor="middle"
                  className="fill-ink"
                  fontSize={16}
                >
                  {p.title} {p.share.toFixed(0)} %
                </text>
              )}
            </g>
          ),
      )}
      <path d="M20 120 H585" className="stroke-soft" strokeWidth={3} />
      {(
        [
          [half, 'half'],
          [nine, 'nine in ten'],
        ] as const
      ).map(([days, title]) => (
        <g key={title} transform={`translate(${x(days)} 120)`}>
          <path d="M0 -14 V14" className="stroke-ink" strokeWidth={4} />
          <text y={-20} textAnchor="middle" className="fill-ink" fontSize={18} fontWeight={700}>
            {days.toFixed(0)} d
          </text>
          <text y={34} textAnchor="middle" className="fill-soft" fontSize={15}>
            {title}
          </text>
        </g>
      ))}
    </svg>
  );
}
