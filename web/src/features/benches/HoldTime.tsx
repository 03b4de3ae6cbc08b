import { useRef, useState, type KeyboardEvent } from 'react';
import { Button } from '../../ui/Button.tsx';

const isHeld = (e: KeyboardEvent): boolean => e.key === ' ' || e.key === 'Enter';

/** How long something lasts, by holding a button as long: finger, mouse, or the space bar. */
export function HoldTime({ label, onTime }: { label: string; onTime: (seconds: number) => void }) {
  const from = useRef<number | null>(null);
  const [held, setHeld] = useState(false);
  const begin = (at: number) => {
    from.current ??= at;
    setHeld(true);
  };
  const drop = () => {
    from.current = null;
    setHeld(false);
  };
  const end = (at: number) => {
    if (from.current === null) return;
    onTime((at - from.current) / 1000);
    drop();
  };
  return (
    <Button
      className="mt-2 touch-none select-none"
      aria-pressed={held}
      onPointerDown={(e) => {
        e.currentTarget.setPointerCapture?.(e.pointerId);
        begin(e.timeStamp);
      }}
      onPointerUp={(e) => end(e.timeStamp)}
      onPointerCancel={drop}
      onBlur={drop}
      // A long press is no menu here.
      onContextMenu={(e) => e.preventDefault()}
      onKeyDown={(e) => {
        if (!isHeld(e)) return;
        e.preventDefault();
        if (!e.repeat) begin(e.timeStamp);
      }}
      onKeyUp={(e) => isHeld(e) && end(e.timeStamp)}
    >
      {held ? 'Let go when it opens' : label}
    </Button>
  );
}
