import { api } from '../../data/api.ts';
import { STAGES, stageName, type StageId } from '@eclat/core/workflow';
import { ArrowRight, RotateCcw } from 'lucide-react';
import { useNavigate } from 'react-router';
import { isGoing } from '../../app/navigation.ts';
import { useCommand } from '../../data/useCommand.ts';
import { Button } from '../../ui/Button.tsx';
import { ago } from '../../ui/dates.ts';
import { useNow } from '../../ui/useNow.ts';
import { useThisVisit } from './useThisVisit.ts';

/** Ends a stage and goes on to the next one; or takes it up again, which the log keeps. */
export function StageFoot({ stage, ready = true, why }: { stage: StageId; ready?: boolean; why?: string }) {
  const visit = useThisVisit();
  const go = useNavigate();
  const now = useNow(30_000);
  const mark = useCommand(api.visit.setStage, { what: stageName(stage) });
  const state = visit.stages.find((s) => s.stage === stage);
  const next = STAGES[STAGES.findIndex((s) => s.id === stage) + 1];
  if (visit.closedAt) return null;
  const set = (done: boolean) => {
    const from = window.location.pathname;
    mark.mutate(
      { params: { visitId: visit.id, stage }, body: { done } },
      {
        onSuccess: (reply) => {
          // Whoever has gone somewhere else meanwhile is not fetched from there.
          const still = window.location.pathname === from && !isGoing();
          if (reply !== 'kept' && done && next && still) void go(`/visits/${visit.id}/${next.id}`);
        },
      },
    );
  };
  return (
    <div className="no-print mt-2 flex flex-wrap items-center gap-4 border-t border-line pt-4">
      {state?.done ? (
        <>
          <Button onClick={() => set(false)} busy={mark.isPending}>
            <RotateCcw className="size-5" aria-hidden />
            Take it up again
          </Button>
          <span className="text-soft">
            Done by {state.by} {ago(state.at, now)}.
          </span>
        </>
      ) : (
        <>
          <Button variant="main" onClick={() => set(true)} disabled={!ready || mark.isPending}>
            {stageName(stage)} is done
            {next && (
              <>
                , on to {next.name.toLowerCase()}
                <ArrowRight className="size-5" aria-hidden />
              </>
            )}
          </Button>
          {!ready && why && <span className="text-soft">{why}</span>}
        </>
      )}
    </div>
  );
}
