import type { BenchRow } from '@eclat/contract';
import { counted } from '@eclat/core/units';
import { shapeById, type Urgency } from '@eclat/core/workflow';
import clsx from 'clsx';
import { Hourglass, TriangleAlert } from 'lucide-react';
import { Link } from 'react-router';
import { countdown, daysUntil } from '../../ui/dates.ts';
import { PowerBadge } from '../../ui/PowerBadge.tsx';
import { StageWheel } from '../../ui/StageWheel.tsx';

export function Row({ row, now }: { row: BenchRow; now: number }) {
  const { next } = row;
  const look = borderOf(next.urgency);
  const bathLeft = row.bathEndsAt ? Date.parse(row.bathEndsAt) - now : null;
  return (
    <li
      className={clsx(
        '[contain-intrinsic-size:auto_6rem] [content-visibility:auto] border-b border-l-8',
        'border-b-line last:border-b-0',
        look,
      )}
    >
      <Link
        to={visitPath(row)}
        className={
          'grid grid-cols-[4rem_1fr] items-center gap-x-4 gap-y-2 px-3 py-2.5 hover:bg-steel-wash ' +
          'lg:grid-cols-[4rem_3rem_minmax(0,5fr)_minmax(0,5fr)_minmax(0,4fr)]'
        }
      >
        {row.photoId ? (
          <img
            src={`/api/photos/${row.photoId}/small`}
            alt=""
            className="size-16 rounded-lg object-cover"
            loading="lazy"
          />
        ) : (
          <span className="grid size-16 place-items-center rounded-lg bg-sunk text-sm text-soft">no photo</span>
        )}
        <StageWheel stages={row.stages} current={next.stage} className="hidden size-12 lg:block" />
        <span className="min-w-0">
          <span className="block truncate text-lg font-bold">{row.clock}</span>
          <span className="block truncate text-sm text-soft">
            {row.claim} · {row.owner} · {row.movementCode}
            {row.shape !== 'overhaul' && ` · ${shapeById(row.shape).name}`}
          </span>
        </span>
        <span className="col-span-2 min-w-0 lg:col-span-1">
          <span className="block text-lg leading-snug font-semibold">
            {next.text}
            {bathLeft !== null && bathLeft > 0 && `, ${countdown(bathLeft)} left`}
          </span>
          <Promise date={row.promisedFor} now={now} />
        </span>
        <span className="col-span-2 flex flex-wrap gap-1.5 lg:col-span-1 lg:justify-end">
          {row.asked > 0 && (
            <span
              className={
                'inline-flex items-center gap-1 rounded-full border-2 border-dashed border-brass-fill ' +
                'px-2 py-0.5 text-sm font-semibold text-brass'
              }
            >
              <Hourglass className="size-4" aria-hidden />
              owner asked: {row.asked}
            </span>
          )}
          {row.cautions.map((c) => (
            <span
              key={c}
              className={
                'inline-flex items-center gap-1 rounded-full border-2 border-danger px-2 py-0.5 ' +
                'text-sm font-semibold text-danger'
              }
            >
              <TriangleAlert className="size-4" aria-hidden />
              {c}
            </span>
          ))}
          {row.power.map((p) => (
            <PowerBadge key={p.source} label={p.label} state={p.state} small together={row.together} />
          ))}
        </span>
      </Link>
    </li>
  );
}

/** Where its next action is done. */
export const visitPath = ({ visitId, next }: BenchRow) => `/visits/${visitId}/${next.beside ? 'case' : next.stage}`;

export function borderOf(urgency: Urgency) {
  if (urgency === 'danger') return 'border-l-danger';
  if (urgency === 'due') return 'border-l-brass-fill';
  return 'border-l-transparent';
}

export function Promise({ date, now }: { date: string | null; now: number }) {
  if (!date) return <span className="text-sm text-soft">No date promised</span>;
  const days = daysUntil(date, now);
  const words = promiseWords(days);
  return <span className={clsx('text-sm', days < 0 ? 'font-semibold text-danger' : 'text-soft')}>{words}</span>;
}

export function promiseWords(days: number) {
  if (days < 0) return `promised ${-days} ${days === -1 ? 'day' : 'days'} ago`;
  if (days === 0) return 'promised for today';
  return `promised in ${counted(days, 'day')}`;
}
