import type { TestRun } from '@eclat/contract';
import { adviseRun, type RunJudgement } from '@eclat/core/rate';
import { Wrench } from 'lucide-react';
import { api } from '../../data/api.ts';
import { useCommand } from '../../data/useCommand.ts';
import { say, serverNow } from '../../data/app-state.ts';
import { Button } from '../../ui/Button.tsx';
import { useThisVisit } from '../visit/useThisVisit.ts';

/** What to turn, which way and how far, in the unit of what sets this clock; one press says that it was done. */
export function TurnAdvice({ run, judged }: { run: TestRun; judged: RunJudgement }) {
  const visit = useThisVisit();
  const log = useCommand(api.testRun.addEvent, {
    what: 'Adjustment',
    onDone: () => say('Logged. The rate line starts again: set the hands and read once more.'),
  });
  const { fit, protocol, verdict } = judged;
  if (!fit || verdict.kind === 'inside' || protocol.keepsStepWithinS !== null) return null;
  const advice = adviseRun(run, fit.rateSecondsPerDay, fit.halfWidthSecondsPerDay, protocol.toleranceSecondsPerDay);
  if (advice.kind === 'leave' && verdict.kind === 'not yet') return null;
  const early = verdict.kind === 'not yet' && fit.halfWidthSecondsPerDay > Math.abs(fit.rateSecondsPerDay) / 2;
  return (
    <section
      aria-label="What to turn"
      className="flex flex-wrap items-center gap-4 rounded-xl border-2 border-brass-fill bg-brass-wash px-5 py-3"
    >
      <Wrench className="size-8 shrink-0 text-brass" aria-hidden />
      <div className="min-w-0 flex-1 basis-72">
        <p className="text-xl font-bold">{advice.words}</p>
        {early && <p>The rate is not sure yet: another reading first saves a turn.</p>}
      </div>
      {advice.kind === 'set' && !visit.closedAt && (
        <Button
          variant="main"
          className="min-h-14"
          busy={log.isPending}
          onClick={() =>
            log.mutate({
              params: { visitId: visit.id },
              body: {
                kind: 'adjusted',
                happenedAt: new Date(serverNow()).toISOString(),
                note: '',
                detail: { setter: advice.setter, amount: advice.amount },
              },
            })
          }
        >
          I turned it
        </Button>
      )}
    </section>
  );
}
