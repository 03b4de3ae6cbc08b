import type { DueAgain as Due } from '@eclat/contract';
import { Link } from 'react-router';
import { day, daysUntil } from '../../ui/dates.ts';
import { useNow } from '../../ui/useNow.ts';

/** Clocks that went home and are due for oil or overhaul, the soonest first. */
export function DueAgain({ rows }: { rows: readonly Due[] }) {
  const now = useNow(60_000);
  return (
    <ul className="divide-y divide-line">
      {rows.map((d) => {
        const look = d.lookAgain !== null && d.lookAgain < d.oil ? d.lookAgain : null;
        const left = daysUntil(look ?? d.oil, now);
        return (
          <li key={d.visitId} className="flex min-h-12 flex-wrap items-center gap-x-4 py-1">
            <Link className="w-24 font-semibold text-steel underline" to={`/movements/${d.movementId}`}>
              {d.claim}
            </Link>
            <span className="min-w-0 flex-1 font-semibold">{d.clock}</span>
            <span className={left <= 0 ? 'font-semibold text-brass' : 'text-soft'}>
              {left <= 0 ? `due since ${day(look ?? d.oil)}` : `${look ? 'look again' : 'oil'} ${day(look ?? d.oil)}`},
              overhaul {day(d.overhaul)}
            </span>
          </li>
        );
      })}
    </ul>
  );
}
