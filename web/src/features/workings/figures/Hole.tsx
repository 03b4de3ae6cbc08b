import type { FigureProps } from './kinds.ts';

/** The worn hole many times enlarged and to scale, with its pivot; and the bush that will swallow it. */
export function Hole({ input, result }: FigureProps) {
  const [pivot, long, short] = [input['pivotMm']!, input['holeLongMm']!, input['holeShortMm']!];
  const outside = result['outsideMm'];
  const back = (long - short) / 2;
  const unit = 210 / Math.max(outside ?? 0, 2 * long - short, long);
  const slot =
    `M ${-back * unit} ${(-short / 2) * unit} H ${back * unit} A ${(short / 2) * unit} ` +
    `${(short / 2) * unit} 0 0 1 ${back * unit} ${(short / 2) * unit} H ${-back * unit} A ` +
    `${(short / 2) * unit} ${(short / 2) * unit} 0 0 1 ${-back * unit} ${(-short / 2) * unit} Z`;
  return (
    <svg
      viewBox="-170 -135 340 290"
      role="img"
      aria-label={
        outside === undefined
          ? 'The worn hole and its pivot to scale'
          : 'The worn hole, its true centre and the bush to scale'
      }
      className="mx-auto w-full max-w-80"
    >
      {outside !== undefined && (
        <g transform={`translate(${-back * unit} 0)`}>
          <circle r={(outside / 2) * unit} className="fill-brass-wash stroke-brass-fill" strokeWidth={4} />
          <circle
            r={(result['finishedBoreMm']! / 2) * unit}
            className="fill-none stroke-brass-fill"
            strokeWidth={3}
            strokeDasharray="6 4"
          />
        </g>
      )}
      <path d={slot} className="fill-sunk stroke-ink" strokeWidth={3} />
      <circle
        cx={(outside === undefined ? back + (short - pivot) / 2 : -back) * unit}
        r={(pivot / 2) * unit}
        className="fill-steel"
        opacity={outside === undefined ? 1 : 0.55}
      />
      <path d={`M ${-back * unit - 10} 0 h 20 M ${-back * unit} -10 v 20`} className="stroke-danger" strokeWidth={3} />
      <text y={145} textAnchor="middle" className="fill-soft" fontSize={16}>
        {outside === undefined
          ? 'pivot pressed to the worn side; cross: where it belongs'
          : 'brass: the bush about the true centre'}
      </text>
    </svg>
  );
}
