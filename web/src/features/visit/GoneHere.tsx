import type { StageId } from '@eclat/core/workflow';
import { Link } from 'react-router';
import { memo } from 'react';
import { Panel } from '../../ui/Answer.tsx';
import { dayTime } from '../../ui/dates.ts';
import { useThisVisit } from './useThisVisit.ts';

/** What was recorded on things that the description has no more: kept, and counted nowhere. */
export const GoneHere = memo(function GoneHere({ stage }: { stage: StageId }) {
  const visit = useThisVisit();
  const gone = visit.gone.filter((g) => g.stage === stage);
  if (gone.length === 0) return null;
  return (
    <Panel title="No longer in the description">
      <ul className="flex flex-col gap-1">
        {gone.map((g) => (
          <li key={g.what + g.at}>
            <b>{g.what}</b>: {g.said}{' '}
            <span className="text-sm text-soft">
              {g.by}, {dayTime(g.at)}
            </span>
          </li>
        ))}
      </ul>
      <p className="mt-2 text-sm text-soft">
        It is kept and counts for nothing.{' '}
        <Link className="font-semibold text-steel underline" to={`/visits/${visit.id}/description`}>
          The description
        </Link>
      </p>
    </Panel>
  );
});
