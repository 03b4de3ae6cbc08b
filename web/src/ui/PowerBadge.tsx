import type { PowerState } from '@eclat/core/workflow';
import clsx from 'clsx';

/** A spring seen from above: turns of a spiral between two radii. */
function spiral(turns: number, inner: number, outer: number): string {
  const steps = Math.round(turns * 24);
  return Array.from({ length: steps + 1 }, (_, i) => {
    const r = inner + ((outer - inner) * i) / steps;
    const a = (i / 24) * 2 * Math.PI;
    return `${i === 0 ? 'M' : 'L'}${(12 + r * Math.cos(a)).toFixed(1)} ${(12 + r * Math.sin(a)).toFixed(1)}`;
  }).join('');
}

/** Shape says it before colour does: tight coil, coil in a clamp, open coil, question. */
const SHAPES: Record<PowerState, React.ReactNode> = {
  wound: <path d={spiral(3.4, 1, 10)} strokeWidth={2} />,
  contained: (
    <>
      <path d={spiral(2.2, 1, 6)} strokeWidth={1.9} />
      <path d="M7 2H2v20h5M17 2h5v20h-5" strokeWidth={2.4} />
    </>
  ),
  tied: (
    <>
      <path d={spiral(2.2, 1, 6)} strokeWidth={1.9} />
      <path d="M12 2v20M2 12h20" strokeWidth={2} strokeDasharray="3 2.5" />
    </>
  ),
  'let down': <path d={spiral(1.3, 3, 10.5)} strokeWidth={2} />,
  unknown: (
    <>
      <circle cx={12} cy={12} r={10} strokeWidth={2} strokeDasharray="3 3" />
      <path d="M9 9.5a3 3 0 1 1 4.2 2.8c-.9.4-1.2 1-1.2 2M12 17v.5" strokeWidth={2.4} />
    </>
  ),
};

const LOOKS: Record<PowerState, string> = {
  wound: 'bg-danger text-danger-ink border-danger',
  contained: 'bg-steel-wash text-steel border-steel',
  tied: 'bg-danger-wash text-danger border-danger border-dashed',
  'let down': 'bg-good-wash text-good border-good',
  unknown: 'bg-brass-wash text-brass border-brass-fill border-dashed',
};

/** `together`: the movement stands assembled, so that being wound is how it should be, and still said. */
export function PowerBadge({
  label,
  state,
  small = false,
  together = false,
  narrow = false,
}: {
  /** What the bench calls the source: "going", "going and strike". */
  label: string;
  state: PowerState;
  small?: boolean;
  together?: boolean;
  /** On a phone the state alone. */
  narrow?: boolean;
}) {
  return (
    <span
      className={clsx(
        'inline-flex items-center gap-2 rounded-full border-2 font-semibold whitespace-nowrap',
        together && state === 'wound' ? 'bg-enamel text-ink border-ink' : LOOKS[state],
        small ? 'px-2 py-0.5 text-sm' : 'px-3 py-1',
        narrow && 'max-sm:gap-1 max-sm:px-2 max-sm:text-sm',
      )}
    >
      <svg
        viewBox="0 0 24 24"
        className={small ? 'size-4' : 'size-6'}
        fill="none"
        stroke="currentColor"
        strokeLinecap="round"
        aria-hidden
      >
        {SHAPES[state]}
      </svg>
      <span>
        <span className={clsx('inline-block first-letter:uppercase', narrow && 'max-sm:sr-only')}>{label}</span> {state}
      </span>
    </span>
  );
}
