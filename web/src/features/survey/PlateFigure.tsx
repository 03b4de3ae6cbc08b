import type { SurveyedHole } from '@eclat/contract';
import type { Arrangement, Plate, Traits } from '@eclat/core/movement';
import clsx from 'clsx';
import { memo, useMemo, type KeyboardEvent, type ReactNode } from 'react';
import { nextHole, PLATE, placeHoles, WHEEL_RADIUS, type PlacedHole } from './layout.ts';

type State = SurveyedHole['verdict'] | 'bushed' | 'not looked at';

interface Props {
  traits: Traits;
  plate: Plate;
  arrangement?: Arrangement;
  /** The real plate under the holes, each where it was pressed; those not pressed yet are missing from it. */
  photo?:
    | { src: string; width: number; height: number; points: Readonly<Record<string, { x: number; y: number }>> }
    | undefined;
  stateOf: (key: string) => State;
  /** Another mark than the state of the survey, and how it is said. */
  markOf?: (key: string) => { mark: ReactNode; says: string };
  /** Towards where a hole wore, degrees clockwise from up; null: round. */
  wearOf?: (key: string) => number | null;
  chosen: string | null;
  onChoose: (key: string) => void;
}

/** The label stands away from the edge, and mirrored with its plate. */
const labelRight = (x: number, plate: Plate): boolean => (plate === 'front' ? x < PLATE.width - 38 : x < 38);
/** A bar of this many millimetres shows the scale. */
const BAR_MM = 10;

/** One plate, drawn from the trains: each hole a target to press, its state by shape before colour. */
export function PlateFigure({ traits, plate, arrangement, photo, stateOf, markOf, wearOf, chosen, onChoose }: Props) {
  const placed = useMemo(() => placeHoles(traits, plate, arrangement), [traits, plate, arrangement]);
  const { holes: drawn, unitsAMm, toScale } = placed;
  const height = photo ? (PLATE.width * photo.height) / photo.width : PLATE.height;
  const holes: PlacedHole[] = photo
    ? drawn.flatMap((h) => {
        const at = photo.points[h.key];
        return at ? [{ ...h, x: at.x * PLATE.width, y: at.y * height }] : [];
      })
    : drawn;
  // One stop of the Tab key for a plate; from there the arrows go from hole to hole as they lie.
  const reached = holes.find((h) => h.key === chosen)?.key ?? holes[0]?.key;
  return (
    <figure className="min-w-0">
      <figcaption className="font-bold">{plate === 'front' ? 'Front plate' : 'Back plate'}</figcaption>
      <svg
        onKeyDown={(e) => walk(e, holes)}
        viewBox={`0 0 ${PLATE.width} ${height}`}
        className="mx-auto h-auto max-h-[24dvh] sm:max-h-[calc(100dvh-20rem)] w-full"
        role="group"
        aria-label={`${plate} plate`}
      >
        {photo ? (
          <image href={photo.src} width={PLATE.width} height={height} preserveAspectRatio="none" />
        ) : (
          <rect
            x={2}
            y={2}
            width={PLATE.width - 4}
            height={PLATE.height - 4}
            rx={14}
            className="fill-brass-wash stroke-brass-fill"
            strokeWidth={2}
          />
        )}
        <clipPath id={`${plate}-edge`}>
          <rect x={3} y={3} width={PLATE.width - 6} height={PLATE.height - 6} rx={13} />
        </clipPath>
        {!photo && (
          <g clipPath={`url(#${plate}-edge)`}>
            {holes.map((h) => (
              <circle
                key={h.key}
                cx={h.x}
                cy={h.y}
                r={WHEEL_RADIUS[h.arbor.class]}
                className="fill-none stroke-brass-fill"
                strokeOpacity={0.45}
                strokeWidth={1.2}
                strokeDasharray="2 2.4"
              />
            ))}
          </g>
        )}
        {!photo && unitsAMm && (
          <g transform={`translate(12 ${PLATE.height - 10})`}>
            <path d={`M0 -4 V0 H${BAR_MM * unitsAMm} V-4`} className="fill-none stroke-ink" strokeWidth={1.4} />
            <text x={BAR_MM * unitsAMm + 5} y={0} fontSize={11} className="fill-ink">
              {BAR_MM} mm{toScale.length < traits.trains.length && `, ${toScale.join(' and ')} to scale`}
            </text>
          </g>
        )}
        {holes.map((h) => (
          <HoleMark
            key={h.key}
            hole={h}
            plate={plate}
            state={stateOf(h.key)}
            other={markOf?.(h.key)}
            wear={wearOf?.(h.key) ?? null}
            chosen={h.key === chosen}
            reached={h.key === reached}
            onChoose={onChoose}
          />
        ))}
      </svg>
    </figure>
  );
}

function walk(e: KeyboardEvent<SVGSVGElement>, holes: readonly PlacedHole[]): void {
  const from = (e.target as Element).closest('[data-hole]')?.getAttribute('data-hole');
  const to = from && nextHole(holes, from, e.key);
  if (!to) return;
  e.preventDefault();
  e.currentTarget.querySelector<SVGGElement>(`[data-hole="${to}"]`)?.focus();
}

