import type { Spot } from '@eclat/core/photo';
import { useEffect, useRef, type ReactNode } from 'react';
import type { OnDevice } from './onDevice.ts';
import { PressBoard } from './PressBoard.tsx';

/** A photo on this device, to be pressed on. What is drawn over it, and what is pressed, stands in its pixels. */
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
  const { width, height } = canvas;
  return (
    <PressBoard
      size={canvas}
      asks={asks}
      onPress={(at) => onPress({ x: at.x * width, y: at.y * height })}
      picture={<Drawn canvas={canvas} />}
      className="mx-auto self-start rounded-xl"
      // All of it is in view: a rim that lies under the edge of the screen is not pressed.
      style={{ width: `min(100%, calc(max(16rem, 100dvh - 19rem) * ${width / height}))` }}
    >
      {() => children}
    </PressBoard>
  );
}

function Drawn({ canvas }: { canvas: HTMLCanvasElement }) {
  const holder = useRef<HTMLSpanElement>(null);
  useEffect(() => {
    canvas.className = 'block h-auto w-full rounded-xl';
    holder.current!.prepend(canvas);
    return () => canvas.remove();
  }, [canvas]);
  return <span ref={holder} className="block" />;
}
