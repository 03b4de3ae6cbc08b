import { useEffect, type RefObject } from 'react';

/** What was found, row by row: each by what opens it. */
function rowsAfter(field: HTMLElement): HTMLElement[] {
  const within = field.closest('[role="dialog"]') ?? document.querySelector('main');
  const rows = [...(within?.querySelectorAll('li, tbody tr') ?? [])].filter(
    (row) => (field.compareDocumentPosition(row) & Node.DOCUMENT_POSITION_FOLLOWING) !== 0,
  );
  const opens = rows.map((row) => row.querySelector<HTMLElement>('a[href], button:not(:disabled)'));
  return [...new Set(opens)].filter((at): at is HTMLElement => at !== null && at.getClientRects().length > 0);
}

/** The arrow keys walk from a search field through what it found, and back; Enter opens it. */
export function useWalk(field: RefObject<HTMLElement | null>): void {
  useEffect(() => {
    const press = (e: KeyboardEvent) => {
      const from = field.current;
      if (!from || (e.key !== 'ArrowDown' && e.key !== 'ArrowUp') || e.defaultPrevented) return;
      const stops = [from, ...rowsAfter(from)];
      const at = stops.indexOf(e.target as HTMLElement);
      const next = stops[at + (e.key === 'ArrowDown' ? 1 : -1)];
      if (at < 0 || !next) return;
      e.preventDefault();
      next.focus();
    };
    document.addEventListener('keydown', press);
    return () => document.removeEventListener('keydown', press);
  }, [field]);
}