interface MarkProps {
  hole: PlacedHole;
  plate: Plate;
  state: State;
  other: ReturnType<NonNullable<Props['markOf']>> | undefined;
  wear: number | null;
  chosen: boolean;
  /** The Tab key stops here. */
  reached: boolean;
  onChoose: Props['onChoose'];
}

const HoleMark = memo(function HoleMark(props: MarkProps) {
  const { hole: h, plate, state, other, wear, chosen, reached, onChoose } = props;
  return (
    <g
      role="button"
      tabIndex={reached ? 0 : -1}
      data-hole={h.key}
      aria-pressed={chosen}
      aria-label={`${h.arbor.id} ${h.arbor.name}, ${plate}: ${other?.says ?? state}`}
      className="cursor-pointer outline-none [&:focus-visible>.ring]:stroke-brass-fill"
      transform={`translate(${h.x} ${h.y})`}
      onClick={() => onChoose(h.key)}
      onKeyDown={(e) => {
        if (e.key === 'Enter' || e.key === ' ') {
          e.preventDefault();
          onChoose(h.key);
        }
      }}
    >
      <circle r={18} className="fill-transparent" />
      <circle
        r={17}
        className={clsx('ring fill-none', chosen ? 'stroke-ink' : 'stroke-transparent')}
        strokeWidth={2.5}
      />
      {wear !== null && (
        <path
          d="M0 -10 V-21 M-3.6 -16.5 L0 -21.5 L3.6 -16.5"
          transform={`rotate(${wear})`}
          className="fill-none stroke-danger"
          strokeWidth={2.4}
        />
      )}
      {other ? other.mark : <Mark state={state} />}
      <text
        x={labelRight(h.x, plate) ? 13 : -13}
        y={-9}
        textAnchor={labelRight(h.x, plate) ? 'start' : 'end'}
        fontSize={13}
        fontWeight={700}
        className="fill-ink stroke-brass-wash [paint-order:stroke]"
        strokeWidth={3}
      >
        {h.arbor.id}
      </text>
    </g>
  );
});

/**
 * Not looked at: dashed. Not reached: struck through. Sound: ring and point. Tight: filled small. Marginal: half full.
 * Bush: a cross in a square; a jewel to renew: in a diamond. Bushed: double ring.
 */
export function Mark({ state }: { state: State }) {
  switch (state) {
    case 'not looked at':
      return <circle r={8} className="fill-enamel stroke-soft" strokeWidth={2} strokeDasharray="3 2.5" />;
    case 'sound':
      return (
        <g>
          <circle r={8} className="fill-good-wash stroke-good" strokeWidth={2.5} />
          <circle r={2.6} className="fill-good" />
        </g>
      );
    case 'tight':
      return (
        <g>
          <circle r={8} className="fill-enamel stroke-steel" strokeWidth={2} />
          <circle r={5.4} className="fill-steel" />
        </g>
      );
    case 'marginal':
      return (
        <g>
          <circle r={8.5} className="fill-enamel stroke-brass" strokeWidth={2.5} />
          <path d="M0 -8.5 A8.5 8.5 0 0 1 0 8.5 Z" className="fill-brass" />
        </g>
      );
    case 'bush':
      return (
        <g>
          <rect x={-9} y={-9} width={18} height={18} rx={2} className="fill-danger stroke-danger" strokeWidth={2} />
          <path d="M-4.5 -4.5 L4.5 4.5 M4.5 -4.5 L-4.5 4.5" className="stroke-danger-ink" strokeWidth={2.6} />
        </g>
      );
    case 'renew':
      return (
        <g>
          <path d="M0 -11 L11 0 L0 11 L-11 0 Z" className="fill-danger stroke-danger" strokeWidth={2} />
          <path d="M-4 -4 L4 4 M4 -4 L-4 4" className="stroke-danger-ink" strokeWidth={2.6} />
        </g>
      );
    case 'not reached':
      return (
        <g>
          <circle r={8} className="fill-enamel stroke-soft" strokeWidth={2} />
          <path d="M-5 5 L5 -5" className="stroke-soft" strokeWidth={2.4} />
        </g>
      );
    case 'bushed':
      return (
        <g>
          <circle r={10} className="fill-enamel stroke-steel" strokeWidth={2.4} />
          <circle r={5} className="fill-none stroke-steel" strokeWidth={2.4} />
        </g>
      );
  }
}

const KEY: readonly State[] = ['not looked at', 'not reached', 'sound', 'tight', 'marginal', 'bush', 'renew', 'bushed'];
export const FigureKey = () => (
  <ul className="flex flex-wrap gap-x-4 gap-y-1 text-sm" aria-label="What the shapes mean">
    {KEY.map((state) => (
      <li key={state} className="flex items-center gap-1.5">
        <svg viewBox="-12 -12 24 24" className="size-6" aria-hidden>
          <Mark state={state} />
        </svg>
        {state}
      </li>
    ))}
  </ul>
);
