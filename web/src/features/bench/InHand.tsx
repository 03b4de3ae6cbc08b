import type { BenchRow } from '@eclat/contract';
import { Camera, ListPlus, Timer } from 'lucide-react';
import { Link } from 'react-router';
import { useAppState } from '../../data/app-state.ts';
import { buttonClass } from '../../ui/Button.tsx';

/** The clock that was open last on this device: what is done with a phone in the other hand is one press away. */
export function InHand({ rows }: { rows: readonly BenchRow[] }) {
  const last = useAppState((s) => s.inHand);
  const row = rows.find((r) => r.visitId === last);
  if (!row) return null;
  const to = (where: string) => `/visits/${row.visitId}/${where}`;
  const look = buttonClass('quiet', 'flex-1 px-1 whitespace-nowrap max-sm:gap-1');
  return (
    <section aria-label="In hand" className="mb-4 rounded-xl border border-line bg-enamel p-3 lg:hidden">
      <Link to={to('')} className="mb-2 flex min-h-11 items-center gap-2">
        <b className="min-w-0 truncate text-lg">{row.clock}</b>
        <span className="shrink-0 text-soft">{row.claim}</span>
      </Link>
      <div className="flex gap-2">
        <Link to={to('run')} className={look}>
          <Timer className="size-5" aria-hidden />
          Reading
        </Link>
        <Link to={to('strip')} className={look}>
          <ListPlus className="size-5" aria-hidden />
          Strip log
        </Link>
        <Link to={`${to(row.next.stage)}?photo`} className={look}>
          <Camera className="size-5" aria-hidden />
          Photo
        </Link>
      </div>
    </section>
  );
}
