import { createContext, useContext, type ReactNode } from 'react';
import { createPortal } from 'react-dom';

const Slot = createContext<HTMLElement | null | undefined>(undefined);

export const TopBarSlot = Slot.Provider;

/** What a screen puts into the one bar at the top. Where there is no bar it stands in its own place. */
export function InTopBar({ children }: { children: ReactNode }) {
  const slot = useContext(Slot);
  if (slot === undefined) return children;
  return slot && createPortal(children, slot);
}
