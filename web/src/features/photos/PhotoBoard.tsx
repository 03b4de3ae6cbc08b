import type { Spot } from '@eclat/core/photo';
import { useEffect, useRef, useState, type KeyboardEvent, type ReactNode } from 'react';
import type { OnDevice } from './onDevice.ts';

/** Share of the photo by which an arrow key moves the cross; with Shift. */
const STEP = 0.02;
const FINE = 0.002;

/**
 * The photo, to be pressed on: by finger, or with the arrow keys and Enter. What is drawn over it stands in pixels of
 * the photo.
 */
export function PhotoBoard({
  photo: { canvas },
  asks,
  onPress,
  children,
}: {
  photo: OnDevice;
  /** What a press means now; null: nothing. */
  asks: string | null;
  onPress: (at: Spot) => void;
  children?: ReactNode;
}) {
  const holder = useRef<HTMLButtonElement>(null);
  const { width, height } = canvas;
  const [cross, setCross] = useState<Spot | null>(null);
  useEffect(() => {
    const at = holder.current!;
    canvas.className = 'block h-auto w-full rounded-xl';
    at.prepend(canvas);
    return () => canvas.remove();
  }, [canvas]);
  const onKeyDown = (e: KeyboardEvent) => {
    const by = (e.shiftKey ? FINE : STEP) * Math.max(width, height);
    const from = cross ?? { x: width / 2, y: height / 2 };
    const way = MOVES[e.key];
    if (way) {
      e.preventDefault();
      const within = (v: number, most: number) => Math.min(most, Math.max(0, v));
      setCross({ x: within(from.x + by * way[0], width), y: within(from.y + by * way[1], height) });
    } else if (e.key === 'Enter' && asks) {
      e.preventDefault();
      onPress(from);
    }
  };
  return (
    <button
      ref={holder}
      type="button"
      data-next
      aria-label={asks ? `${asks}: arrow keys move the cross, Enter presses` : 'The photo'}
      // All of it is in view: a rim that lies under the edge of the screen is not pressed.
      style={{ width: `min(100%, calc(max(16rem, 100dvh - 19rem) * ${width / height}))` }}
      className="relative mx-auto block min-w-0 touch-manipulation self-start rounded-xl"
      onKeyDown={onKeyDown}
      onFocus={() => setCross((c) => c ?? { x: width / 2, y: height / 2 })}
      onBlur={() => setCross(null)}
      onPointerDown={(e) => {
        setCross(null);
        if (!asks) return;
        const box = holder.current!.getBoundingClientRect();
        onPress({
          x: ((e.clientX - box.left) / box.width) * width,
          y: ((e.clientY - box.top) / box.height) * height,
        });
      }}
    >
      <svg viewBox={`0 0 ${width} ${height}`} className="pointer-events-none absolute inset-0 size-full" aria-hidden>
        {children}
        {cross && <Mark at={cross} of={width} />}
      </svg>
    </button>
  );
}
const MOVES: Record<string, readonly [number, number] | undefined> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
};

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
