import clsx from 'clsx';
import { ChevronDown } from 'lucide-react';
import { useEffect, useId, useRef, useState, type ReactNode } from 'react';

const PREFIX = 'fold.';

/** Folded or not, as it was left on this page while the browser is open. */
function useFold(name: string, open: boolean) {
  const key = `${PREFIX}${window.location.pathname}.${name}`;
  const [is, setIs] = useState(() => {
    const kept = sessionStorage.getItem(key);
    return kept === null ? open : kept === 'open';
  });
  const toggle = () => {
    sessionStorage.setItem(key, is ? 'shut' : 'open');
    setIs(!is);
  };
  // Something to do came up in it: it opens. What is done stays open under the hand.
  const before = useRef(open);
  useEffect(() => {
    if (open && !before.current) setIs(true);
    before.current = open;
  }, [open]);
  return [is, toggle] as const;
}

/**
 * What is done, or seldom needed, on one line: what it is and how it stands. Pressed, it opens, and is found open when
 * one comes back to the page.
 */
export function Fold({
  title,
  says,
  aside,
  open = false,
  name = title,
  bare = false,
  children,
}: {
  title: string;
  /** How it stands, in a few words. */
  says?: ReactNode;
  /** What is pressed most, within reach while it is folded. */
  aside?: ReactNode;
  open?: boolean;
  name?: string;
  /** A part of a panel, not a panel of its own. */
  bare?: boolean;
  children: ReactNode;
}) {
  const [is, toggle] = useFold(name, open);
  const id = useId();
  return (
    <section className={clsx('min-w-0', !bare && 'rounded-xl border border-line bg-enamel')}>
      <div className={clsx('flex flex-wrap items-center gap-x-3', !bare && 'px-5')}>
        <h2 className="min-w-0 flex-1 text-lg">
          <button
            type="button"
            data-fold
            aria-expanded={is}
            aria-controls={id}
            className="flex min-h-12 w-full items-center gap-x-3 py-1 text-left font-bold"
            onClick={toggle}
          >
            <ChevronDown className={clsx('size-5 shrink-0 text-soft', !is && '-rotate-90')} aria-hidden />
            <span className="flex min-w-0 flex-1 flex-wrap items-center gap-x-3">
              {title}
              {says && <span className="font-normal text-soft">{says}</span>}
            </span>
          </button>
        </h2>
        {aside}
      </div>
      {is && (
        <div id={id} className={clsx(!bare && 'px-5 pt-1 pb-5')}>
          {children}
        </div>
      )}
    </section>
  );
}
