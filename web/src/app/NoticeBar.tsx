import clsx from 'clsx';
import { useEffect, useState } from 'react';
import { useAppState } from '../data/app-state.ts';

const SHOWN_MS = 8_000;

/** What just happened, with a way back where there is one. It stays while it is read: under a hand, or in focus. */
export function NoticeBar() {
  const notice = useAppState((s) => s.notice);
  const [read, setRead] = useState(false);
  const close = () => {
    setRead(false);
    useAppState.getState().set({ notice: null });
  };
  useEffect(() => {
    if (!notice || read) return;
    const timer = setTimeout(() => useAppState.getState().set({ notice: null }), SHOWN_MS);
    return () => clearTimeout(timer);
  }, [notice, read]);
  return (
    <div aria-live="polite" className="pointer-events-none fixed inset-x-0 bottom-20 z-50 flex justify-center px-4">
      {notice && (
        // eslint-disable-next-line jsx-a11y/no-static-element-interactions -- it is only watched, not worked
        <div
          className={clsx(
            'pointer-events-auto flex max-w-3xl items-center gap-4 rounded-xl border-2 px-5 py-3',
            'font-semibold shadow-xl',
            notice.tone === 'danger'
              ? 'border-danger bg-danger-wash text-danger'
              : 'border-good bg-good-wash text-good',
          )}
          onPointerEnter={() => setRead(true)}
          onPointerLeave={() => setRead(false)}
          onFocus={() => setRead(true)}
          onBlur={() => setRead(false)}
          onKeyDown={(e) => {
            if (e.key === 'Escape') close();
          }}
        >
          <span>{notice.text}</span>
          {notice.undo && (
            <button
              type="button"
              className="min-h-11 rounded-lg border border-current px-3"
              onClick={() => {
                setRead(false);
                notice.undo?.();
              }}
            >
              Undo
            </button>
          )}
          <button type="button" aria-label="Close" className="min-h-11 px-2 text-xl" onClick={close}>
            ×
          </button>
        </div>
      )}
    </div>
  );
}
