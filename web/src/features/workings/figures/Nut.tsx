import type { FigureProps } from './kinds.ts';

/** The bob with its nut, and which way it goes: up makes it gain. */
export function Nut({ result }: FigureProps) {
  const amount = result['amount']!;
  const up = amount > 0;
  return (
    <svg
      viewBox="0 0 340 230"
      role="img"
      aria-label={`Turn ${up ? 'up' : 'down'} by ${Math.abs(amount).toFixed(2)}`}
      className="mx-auto w-full max-w-72"
    >
      <path d="M110 0 V215" className="stroke-steel" strokeWidth={6} />
      <circle cx={110} cy={72} r={60} className="fill-brass-wash stroke-brass-fill" strokeWidth={4} />
      <rect x={80} y={140} width={60} height={28} rx={4} className="fill-brass-fill" />
      {[88, 98, 108, 118, 128].map((x) => (
        <path key={x} d={`M${x} 142 V166`} className="stroke-ink" strokeWidth={1.5} />
      ))}
      {Array.from({ length: 6 }, (_, i) => (
        <path key={i} d={`M105 ${176 + i * 7} L115 ${172 + i * 7}`} className="stroke-ink" strokeWidth={1.5} />
      ))}
      {Math.abs(amount) >= 0.02 && (
        <path
          d={up ? 'M190 180 V120 M176 138 L190 118 L204 138' : 'M190 120 V180 M176 162 L190 182 L204 162'}
          className="fill-none stroke-steel"
          strokeWidth={7}
          strokeLinecap="round"
          strokeLinejoin="round"
        />
      )}
      <text x={218} y={150} className="fill-ink" fontSize={34} fontWeight={700}>
        {Math.abs(amount).toFixed(2)}
      </text>
      <text x={218} y={176} className="fill-soft" fontSize={18}>
        {up ? 'to gain' : 'to lose'}
      </text>
    </svg>
  );
}
