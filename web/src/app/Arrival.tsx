import { useEffect, useRef } from 'react';
import { ScrollRestoration, useLocation, useMatches } from 'react-router';
import { TitleOf } from '../ui/TitleOf.tsx';

/** Where what was gone to begins: the screen's own work where it says so, else all of it. */
const work = (): HTMLElement | null => document.querySelector('[data-work]') ?? document.getElementById('main');

/**
 * Gone to another screen: its name stands in the browser’s tab, it begins at its top, or where it was left when one
 * goes back, and what is read or typed next is read and typed there.
 */
export function Arrival() {
  const { pathname } = useLocation();
  const handle = useMatches().at(-1)?.handle as { title?: string } | undefined;
  const first = useRef(true);
  useEffect(() => {
    // What the browser opened it stands at already.
    if (first.current) {
      first.current = false;
      return;
    }
    const here = document.activeElement;
    // A screen that has put the next field in hand keeps it there.
    if (here instanceof HTMLElement && here !== document.body && work()?.contains(here)) return;
    work()?.focus({ preventScroll: true });
  }, [pathname]);
  // Out of a field, one step: single keys work again.
  useEffect(() => {
    const out = (e: KeyboardEvent) => {
      const { target } = e;
      if (e.key !== 'Escape' || e.defaultPrevented || !(target instanceof HTMLElement)) return;
      if (target.matches('input, textarea, select') && !target.closest('[role="dialog"]'))
        work()?.focus({ preventScroll: true });
    };
    window.addEventListener('keydown', out);
    return () => window.removeEventListener('keydown', out);
  }, []);
  return (
    <>
      {handle?.title && <TitleOf screen={handle.title} />}
      <ScrollRestoration />
    </>
  );
}
