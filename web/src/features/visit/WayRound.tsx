import type { Visit } from '@eclat/contract';
import { stageOf, STAGE_KEYS, STAGES, stagesIn, type StageId } from '@eclat/core/workflow';
import clsx from 'clsx';
import { Check } from 'lucide-react';
import { useEffect } from 'react';
import { Link, NavLink, useNavigate } from 'react-router';
import { useAppState } from '../../data/app-state.ts';
import { Help } from '../../ui/help/Help.tsx';
import { SideSheet } from '../../ui/SideSheet.tsx';
import { StageWheel } from '../../ui/StageWheel.tsx';
import { JobLine } from './JobLine.tsx';
import { SideWork } from './SideWork.tsx';

/** The way round a visit: the stages of its job with their keys, what lies beside them, and what was agreed. */
export default function WayRound({ visit, onClose }: { visit: Visit; onClose: () => void }) {
  const go = useNavigate();
  const singleKeys = useAppState((s) => s.singleKeys);
  const current = stageOf(visit.stages);
  const goTo = (to: string) => {
    onClose();
    void go(`/visits/${visit.id}/${to}`);
  };
  return (
    <>
      <SideSheet
        title="Stages of this job"
        side="left"
        onClose={onClose}
        first={['[aria-current="page"]', 'nav a']}
        onKeyDown={(e) => {
          const stage = STAGES[STAGE_KEYS.findIndex((k) => k === e.key)];
          if (singleKeys && stage && !e.ctrlKey && !e.metaKey && !e.altKey) goTo(stage.id);
        }}
        before={<StageWheel words stages={visit.stages} current={current} className="hidden size-24 sm:block" />}
        under={
          <>
            <p className="text-soft">
              {visit.owner.name}, {visit.claim},{' '}
              <Link className="font-semibold text-steel underline" to={`/movements/${visit.movement.id}`}>
                {visit.movement.code}
              </Link>
            </p>
            <div className="mt-1 flex items-center gap-2">
              <JobLine visit={visit} />
              <Help about="stages" />
            </div>
          </>
        }
      >
        <Stages visit={visit} onPress={onClose} />
      </SideSheet>
      <CloseWhenGone onClose={onClose} />
    </>
  );
}

function Stages({ visit, onPress }: { visit: Visit; onPress: () => void }) {
  const outside = stagesIn(visit.stages, 'not in this job');
  return (
    <nav aria-label="Stages of this visit" className="grid gap-x-6 sm:grid-cols-2">
      <ol>
        {STAGES.filter(({ id }) => !outside.includes(id)).map(({ id }) => (
          <StageLink key={id} id={id} visit={visit} onPress={onPress} />
        ))}
      </ol>
      <div>
        <h2 className="flex min-h-11 items-center text-base text-soft">Beside the stages</h2>
        <ul>
          <SideWork visit={visit} onPress={onPress} />
        </ul>
        {outside.length > 0 && (
          <>
            <h2 className="mt-3 flex min-h-11 items-center text-base text-soft">Not in this job</h2>
            <ul>
              {outside.map((id) => (
                <StageLink key={id} id={id} visit={visit} onPress={onPress} />
              ))}
            </ul>
          </>
        )}
      </div>
    </nav>
  );
}

/** Gone elsewhere by the browser's own way back: it closes too. */
function CloseWhenGone({ onClose }: { onClose: () => void }) {
  useEffect(() => {
    window.addEventListener('popstate', onClose);
    return () => window.removeEventListener('popstate', onClose);
  }, [onClose]);
  return null;
}

function StageLink({ id, visit, onPress }: { id: StageId; visit: Visit; onPress: () => void }) {
  const done = stagesIn(visit.stages, 'done', 'left').includes(id);
  const outside = stagesIn(visit.stages, 'not in this job').includes(id);
  const i = STAGES.findIndex((s) => s.id === id);
  const now = stageOf(visit.stages) === id;
  return (
    <li>
      <NavLink
        to={`/visits/${visit.id}/${id}`}
        onClick={onPress}
        className={({ isActive }) =>
          clsx(
            'flex min-h-11 items-center gap-3 rounded-lg border px-2 font-semibold',
            isActive ? 'border-steel bg-steel-wash' : 'border-transparent hover:bg-steel-wash',
            outside && 'font-normal text-soft',
          )
        }
      >
        <span className={clsx('grid size-6 shrink-0 place-items-center rounded-full text-sm', lookOf(done, now))}>
          {done && <Check className="size-4" aria-label="done" />}
        </span>
        {STAGES[i]!.name}
        {outside && <span className="sr-only">not in this job</span>}
        {now && <span className="font-normal text-soft">now</span>}
        <kbd className="ml-auto rounded border border-line px-2 font-sans text-sm font-normal text-soft">
          {STAGE_KEYS[i]}
        </kbd>
      </NavLink>
    </li>
  );
}

function lookOf(done: boolean, now: boolean): string {
  if (done) return 'bg-steel text-steel-ink';
  if (now) return 'bg-brass-fill';
  return 'border border-line';
}
