import clsx from 'clsx';
import { BellRing, Timer as TimerIcon } from 'lucide-react';
import { Link } from 'react-router';
import { useTimers } from '../../data/queries.ts';
import { Empty, Failed, Loading } from '../../ui/Answer.tsx';
import { dayTime } from '../../ui/dates.ts';
import { useNow } from '../../ui/useNow.ts';
import { leftWords, placeOf } from './Timers.tsx';

/** Every timer that runs in the shop, the next one first. */
export function TimersScreen() {
  const { data, error } = useTimers();
  const now = useNow();
  if (error && !data) return <Failed error={error} />;
  if (!data) return <Loading what="the timers" />;
  return (
    <div className="mx-auto max-w-3xl px-4 py-5">
      <h1 className="mb-4 text-3xl">Timers</h1>
      {data.length === 0 && <Empty>Nothing is in a bath or drying.</Empty>}
      <ul className="divide-y divide-line rounded-xl border border-line bg-enamel empty:hidden">
        {data.map((t) => {
          const left = Date.parse(t.endsAt) - now;
          return (
            <li key={t.id}>
              <Link to={placeOf(t)} className="flex min-h-16 items-center gap-4 px-4 py-2 hover:bg-steel-wash">
                {left <= 0 ? (
                  <BellRing className="size-6 shrink-0 text-danger" aria-hidden />
                ) : (
                  <TimerIcon className="size-6 shrink-0 text-soft" aria-hidden />
                )}
                <span className="min-w-0 flex-1">
                  <span className="block truncate font-semibold">{t.clock}</span>
                  <span className="block truncate text-soft">
                    {t.what}, ends {dayTime(t.endsAt)}
                  </span>
                </span>
                <span className={clsx('text-2xl font-bold whitespace-nowrap', left <= 0 && 'text-danger')}>
                  {leftWords(left)}
                </span>
              </Link>
            </li>
          );
        })}
      </ul>
    </div>
  );
}
