import clsx from 'clsx';
import { useEffect } from 'react';
import { useAppState } from '../data/app-state.ts';

const SHOWN_MS = 8_000;

/** What just happened, with a way back where there is one. */
export function NoticeBar() {
  const notice = useAppState((s) => s.notice);
  const set = useAppState((s) => s.set);
  useEffect(() => {
    if (!notice) return;
    const timer = setTimeout(() => set({ notice: null }), SHOWN_MS);
    return () => clearTimeout(timer);
  }, [notice, set]);
  return (
    <div aria-live="polite" className="pointer-events-none fixed inset-x-0 bottom-4 z-50 flex justify-center px-4">
      {notice && (
        <div
          className={clsx(
            'pointer-events-auto flex max-w-3xl items-center gap-4 rounded-xl border-2 px-5 py-3',
            'font-semibold shadow-xl',
            notice.tone === 'danger'
              ? 'border-danger bg-danger-wash text-danger'
              : 'border-good bg-good-wash text-good',
          )}
        >
          <span>{notice.text}</span>
          {notice.undo && (
            <button
              type="button"
              className="min-h-11 rounded-lg border border-current px-3"
              onClick={() => {
                notice.undo?.();
                set({ notice: null });
              }}
            >
              Undo
            </button>
          )}
          <button
            type="button"
            aria-label="Close"
            className="min-h-11 px-2 text-xl"
            onClick={() => set({ notice: null })}
          >
            ×
          </button>
        </div>
      )}
    </div>
  );
}
