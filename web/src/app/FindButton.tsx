import type { Person } from '@eclat/contract';
import clsx from 'clsx';
import { Search } from 'lucide-react';
import { lazy, useEffect } from 'react';
import { useAppState } from '../data/app-state.ts';
import { Late } from '../ui/Late.tsx';
import { isDialogOpen } from '../ui/work.ts';
import { early } from './early.ts';

let comes = true;
const FindSheet = lazy(() =>
  import('./find/FindSheet.tsx').catch((away: unknown) => {
    comes = false;
    throw away;
  }),
);

const find = (findOpen: boolean): void => {
  early.typed = '';
  useAppState.getState().set({ findOpen });
};

/** Find anything, from the bar of every screen or by Ctrl-K: in a field too, for what is typed there is kept. */
export function FindButton({ person, few, onKeys }: { person: Person; few: boolean; onKeys: () => void }) {
  const open = useAppState((s) => s.findOpen);
  useEffect(() => {
    const press = (e: KeyboardEvent) => {
      const plain = !e.ctrlKey && !e.metaKey && !e.altKey;
      // The sheet is on its way: no key is for the screen behind it.
      if (plain && comes && useAppState.getState().findOpen && !isDialogOpen()) {
        e.preventDefault();
        e.stopImmediatePropagation();
        if (e.key === 'Escape') find(false);
        else if (e.key.length === 1) early.typed += e.key;
        return;
      }
      if (!(e.ctrlKey || e.metaKey) || e.altKey || e.shiftKey || e.key.toLowerCase() !== 'k') return;
      e.preventDefault();
      // A choice that has to be made is made first.
      if (!isDialogOpen()) find(true);
    };
    window.addEventListener('keydown', press, true);
    return () => window.removeEventListener('keydown', press, true);
  }, []);
  return (
    <>
      <button
        type="button"
        aria-haspopup="dialog"
        aria-label="Find"
        aria-keyshortcuts="Control+K"
        title="Find anything (Ctrl K)"
        className={clsx(
          'min-h-11 min-w-11 shrink-0 items-center justify-center gap-2 rounded-lg hover:bg-steel-wash',
          // In a clock, on a phone, it stands where one looks up.
          few ? 'hidden sm:flex' : 'flex',
        )}
        onClick={() => find(true)}
      >
        <Search className="size-6" aria-hidden />
      </button>
      {open && (
        <Late>
          <FindSheet person={person} onKeys={onKeys} onClose={() => find(false)} />
        </Late>
      )}
    </>
  );
}
