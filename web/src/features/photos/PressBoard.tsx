import type { Spot } from '@eclat/core/photo';
import clsx from 'clsx';
import {
  useRef,
  useState,
  type CSSProperties,
  type FocusEvent,
  type KeyboardEvent,
  type PointerEvent,
  type ReactNode,
} from 'react';

/** Share of the longer side by which an arrow key moves the cross; with Shift. */
const STEP = 0.02;
const FINE = 0.002;
/** A finger that moved less than this, as a share of the picture, pressed; it did not draw. */
const STILL = 0.02;
const MOVES: Record<string, readonly [number, number] | undefined> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
};
const MIDDLE: Spot = { x: 0.5, y: 0.5 };
const within = (share: number): number => Math.min(1, Math.max(0, share));

/** Two spots that make one thing, the second of them not yet fixed. */
export interface Pair {
  from: Spot;
  to: Spot;
}

interface Props {
  size: { width: number; height: number };
  /** What a press means now; null: nothing. */
  asks: string | null;
  /** What is asked for next, where two spots make one thing: drawn from one to the other, or pressed one by one. */
  asksThen?: string | undefined;
  /** Spots are shares of width and height; `to`: the second one of two. */
  onPress: (at: Spot, to: Spot | null) => void;
  picture: ReactNode;
  /** What lies over it, in pixels of the photo. */
  children?: (pair: Pair | null) => ReactNode;
  className?: string;
  style?: CSSProperties;
}

/** What the pointer and the keys mean: where the cross stands, and the pair that is half there. */
function usePressing({ size: { width, height }, asks, asksThen, onPress }: Props) {
  const [cross, setCross] = useState<Spot | null>(null);
  const [pair, setPair] = useState<Pair | null>(null);
  /** Where it was pressed down, and the first of two spots that stood before that. */
  const down = useRef<{ at: Spot; first: Spot | null } | null>(null);
  const two = asksThen !== undefined;

  /** A press of its own, the first of two, or the second. */
  const press = (at: Spot, first: Spot | null) => {
    if (!two) return onPress(at, null);
    if (!first) return setPair({ from: at, to: at });
    setPair(null);
    onPress(first, at);
  };
  const onKeyDown = (e: KeyboardEvent) => {
    const longer = Math.max(width, height);
    const by = (e.shiftKey ? FINE : STEP) * longer;
    const from = cross ?? MIDDLE;
    const way = MOVES[e.key];
    if (way) {
      e.preventDefault();
      const at = { x: within(from.x + (by * way[0]) / width), y: within(from.y + (by * way[1]) / height) };
      setCross(at);
      setPair((p) => p && { ...p, to: at });
    } else if (e.key === 'Enter' && asks) {
      e.preventDefault();
      press(from, pair?.from ?? null);
    } else if (e.key === 'Escape' && pair) {
      e.preventDefault();
      setPair(null);
    }
  };
  const spotOf = (e: PointerEvent): Spot => {
    const box = e.currentTarget.getBoundingClientRect();
    return { x: within((e.clientX - box.left) / box.width), y: within((e.clientY - box.top) / box.height) };
  };
  const onPointerUp = (e: PointerEvent) => {
    const began = down.current;
    down.current = null;
    if (!asks || !began) return;
    const at = spotOf(e);
    const drew = Math.hypot(at.x - began.at.x, at.y - began.at.y) > STILL;
    press(at, began.first ?? (drew ? began.at : null));
  };
  return {
    cross,
    pair,
    on: {
      onKeyDown,
      onPointerUp,
      onFocus: (e: FocusEvent) => {
        if (e.currentTarget.matches(':focus-visible')) setCross((c) => c ?? MIDDLE);
      },
      onBlur: () => {
        setCross(null);
        setPair(null);
      },
      onPointerDown: (e: PointerEvent) => {
        setCross(null);
        down.current = { at: spotOf(e), first: pair?.from ?? null };
        e.currentTarget.setPointerCapture(e.pointerId);
      },
      onPointerMove: (e: PointerEvent) => {
        const from = pair?.from ?? down.current?.at;
        if (two && from) setPair({ from, to: spotOf(e) });
      },
      onPointerCancel: () => {
        down.current = null;
        setPair(null);
      },
    },
  };
}

/** A picture to be pressed on: by finger or mouse, or with the arrow keys and Enter. */
export function PressBoard(props: Props) {
  const { size, asks, asksThen, picture, children, className, style } = props;
  const { width, height } = size;
  const { cross, pair, on } = usePressing(props);
  const says = (pair && asksThen) ?? asks;
  return (
    <button
      type="button"
      data-next
      data-half={pair ? '' : undefined}
      aria-label={says ? `${says}: arrow keys move the cross, Enter presses` : 'The photo'}
      style={style}
      className={clsx(
        'relative block min-w-0',
        asksThen === undefined ? 'touch-manipulation' : 'touch-none',
        className,
      )}
      {...on}
    >
      {picture}
      <svg viewBox={`0 0 ${width} ${height}`} className="pointer-events-none absolute inset-0 size-full" aria-hidden>
        {children?.(pair)}
        {cross && <Mark at={{ x: cross.x * width, y: cross.y * height }} of={width} />}
      </svg>
    </button>
  );
}

/** A cross that is seen on light and on dark. */
export function Mark({ at: { x, y }, of, says }: { at: Spot; of: number; says?: string }) {
  const r = of / 40;
  const path = `M ${x - r} ${y} H ${x + r} M ${x} ${y - r} V ${y + r}`;
  return (
    <g>
      <path d={path} stroke="#fff" strokeWidth={of / 160} />
      <path d={path} stroke="#1f3f8a" strokeWidth={of / 400} />
      {says && (
        <text
          x={x + r}
          y={y - r / 2}
          fontSize={of / 28}
          fontWeight="bold"
          fill="#fff"
          stroke="#12264f"
          strokeWidth={of / 200}
          paintOrder="stroke"
        >
          {says}
        </text>
      )}
    </g>
  );
}
