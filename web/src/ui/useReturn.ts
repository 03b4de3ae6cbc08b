import { useState } from 'react';
import { isDialogOpen, work } from './work.ts';

/**
 * A sheet that closes gives the focus back to what opened it, where that still stands; opened by a key with nothing in
 * hand, to the work.
 * @returns for `onCloseAutoFocus` of a dialog that has no trigger of its own
 */
export function useReturn(): (e: Event) => void {
  const [opener] = useState(() => document.activeElement);
  return (e) => {
    e.preventDefault();
    const to = opener === document.body ? work() : opener;
    if (!(to instanceof HTMLElement) || !to.isConnected) return;
    // Another that was opened meanwhile keeps the focus; one below it has it back.
    if (isDialogOpen() && !to.closest('[role="dialog"]')) return;
    to.focus({ preventScroll: true });
  };
}
