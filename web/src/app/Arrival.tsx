import { useEffect, useRef } from 'react';
import { ScrollRestoration, useLocation, useMatches, useNavigate, type Location } from 'react-router';
import { SIDE } from '../features/visit/side.ts';
import { TitleOf } from '../ui/TitleOf.tsx';
import { isDialogOpen, work } from '../ui/work.ts';

/** Where it was scrolled to is kept for each step back; of a page that the browser opened anew, for its address. */
const placeOf = ({ key, pathname }: Location) => (key === 'default' ? pathname : key);

/** One step out: of what lies beside the stages to the clock’s stage, of a stage to the bench. */
export function outOf(path: string): string {
  const [place, id, part] = path.split('/').slice(1);
  if (place === 'visits') return part !== undefined && part in SIDE ? `/visits/${id}` : '/';
  if (place === 'compare') return `/movements/${id}`;
  const within = [place, id, part].filter(Boolean).slice(0, -1);
  return `/${within.join('/')}`;
}

/**
 * Gone to another screen: its name stands in the browser’s tab, it begins at its top, or where it was left when one
 * goes back, and what is read or typed next is read and typed there. Esc goes one step out: of a form that was opened,
 * of a field, so that single keys work again, of the screen.
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
    // One that was opened while the screen was on its way has what is typed: the screen has it when it closes.
    if (isDialogOpen()) return;
    const here = document.activeElement;
    // A screen that has put the next field in hand keeps it there.
    if (here instanceof HTMLElement && here !== document.body && work()?.contains(here)) return;
    work()?.focus({ preventScroll: true });
  }, [pathname]);
  const go = useNavigate();
  useEffect(() => {
    const press = (e: KeyboardEvent) => {
      const { target } = e;
      if (e.key !== 'Escape' || e.defaultPrevented || !(target instanceof HTMLElement)) return;
      if (isDialogOpen()) return;
      const close = target.closest('form')?.querySelector<HTMLElement>('[data-close]');
      if (close) close.click();
      else if (target.matches('input, textarea, select')) work()?.focus({ preventScroll: true });
      else if (pathname !== '/') void go(outOf(pathname));
    };
    window.addEventListener('keydown', press);
    return () => window.removeEventListener('keydown', press);
  }, [go, pathname]);
  return (
    <>
      {handle?.title && <TitleOf screen={handle.title} />}
      <ScrollRestoration getKey={placeOf} />
    </>
  );
}
