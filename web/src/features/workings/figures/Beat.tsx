import type { FigureProps } from './kinds.ts';

/** Two arcs that are equal when it is in beat; the short side is the shorter arc. */
export function Beat({ input, facts }: FigureProps) {
  const one = input['tickToTockMs']!,
    two = input['tockToTickMs']!;
  const share = one / (one + two);
  // A difference of a few per cent must be seen: it is drawn five times as large, and the figures stand beside it.
  const turn = Math.min(0.95, Math.max(0.05, 0.5 + 5 * (share - 0.5)));
  const span = 150; // degrees of both arcs
  const at = (deg: number) =>
    `${(150 * Math.sin((deg * Math.PI) / 180)).toFixed(1)} ${(150 * Math.cos((deg * Math.PI) / 180)).toFixed(1)}`;
  const middle = -span / 2 + span * turn;
  const good = facts['inside'];
  return (
    <svg
      viewBox="-200 -30 400 220"
      role="img"
      aria-label={`Tick to tock ${one} ms, tock to tick ${two} ms`}
      className="mx-auto w-full max-w-md"
    >
      <path
        d={`M ${at(-span / 2)} A 150 150 0 0 0 ${at(middle - 1.5)}`}
        className={good ? 'fill-none stroke-good' : 'fill-none stroke-steel'}
        strokeWidth={16}
      />
      <path
        d={`M ${at(middle + 1.5)} A 150 150 0 0 0 ${at(span / 2)}`}
        className={good ? 'fill-none stroke-good' : 'fill-none stroke-brass-fill'}
        strokeWidth={16}
      />
      <path d={`M 0 0 L ${at(middle)}`} className="stroke-ink" strokeWidth={4} />
      <path d="M 0 0 V 128" className="stroke-soft" strokeWidth={2} strokeDasharray="4 5" />
      <circle r={7} className="fill-ink" />
      <text x={-110} y={-8} textAnchor="middle" className="fill-ink" fontSize={22} fontWeight={700}>
        {one} ms
      </text>
      <text x={110} y={-8} textAnchor="middle" className="fill-ink" fontSize={22} fontWeight={700}>
        {two} ms
      </text>
    </svg>
  );
}
