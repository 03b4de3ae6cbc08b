import type { FigureProps } from './kinds.ts';

/** A pendulum with what is measured marked on it: from the flexing point to the centre of oscillation. */
export function Pendulum({ input, result }: FigureProps) {
  const length = input['lengthMm'] ?? result['lengthMm']!;
  const says = `${length < 100 ? length.toFixed(2) : length.toFixed(1)} mm`;
  return (
    <svg
      viewBox="0 0 320 330"
      role="img"
      aria-label={`Pendulum, ${says} from flexing point to centre of oscillation`}
      className="mx-auto w-full max-w-72"
    >
      <path d="M60 18 H140" className="stroke-ink" strokeWidth={6} />
      <path d="M96 20 V40 M104 20 V40" className="stroke-soft" strokeWidth={2} />
      <path d="M100 40 V300" className="stroke-steel" strokeWidth={5} />
      <circle cx={100} cy={250} r={38} className="fill-brass-wash stroke-brass-fill" strokeWidth={4} />
      <rect x={88} y={294} width={24} height={12} rx={2} className="fill-brass-fill" />
      <path d="M100 306 V322" className="stroke-steel" strokeWidth={4} />
      <path d="M112 30 H190 M112 243 H190" className="stroke-soft" strokeDasharray="4 4" />
      <circle cx={100} cy={243} r={4} className="fill-danger" />
      <path
        d="M178 30 V243 M172 40 L178 30 L184 40 M172 233 L178 243 L184 233"
        className="fill-none stroke-ink"
        strokeWidth={2}
      />
      <text x={192} y={142} className="fill-ink" fontSize={22} fontWeight={700}>
        {says}
      </text>
    </svg>
  );
}
