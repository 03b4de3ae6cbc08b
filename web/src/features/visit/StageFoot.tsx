import { api } from '../../data/api.ts';
import { readyFacts } from '@eclat/core/visit';
import { COUNTER_STAGES, notReady, settled, stageName, stageOf, STAGES, type StageId } from '@eclat/core/workflow';
import { ArrowRight, Check, Ellipsis, RotateCcw, Undo2 } from 'lucide-react';
import { useQueryClient } from '@tanstack/react-query';
import { useEffect, useMemo, useState, type ReactNode } from 'react';
import { Link, useNavigate } from 'react-router';
import { isGoing } from '../../app/navigation.ts';
import { useAppState } from '../../data/app-state.ts';
import { lastOf, takeBack } from '../../data/undo.ts';
import { useMe } from '../../data/queries.ts';
import { Kept, useCommand } from '../../data/useCommand.ts';
import { useKept } from '../../data/useDraft.ts';
import { ActionSlot } from '../../ui/BigAction.tsx';
import { Button, buttonClass } from '../../ui/Button.tsx';
import { ago } from '../../ui/dates.ts';
import { TextField } from '../../ui/Field.tsx';
import { useNow } from '../../ui/useNow.ts';
import { isDialogOpen } from '../../ui/work.ts';
import { PhotoButton } from '../photos/PhotoButton.tsx';
import { useThisVisit, useVisitBehind } from './useThisVisit.ts';

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

/**
 * What one finger reaches on every stage: back one step, a photo, the stage's own action, and on. It ends a stage and
 * goes on to the next one; leaves it as far as agreed; or takes it up again, which the log keeps.
 */
export function StageFoot({ stage }: { stage: StageId }) {
  const visit = useThisVisit();
  const me = useMe();
  const now = useNow(60_000);
  const counter = me?.role === 'counter' && !COUNTER_STAGES.includes(stage);
  // What was just entered stands first; whether the stage can end follows it.
  const entered = useVisitBehind();
  const missing = useMemo(() => notReady(readyFacts(entered, now), stage), [entered, now, stage]);
  const why = counter ? 'Whoever answers for the movement says when it is done.' : missing;
  const { say, next, busy } = useWord(stage);
  const [leaving, setLeaving] = useState(false);
  const here = visit.stages.find((s) => s.stage === stage);
  if (visit.closedAt) return null;
  const isSettled = settled(visit.stages).includes(stage);
  return (
    <ActionBar
      photosOf={stage}
      above={
        <>
          {leaving && <Leave stage={stage} busy={busy} onWord={say} onClose={() => setLeaving(false)} />}
          {leaving && why && <p className="mb-1 text-sm text-soft lg:hidden">{why}</p>}
        </>
      }
    >
      {isSettled ? (
        <Settled here={here!} busy={busy} onAgain={() => say('open')} />
      ) : (
        <>
          {why && <span className="hidden text-right text-sm text-soft lg:block">{why}</span>}
          {!counter && (
            <Button
              variant="plain"
              aria-label="Leave it as it is"
              aria-expanded={leaving}
              className="max-md:px-1.5"
              onClick={() => setLeaving(!leaving)}
            >
              <span className="hidden whitespace-nowrap lg:inline">Leave it as it is</span>
              <Ellipsis className="size-5 lg:hidden" aria-hidden />
            </Button>
          )}
          <Button
            variant="main"
            data-stage-done
            aria-label={`${stageName(stage)} is done${next ? `, on to ${next.name.toLowerCase()}` : ''}`}
            className="shrink-0 whitespace-nowrap max-sm:px-3"
            onClick={() => say('done')}
            disabled={why !== null}
            busy={busy}
          >
            <Check className="size-5 max-sm:hidden" aria-hidden />
            <span className="hidden sm:inline">{stageName(stage)} is done</span>
            <span className="sm:hidden">Done</span>
            {next && <ArrowRight className="size-5 max-sm:hidden" aria-hidden />}
          </Button>
        </>
      )}
    </ActionBar>
  );
}

/** The same for what lies beside the stages: it leads back to the one the clock stands at. */
export function SideFoot() {
  const visit = useThisVisit();
  const stage = stageOf(visit.stages);
  if (visit.closedAt) return null;
  return (
    <ActionBar photosOf={stage}>
      <Link
        to={`/visits/${visit.id}/${stage}`}
        className={buttonClass('quiet', 'shrink-0 whitespace-nowrap max-sm:px-3')}
      >
        Back to {stageName(stage).toLowerCase()}
      </Link>
    </ActionBar>
  );
}

function ActionBar({ photosOf, above, children }: { photosOf: StageId; above?: ReactNode; children: ReactNode }) {
  return (
    <div
      className={
        'no-print sticky bottom-0 z-20 -mx-3 mt-auto border-t border-line bg-enamel px-3 py-2 md:-mx-6 md:px-6 ' +
        '[&_*]:scroll-my-0'
      }
    >
      {above}
      <div className="flex items-center gap-1.5 sm:gap-2">
        <UndoButton />
        <PhotoButton stage={photosOf} />
        <ActionSlot />
        <span className="min-w-0 flex-1" />
        {children}
      </div>
    </div>
  );
}

/** In a field, undo is of what is typed there. */
const isTyped = (at: EventTarget | null): boolean =>
  at instanceof HTMLElement &&
  (at.isContentEditable || at.matches('textarea, input:not([type=checkbox], [type=radio])'));

/** Takes back what this person did last on this clock; pressed again, what was done before that. */
function UndoButton() {
  const visit = useThisVisit();
  const queries = useQueryClient();
  const personId = useMe()?.id ?? '';
  const undo = useAppState((s) => lastOf(s.undos, visit.id, personId));
  useEffect(() => {
    if (!undo) return;
    const press = (e: KeyboardEvent) => {
      if (!(e.ctrlKey || e.metaKey) || e.shiftKey || e.altKey || e.key.toLowerCase() !== 'z') return;
      if (isTyped(e.target) || isDialogOpen()) return;
      e.preventDefault();
      void takeBack(queries, undo.key);
    };
    window.addEventListener('keydown', press);
    return () => window.removeEventListener('keydown', press);
  }, [queries, undo]);
  return (
    <Button
      aria-label="Undo"
      title={undo ? `Undo: ${undo.text} (Ctrl Z)` : 'Nothing to undo'}
      disabled={!undo}
      className="shrink-0 max-sm:px-3"
      aria-keyshortcuts="Control+Z"
      onClick={() => undo && void takeBack(queries, undo.key)}
    >
      <Undo2 className="size-5" aria-hidden />
      <span className="hidden sm:inline">Undo</span>
    </Button>
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
      <span className="hidden text-sm text-soft sm:inline">
        {what} by {here.by} {here.at && ago(here.at, now)}.
      </span>
      <Button aria-label="Take it up again" className="shrink-0 whitespace-nowrap" onClick={onAgain} busy={busy}>
        <RotateCcw className="size-5" aria-hidden />
        <span className="max-sm:hidden">Take it up again</span>
        <span className="sm:hidden">Again</span>
      </Button>
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
      className="mb-2 flex flex-wrap items-end gap-3"
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
      <Button variant="plain" data-close onClick={onClose}>
        Close
      </Button>
    </form>
  );
}
