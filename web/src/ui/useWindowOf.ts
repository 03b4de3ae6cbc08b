import { useWindowVirtualizer } from '@tanstack/react-virtual';
import { useEffect, useState, type KeyboardEvent, type RefObject } from 'react';
import { flushSync } from 'react-dom';

/**
 * The lines in view of a long list, the room above and below them, px, and the arrows, Home and End that go from line
 * to line. Printed, all of them are there.
 * @param count lines, all of them `linePx` high
 * @param list what the lines stand in; each carries its number as `data-index`, and in it what takes the focus
 */
export function useWindowOf(count: number, linePx: number, list: RefObject<HTMLElement | null>) {
  const [top, setTop] = useState(0);
  useEffect(() => {
    const measure = () => list.current && setTop(list.current.getBoundingClientRect().top + window.scrollY);
    measure();
    window.addEventListener('resize', measure);
    return () => window.removeEventListener('resize', measure);
  }, [list, count]);
  const all = useWholeOnPaper();
  const seen = useWindowVirtualizer({ count, estimateSize: () => linePx, overscan: 12, scrollMargin: top });
  const walk = (e: KeyboardEvent) => {
    const at = Number((e.target as HTMLElement).closest<HTMLElement>('[data-index]')?.dataset['index']);
    const to = { ArrowDown: at + 1, ArrowUp: at - 1, Home: 0, End: count - 1 }[e.key];
    if (to === undefined || !(to >= 0 && to < count)) return;
    e.preventDefault();
    seen.scrollToIndex(to, { align: 'auto' });
    const focus = () => list.current?.querySelector<HTMLElement>(`[data-index="${to}"] :is(a, button)`)?.focus();
    requestAnimationFrame(() => requestAnimationFrame(focus));
  };
  if (all) return { lines: Array.from({ length: count }, (_, i) => i), above: 0, below: 0, walk };
  const items = seen.getVirtualItems();
  return {
    lines: items.map((i) => i.index),
    above: items.length > 0 ? items[0]!.start - top : 0,
    below: items.length > 0 ? seen.getTotalSize() - (items.at(-1)!.end - top) : 0,
    walk,
  };
}

function useWholeOnPaper(): boolean {
  const [all, setAll] = useState(false);
  useEffect(() => {
    const before = () => flushSync(() => setAll(true));
    const after = () => setAll(false);
    window.addEventListener('beforeprint', before);
    window.addEventListener('afterprint', after);
    return () => {
      window.removeEventListener('beforeprint', before);
      window.removeEventListener('afterprint', after);
    };
  }, []);
  return all;
}
