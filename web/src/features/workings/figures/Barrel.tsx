import type { FigureProps } from './kinds.ts';

/** The spring in its barrel to scale: let down against the wall, and wound on its arbor. */
export function Barrel({ input, result }: FigureProps) {
  const R = input['barrelMm']! / 2,
    r = input['arborMm']! / 2,
    e = input['thicknessMm']!;
  const unit = 96 / R;
  const ring = (from: number, to: number) => {
    const coils = Math.max(1, Math.round((to - from) / e));
    const shown = Math.min(coils, 22);
    return Array.from({ length: shown }, (_, i) => (from + ((to - from) * (i + 0.5)) / shown) * unit);
  };
  const states = [
    ['Let down', ring(result['unwoundInnerMm']!, R)],
    ['Wound', ring(r, result['woundOuterMm']!)],
  ] as const;
  return (
    <svg
      viewBox="0 0 470 250"
      role="img"
      aria-label="The spring in its barrel to scale, let down and wound"
      className="w-full max-w-xl"
    >
      {states.map(([title, radii], k) => (
        <g key={title} transform={`translate(${115 + 240 * k} 110)`}>
          <circle r={R * unit + 5} className="fill-none stroke-ink" strokeWidth={4} />
          {radii.map((q) => (
            <circle
              key={q}
              r={q}
              className="fill-none stroke-steel"
              strokeWidth={Math.max(1, Math.min(3, ((R - r) * unit) / 60))}
            />
          ))}
          <circle r={r * unit} className="fill-brass-fill" />
          <text y={132} textAnchor="middle" className="fill-ink" fontSize={18} fontWeight={600}>
            {title}
          </text>
        </g>
      ))}
    </svg>
  );
}
