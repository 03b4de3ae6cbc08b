import { createContext, useContext, useState, type ReactNode } from 'react';
import { createPortal } from 'react-dom';

interface Bar {
  slot: HTMLElement | null;
  setSlot: (slot: HTMLElement | null) => void;
}
const ActionBar = createContext<Bar | undefined>(undefined);

/** Around a screen whose bar of actions takes what is in hand further up. */
export function WithActionBar({ children }: { children: ReactNode }) {
  const [slot, setSlot] = useState<HTMLElement | null>(null);
  return <ActionBar value={{ slot, setSlot }}>{children}</ActionBar>;
}

/** The place in the bar. */
export function ActionSlot() {
  return <span ref={useContext(ActionBar)?.setSlot} className="contents" />;
}

/** What is pressed most on this screen: it stands in the bar within one finger; where there is no bar, where it is. */
export function BigAction({ children }: { children: ReactNode }) {
  const bar = useContext(ActionBar);
  if (!bar) return children;
  return bar.slot && createPortal(children, bar.slot);
}
