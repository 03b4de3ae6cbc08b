import { api } from '../../data/api.ts';
import { cautionsFor } from '@eclat/core/cautions';
import type { StageId } from '@eclat/core/workflow';
import clsx from 'clsx';
import { Check, TriangleAlert } from 'lucide-react';
import { useCommand } from '../../data/useCommand.ts';
import { Button } from '../../ui/Button.tsx';
import { dayTime } from '../../ui/dates.ts';
import { useThisVisit } from './useThisVisit.ts';

/** Where the work can hurt somebody: at the step, before it. The important ones take a name and a time. */
export function Cautions({ stage }: { stage: StageId }) {
  const visit = useThisVisit();
  const read = useCommand(api.visit.readCaution, { what: 'Caution' });
  const list = cautionsFor(visit.movement.traits, stage);
  if (list.length === 0) return null;
  return (
    <ul aria-label="Cautions" className="flex flex-col gap-2">
      {list.map((c) => {
        const who = visit.cautions.find((x) => x.caution === c.id);
        return (
          <li
            key={c.id}
            className={clsx(
              'flex items-center gap-x-3 gap-y-1 rounded-lg border-l-8 border-brass-fill bg-brass-wash px-3 sm:flex-wrap',
              c.acknowledge && 'flex-wrap',
              who ? 'py-1 text-sm' : 'py-1.5',
            )}
          >
            <TriangleAlert className={clsx('shrink-0 text-brass', who ? 'size-5' : 'size-6')} aria-hidden />
            <p className="min-w-0 flex-1 max-sm:text-sm sm:min-w-60">{c.text}</p>
            {c.acknowledge &&
              (who ? (
                <span className="flex items-center gap-1 text-sm font-semibold">
                  <Check className="size-5" aria-hidden />
                  {who.by}, {dayTime(who.at)}
                </span>
              ) : (
                !visit.closedAt && (
                  <Button onClick={() => read.mutate({ params: { visitId: visit.id, caution: c.id } })}>
                    I have read this
                  </Button>
                )
              ))}
          </li>
        );
      })}
    </ul>
  );
}
