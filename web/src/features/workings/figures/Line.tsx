import type { FigureProps } from './kinds.ts';

/** Barrel, line and weight: how far the line lets it fall, and where the floor is. */
export function Line({ input, result }: FigureProps) {
  const drop = result['lineDropMm'] ?? result['dropMm']!;
  const fall = input['fallMm'] ?? drop * 0.92;
  const most = Math.max(drop, fall);
  const y = (mm: number) => 70 + (mm / most) * 200;
  const known = input['fallMm'] !== undefined;
  return (
    <svg
      viewBox="0 0 360 340"
      role="img"
      aria-label={
        `The line lets the weight fall ${drop.toFixed(0)} mm` +
        (known ? `, the floor is ${fall.toFixed(0)} mm down` : '')
      }
      className="mx-auto w-full max-w-80"
    >
      <rect x={70} y={16} width={90} height={34} rx={5} className="fill-brass-wash stroke-brass-fill" strokeWidth={3} />
      {Array.from({ length: 9 }, (_, i) => (
        <path key={i} d={`M${78 + i * 9} 17 l5 32`} className="stroke-soft" strokeWidth={2} />
      ))}
      <path d={`M150 50 V${y(0)}`} className="stroke-soft" strokeWidth={3} />
      <rect x={136} y={y(0)} width={28} height={50} rx={6} className="fill-steel" />
      <path
        d={`M150 ${y(0) + 50} V${y(Math.min(drop, fall))}`}
        className="stroke-soft"
        strokeWidth={2}
        strokeDasharray="4 4"
      />
      <rect
        x={136}
        y={y(Math.min(drop, fall))}
        width={28}
        height={50}
        rx={6}
        className="fill-none stroke-steel"
        strokeWidth={2.5}
        strokeDasharray="5 3"
      />
      {known && (
        <>
          <path d={`M60 ${y(fall) + 51} H330`} className="stroke-ink" strokeWidth={5} />
          <text x={330} y={y(fall) + 44} textAnchor="end" className="fill-ink" fontSize={17} fontWeight={600}>
            floor, {fall.toFixed(0)} mm
          </text>
        </>
      )}
      <path
        d={`M210 ${y(0)} V${y(drop)} M204 ${y(drop) - 10} L210 ${y(drop)} L216 ${y(drop) - 10}`}
        className="fill-none stroke-brass-fill"
        strokeWidth={3}
      />
      <text x={222} y={(y(0) + y(drop)) / 2} className="fill-ink" fontSize={19} fontWeight={700}>
        {drop.toFixed(0)} mm
      </text>
      <text x={222} y={(y(0) + y(drop)) / 2 + 22} className="fill-soft" fontSize={15}>
        of line
      </text>
    </svg>
  );
}
