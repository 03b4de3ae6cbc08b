import { counted } from '@eclat/core/units';
import clsx from 'clsx';
import { lazy } from 'react';
import { useAppState } from '../data/app-state.ts';
import { Late } from '../ui/Late.tsx';

const OnDevice = lazy(() => import('./OnDevice.tsx'));

/** What is to be said in a few words; null while all is as it should be. */
function useWords(personId: string): { text: string; wrong: boolean } | null {
  const away = useAppState((s) => !s.liveOk);
  const newer = useAppState((s) => s.newer);
  const unsent = useAppState((s) => s.unsent);
  const mine = unsent.filter((u) => u.personId === personId);
  const refused = mine.filter((u) => u.refused).length;
  if (refused > 0) return { text: `${counted(refused, 'change')} not taken`, wrong: true };
  if (away && mine.length > 0)
    return { text: `Server away: ${counted(mine.length, 'change')} kept here`, wrong: false };
  if (away) return { text: 'Server away: what you enter is kept', wrong: false };
  if (mine.length > 0) return { text: `${counted(mine.length, 'change')} kept here`, wrong: false };
  return newer ? { text: 'A new version is ready', wrong: false } : null;
}

/**
 * Whether the server is away, and what waits for it. It hangs from the bar, on a phone over the actions: what comes by
 * itself does not move the page under a finger, nor cover what a screen says first.
 */
export function DeviceMark({ personId }: { personId: string }) {
  const words = useWords(personId);
  const open = useAppState((s) => s.onDevice !== null);
  return (
    <>
      <div
        aria-live="polite"
        data-device
        className="fixed top-15 right-4 z-30 max-sm:top-auto max-sm:right-auto max-sm:bottom-[4.5rem] max-sm:left-2"
      >
        {words && (
          <button
            type="button"
            aria-haspopup="dialog"
            className={clsx(
              'min-h-11 rounded-full border-2 border-dashed px-4 text-sm font-semibold shadow',
              words.wrong ? 'border-danger bg-danger-wash text-danger' : 'border-brass-fill bg-brass-wash text-brass',
            )}
            onClick={() => useAppState.getState().set({ onDevice: 'look' })}
          >
            {words.text}
          </button>
        )}
      </div>
      {open && (
        <Late>
          <OnDevice personId={personId} onClose={() => useAppState.getState().set({ onDevice: null })} />
        </Late>
      )}
    </>
  );
}
