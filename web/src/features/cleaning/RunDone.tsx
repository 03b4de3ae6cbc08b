import type { CleaningRun } from '@eclat/contract';
import { minutesIn } from '@eclat/core/cleaning';
import { dayTime } from '../../ui/dates.ts';

/** A run that is over: how long it really lay in, and what it looked like before and after. */
export function RunDone({ run }: { run: CleaningRun }) {
  const stayed = minutesIn(run, null);
  return (
    <li className="flex flex-wrap items-start gap-x-5 gap-y-1 py-3">
      <span className="w-32 shrink-0 text-3xl whitespace-nowrap font-bold text-soft">
        {stayed > 0 ? `${stayed} min` : '—'}
      </span>
      <span className="min-w-60 flex-1">
        <b className="block text-lg">
          {run.name}
          {run.bath && <span className="font-normal">, {run.bath}</span>}
        </b>
        <span className="block">{run.parts.map((p) => p.name).join(', ')}</span>
        {(run.before || run.after) && (
          <span className="block">
            {run.before && (
              <>
                <span className="text-soft">before:</span> {run.before}
              </>
            )}
            {run.before && run.after && ' '}
            {run.after && (
              <>
                <span className="text-soft">after:</span> {run.after}
              </>
            )}
          </span>
        )}
        <span className="block text-sm text-soft">
          {run.by}, {dayTime(run.startedAt)}
          {run.overrideReason && <>. Overridden: “{run.overrideReason}”</>}
        </span>
      </span>
    </li>
  );
}
