import clsx from 'clsx';
import { BellRing, Timer as TimerIcon } from 'lucide-react';
import { useEffect, useRef, useState } from 'react';
import { Link } from 'react-router';
import { useTimers } from '../../data/queries.ts';
import { countdown } from '../../ui/dates.ts';
import { useNow } from '../../ui/useNow.ts';

const AT_ONCE = 3;
/** What dries for a day does not fill the head of every page: it shows there in its last hours. */
const SHOWN_MS = 2 * 3_600_000;

/**
 * Running timers, in every browser of the shop. They stand in the database: a reload, another browser, another server
 * see the same.
 */
export function Timers() {
  const { data } = useTimers();
  const now = useNow();
  const over = data?.filter((t) => Date.parse(t.endsAt) <= now).length ?? 0;
  useRing(over);
  const [all, setAll] = useState(false);
  if (!data || data.length === 0) return null;
  const shown = all
    ? data
    : data.filter((t) => Date.parse(t.endsAt) - now < SHOWN_MS).slice(0, Math.max(AT_ONCE, over));
  return (
    <ul aria-label="Running timers" className="flex flex-wrap gap-2 px-2">
      {shown.map((t) => {
        const left = Date.parse(t.endsAt) - now;
        return (
          <li key={t.id}>
            <Link
              to={`/visits/${t.visitId}/${t.beside ? 'case' : 'clean'}`}
              title={t.what}
              className={clsx(
                'flex min-h-11 items-center gap-2 rounded-full border-2 px-4 font-semibold',
                left <= 0 ? 'ringing border-danger bg-danger text-danger-ink' : 'border-line hover:bg-steel-wash',
              )}
            >
              {left <= 0 ? <BellRing className="size-5" aria-hidden /> : <TimerIcon className="size-5" aria-hidden />}
              <span className="text-lg">{leftWords(left)}</span>
              <span className="max-w-16 truncate font-normal 2xl:max-w-40">{t.clock}</span>
            </Link>
          </li>
        );
      })}
      {data.length > shown.length && (
        <li>
          <button
            type="button"
            className="min-h-11 rounded-full px-3 font-semibold hover:bg-steel-wash"
            onClick={() => setAll(true)}
          >
            {shown.length > 0 ? `+${data.length - shown.length} more` : `${data.length} drying`}
          </button>
        </li>
      )}
      {all && (
        <li>
          <button
            type="button"
            className="min-h-11 rounded-full px-3 font-semibold hover:bg-steel-wash"
            onClick={() => setAll(false)}
          >
            fewer
          </button>
        </li>
      )}
    </ul>
  );
}

function leftWords(left: number) {
  if (left <= -3_600_000) return `time is up, ${Math.floor(-left / 3_600_000)} h ago`;
  if (left <= 0) return `time is up, +${countdown(-left)}`;
  return countdown(left);
}

/** Two soft strokes for each timer that runs out while the page is open. Browsers stay silent until a first press. */
function useRing(over: number): void {
  const before = useRef(over);
  useEffect(() => {
    const rings = over > before.current;
    before.current = over;
    if (!rings || !navigator.userActivation.hasBeenActive) return;
    const audio = new AudioContext();
    for (const [start, pitch] of [
      [0, 880],
      [0.45, 660],
    ] as const) {
      const tone = audio.createOscillator();
      const gain = audio.createGain();
      tone.frequency.value = pitch;
      gain.gain.setValueAtTime(0.25, audio.currentTime + start);
      gain.gain.exponentialRampToValueAtTime(0.001, audio.currentTime + start + 1.2);
      tone.connect(gain).connect(audio.destination);
      tone.start(audio.currentTime + start);
      tone.stop(audio.currentTime + start + 1.3);
    }
    const closing = setTimeout(() => void audio.close(), 2500);
    return () => clearTimeout(closing);
  }, [over]);
}
