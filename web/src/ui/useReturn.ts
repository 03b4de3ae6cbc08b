import { useState } from 'react';

/**
 * A sheet that closes gives the focus back to what opened it, where that still stands.
 * @returns for `onCloseAutoFocus` of a dialog that has no trigger of its own
 */
export function useReturn(): (e: Event) => void {
  const [opener] = useState(() => document.activeElement);
  return (e) => {
    e.preventDefault();
    if (opener instanceof HTMLElement && opener.isConnected) opener.focus({ preventScroll: true });
  };
}
