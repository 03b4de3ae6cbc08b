import { useLayoutEffect } from 'react';
import { useAppState } from '../data/app-state.ts';

const isField = (at: EventTarget | null): boolean =>
  at instanceof HTMLElement && (/^(INPUT|TEXTAREA|SELECT)$/.test(at.tagName) || at.isContentEditable);
/** What a figure is made of. */
const isFigure = (key: string): boolean => /^[\d.,/=+-]$/.test(key);

/**
 * Somebody, or a caliper, is typing figures: from the first key in a field on, until something else is pressed. A
 * figure that comes while no field has the focus is the rest of one that was meant for a field, never a shortcut.
 */
let typingFigures = false;
let figureAt = -Infinity;
/** A device types its unit in the same breath as the figure; a person does not press a shortcut so soon. */
const SAME_BREATH_MS = 60;
const isRestOfFigure = (e: KeyboardEvent): boolean =>
  typingFigures && (isFigure(e.key) || e.timeStamp - figureAt < SAME_BREATH_MS);
if (typeof window !== 'undefined') {
  window.addEventListener(
    'keydown',
    (e) => {
      if (isField(e.target)) typingFigures = true;
      else if (!isRestOfFigure(e) && e.key !== 'Enter') typingFigures = false;
      if (isFigure(e.key)) figureAt = e.timeStamp;
    },
    true,
  );
  window.addEventListener('pointerdown', (e) => (typingFigures = isField(e.target)), true);
}

/**
 * One key, one action, of the screen that is shown first: *n* is *not reached* on a hole, and only elsewhere takes a
 * clock in. Not while a field is being typed in, not for figures meant for one, and not when switched off.
 */
export function useKeys(actions: Record<string, () => void>, of: 'screen' | 'frame' = 'screen'): void {
  const on = useAppState((s) => s.singleKeys);
  // Before anything is painted: a key pressed on what is seen is heard.
  useLayoutEffect(() => {
    if (!on) return;
    const press = (e: KeyboardEvent) => {
      if (e.defaultPrevented || e.ctrlKey || e.metaKey || e.altKey || isField(e.target)) return;
      if (isRestOfFigure(e)) return;
      if (document.querySelector('[role="dialog"]')) return;
      const action = actions[e.key];
      if (!action) return;
      e.preventDefault();
      action();
    };
    // A key comes to the document before it comes to the window.
    const at = of === 'screen' ? document : window;
    const heard = press as EventListener;
    at.addEventListener('keydown', heard);
    return () => at.removeEventListener('keydown', heard);
  }, [actions, on, of]);
}
