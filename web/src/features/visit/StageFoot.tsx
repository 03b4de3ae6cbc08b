import { api } from '../../data/api.ts';
import { readyFacts } from '@eclat/core/visit';
import { COUNTER_STAGES, notReady, settled, stageName, STAGES, type StageId } from '@eclat/core/workflow';
import { ArrowRight, RotateCcw } from 'lucide-react';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { isGoing } from '../../app/navigation.ts';
import { useMe } from '../../data/queries.ts';
import { Kept, useCommand } from '../../data/useCommand.ts';
import { useKept } from '../../data/useDraft.ts';
import { Button } from '../../ui/Button.tsx';
import { ago } from '../../ui/dates.ts';
import { TextField } from '../../ui/Field.tsx';
import { useNow } from '../../ui/useNow.ts';
import { useThisVisit } from './useThisVisit.ts';

type Word = 'open' | 'done' | 'left' | 'not in this job';

/** Says a word on a stage, and goes on to the next one of the job where it is settled. */
function useWord(stage: StageId) {
  const visit = useThisVisit();
  const go = useNavigate();
  const mark = useCommand(api.visit.setStage, { what: stageName(stage) });
  const outside = visit.stages.filter((s) => s.state === 'not in this job').map((s) => s.stage);
  const next = STAGES.slice(STAGES.findIndex((s) => s.id === stage) + 1).find((s) => !outside.includes(s.id));
  const say = (state: Word, why = '') => {
    const from = window.location.pathname;
    mark.mutate(
      { params: { visitId: visit.id, stage }, body: { state, why } },
      {
        onSuccess: (reply) => {
          // Whoever has gone somewhere else meanwhile is not fetched from there.
          const still = window.location.pathname === from && !isGoing();
          if (!(reply instanceof Kept) && state !== 'open' && next && still) void go(`/visits/${visit.id}/${next.id}`);
        },
      },
    );
  };
  return { say, next, busy: mark.isPending };
}

/** Ends a stage and goes on to the next one; leaves it as far as agreed; or takes it up again, which the log keeps. */
export function StageFoot({ stage }: { stage: StageId }) {
  const visit = useThisVisit();
  const me = useMe();
  const now = useNow(60_000);
  const counter = me?.role === 'counter' && !COUNTER_STAGES.includes(stage);
  const why = counter
    ? 'Whoever answers for the movement says when it is done.'
    : notReady(readyFacts(visit, now), stage);
  const { say, next, busy } = useWord(stage);
  const [leaving, setLeaving] = useState(false);
  const here = visit.stages.find((s) => s.stage === stage);
  if (visit.closedAt) return null;
  return (
    <div className="no-print mt-2 flex flex-col gap-4 border-t border-line pt-4">
      <div className="flex flex-wrap items-center gap-4">
        {settled(visit.stages).includes(stage) ? (
          <Settled here={here!} busy={busy} onAgain={() => say('open')} />
        ) : (
          <>
            <Button variant="main" onClick={() => say('done')} disabled={why !== null} busy={busy}>
              {stageName(stage)} is done
              {next && (
                <>
                  , on to {next.name.toLowerCase()}
                  <ArrowRight className="size-5" aria-hidden />
                </>
              )}
            </Button>
            {why && <span className="text-soft">{why}</span>}
            {!counter && (
              <Button variant="plain" aria-expanded={leaving} onClick={() => setLeaving(!leaving)}>
                Leave it as it is
              </Button>
            )}
          </>
        )}
      </div>
      {leaving && <Leave stage={stage} busy={busy} onWord={say} onClose={() => setLeaving(false)} />}
    </div>
  );
}

function Settled({
  here,
  busy,
  onAgain,
}: {
  here: ReturnType<typeof useThisVisit>['stages'][number];
  busy: boolean;
  onAgain: () => void;
}) {
  const now = useNow(30_000);
  const what = here.state === 'left' ? `Left, as far as agreed (${here.why})` : 'Done';
  return (
    <>
      <Button onClick={onAgain} busy={busy}>
        <RotateCcw className="size-5" aria-hidden />
        Take it up again
      </Button>
      <span className="text-soft">
        {what} by {here.by} {here.at && ago(here.at, now)}.
      </span>
    </>
  );
}

/** A stage ends without being done: as far as agreed, or it does not belong. Why stands in the record. */
function Leave({
  stage,
  busy,
  onWord,
  onClose,
}: {
  stage: StageId;
  busy: boolean;
  onWord: (s: Word, why: string) => void;
  onClose: () => void;
}) {
  const visit = useThisVisit();
  const [why, setWhy] = useKept(`leave.${visit.id}.${stage}`, '');
  const missing = why.trim() === '';
  return (
    <form
      className="flex flex-wrap items-end gap-3 rounded-lg border border-line p-4"
      onSubmit={(e) => {
        e.preventDefault();
        if (!missing) onWord('left', why);
      }}
    >
      <TextField
        className="min-w-64 flex-1"
        label="Why"
        hint="Stands in the record."
        value={why}
        onChange={(e) => setWhy(e.target.value)}
        autoFocus
      />
      <Button type="submit" variant="main" disabled={missing} busy={busy}>
        Done as far as agreed
      </Button>
      <Button disabled={missing} busy={busy} onClick={() => onWord('not in this job', why)}>
        Not in this job
      </Button>
      <Button variant="plain" onClick={onClose}>
        Close
      </Button>
    </form>
  );
}
