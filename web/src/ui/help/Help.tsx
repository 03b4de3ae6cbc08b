import clsx from 'clsx';
import { CircleQuestionMark } from 'lucide-react';
import { lazy, useState } from 'react';
import { Late } from '../Late.tsx';
import { HELP_TITLES, type HelpId } from './titles.ts';

const HelpSheet = lazy(() => import('./HelpSheet.tsx').then((m) => ({ default: m.HelpSheet })));

/** A question mark at a figure or a rule: pressed, it says in two sentences and a picture what is seen there. */
export function Help({ about, className }: { about: HelpId; className?: string }) {
  const [open, setOpen] = useState(false);
  return (
    <>
      <button
        type="button"
        aria-haspopup="dialog"
        aria-label={`About: ${HELP_TITLES[about]}`}
        title={`About: ${HELP_TITLES[about]}`}
        className={clsx(
          'no-print grid size-11 shrink-0 place-items-center rounded-full text-soft',
          'hover:bg-steel-wash hover:text-steel',
          className,
        )}
        onClick={() => setOpen(true)}
      >
        <CircleQuestionMark className="size-6" aria-hidden />
      </button>
      {open && (
        <Late>
          <HelpSheet about={about} onClose={() => setOpen(false)} />
        </Late>
      )}
    </>
  );
}
