import { useEffect } from 'react';
import { isDialogOpen } from './work.ts';

const EDGE_PX = 28;
const [FAR_PX, LEVEL_PX] = [56, 48];

/** A finger drawn in from the right edge of the screen. */
export function useSwipeFromRight(onSwipe: () => void): void {
  useEffect(() => {
    let from: Touch | null = null;
    const start = ({ touches }: TouchEvent) => {
      const [one, another] = touches;
      from = one && !another && one.clientX > window.innerWidth - EDGE_PX ? one : null;
    };
    const end = ({ changedTouches: [to] }: TouchEvent) => {
      if (!from || !to) return;
      const [along, across] = [from.clientX - to.clientX, Math.abs(from.clientY - to.clientY)];
      from = null;
      if (along > FAR_PX && across < LEVEL_PX && !isDialogOpen()) onSwipe();
    };
    document.addEventListener('touchstart', start, { passive: true });
    document.addEventListener('touchend', end, { passive: true });
    return () => {
      document.removeEventListener('touchstart', start);
      document.removeEventListener('touchend', end);
    };
  }, [onSwipe]);
}
