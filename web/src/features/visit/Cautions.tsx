import { api } from '../../data/api.ts';
import { cautionsFor } from '@eclat/core/cautions';
import type { StageId } from '@eclat/core/workflow';
import { Check, TriangleAlert } from 'lucide-react';
import { useCommand } from '../../data/useCommand.ts';
import { counted } from '@eclat/core/units';
import { memo } from 'react';
import { Fold } from '../../ui/Fold.tsx';
import { Button } from '../../ui/Button.tsx';
import { dayTime } from '../../ui/dates.ts';
import { useThisVisit } from './useThisVisit.ts';

/**
 * Where the work can hurt somebody: at the step, before it. The important ones take a name and a time, and are one line
 * when they have them.
 */
export const Cautions = memo(function Cautions({ stage }: { stage: StageId }) {
  const visit = useThisVisit();
  const list = cautionsFor(visit.movement.traits, stage);
  const [first, ...more] = list.flatMap((c) => visit.cautions.filter((x) => x.caution === c.id));
  const isRead = (c: Caution) => visit.cautions.some((x) => x.caution === c.id);
  if (list.length === 0) return null;
  return (
    <div className="flex flex-col gap-2">
      <List cautions={list.filter((c) => !isRead(c))} />
      {first && (
        <Fold
          bare
          name={`read ${stage}`}
          title={counted(more.length + 1, 'caution was read', 'cautions were read')}
          says={`${first.by}, ${dayTime(first.at)}`}
        >
          <List cautions={list.filter(isRead)} />
        </Fold>
      )}
    </div>
  );
});

type Caution = ReturnType<typeof cautionsFor>[number];

function List({ cautions }: { cautions: readonly Caution[] }) {
  const visit = useThisVisit();
  const read = useCommand(api.visit.readCaution, { what: 'Caution' });
  if (cautions.length === 0) return null;
  return (
    <ul aria-label="Cautions" className="flex flex-col gap-2">
      {cautions.map((c) => {
        const who = visit.cautions.find((x) => x.caution === c.id);
        return (
          <li
            key={c.id}
            className="flex items-center gap-x-3 rounded-lg border-l-8 border-brass-fill bg-brass-wash px-3 py-1.5"
          >
            <TriangleAlert className="size-6 shrink-0 text-brass" aria-hidden />
            <div className="min-w-0 flex-1 gap-x-4 sm:flex sm:flex-wrap sm:items-center">
              <p className="min-w-0 flex-1 max-sm:text-sm sm:min-w-60">{c.text}</p>
              {who && (
                <span className="flex items-center gap-1 text-sm font-semibold">
                  <Check className="size-5" aria-hidden />
                  {who.by}, {dayTime(who.at)}
                </span>
              )}
              {c.acknowledge && !who && !visit.closedAt && (
                <Button onClick={() => read.mutate({ params: { visitId: visit.id, caution: c.id } })}>
                  I have read this
                </Button>
              )}
            </div>
          </li>
        );
      })}
    </ul>
  );
}
