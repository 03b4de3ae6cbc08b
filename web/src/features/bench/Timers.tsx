import type { Timer } from '@eclat/contract';
import { byCount, counted } from '@eclat/core/units';
import clsx from 'clsx';
import { BellRing, Timer as TimerIcon } from 'lucide-react';
import { useEffect, useRef } from 'react';
import { Link } from 'react-router';
import { useTimers } from '../../data/queries.ts';
import { countdown } from '../../ui/dates.ts';
import { useNow } from '../../ui/useNow.ts';

/** What dries for a day does not stand in the head of every page: it shows there in its last hours. */
const SHOWN_MS = 2 * 3_600_000;

/**
 * The timer that ends next, in every browser of the shop, and the way to all of them. They stand in the database: a
 * reload, another browser, another server see the same.
 */
export function Timers({ few }: { few: boolean }) {
  const { data } = useTimers();
  const now = useNow();
  const over = data?.filter((t) => Date.parse(t.endsAt) <= now).length ?? 0;
  useRing(over);
  if (!data || data.length === 0) return null;
  const first = data.find((t) => Date.parse(t.endsAt) - now < SHOWN_MS);
  const others = data.length - (first ? 1 : 0);
  const left = first ? Date.parse(first.endsAt) - now : Infinity;
  return (
    <ul aria-label="Running timers" className={clsx('flex shrink-0 items-center', few && left > 0 && 'max-sm:hidden')}>
      {first && (
        <li>
          <Link
            to={placeOf(first)}
            title={`${first.what}, ${first.clock}`}
            className={clsx(
              'flex min-h-11 items-center gap-2 rounded-full border-2 px-3 font-semibold',
              few && 'max-lg:px-2',
              left <= 0 ? 'ringing border-danger bg-danger text-danger-ink' : 'border-line hover:bg-steel-wash',
            )}
          >
            {left <= 0 ? <BellRing className="size-5" aria-hidden /> : <TimerIcon className="size-5" aria-hidden />}
            <span className={clsx('text-lg whitespace-nowrap', few && 'max-lg:sr-only')}>{leftWords(left)}</span>
            <span className={clsx('max-w-40 truncate font-normal', few ? 'sr-only' : 'max-2xl:sr-only')}>
              {first.clock}
            </span>
          </Link>
        </li>
      )}
      {others > 0 && (
        <li className={clsx(few && 'max-lg:hidden')}>
          <Link
            to="/timers"
            className="flex min-h-11 items-center rounded-full px-2 font-semibold whitespace-nowrap hover:bg-steel-wash"
          >
            {first ? `+${others}` : counted(others, 'timer')}
            {first && <span className="sr-only"> other {byCount(others, 'timer', 'timers')}</span>}
          </Link>
        </li>
      )}
    </ul>
  );
}

/** Where somebody has to go when it ends. */
export const placeOf = (t: Timer): string => `/visits/${t.visitId}/${t.beside ? 'case' : 'clean'}`;

export function leftWords(left: number) {
  if (left <= -3_600_000) return `over by ${Math.floor(-left / 3_600_000)} h`;
  if (left <= 0) return `over by ${countdown(-left)}`;
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
