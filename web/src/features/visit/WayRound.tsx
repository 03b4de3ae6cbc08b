import type { Visit } from '@eclat/contract';
import { stageOf, STAGE_KEYS, STAGES, stagesIn, type StageId } from '@eclat/core/workflow';
import clsx from 'clsx';
import { Check, X } from 'lucide-react';
import { Dialog } from 'radix-ui';
import { useEffect, useRef, type RefObject } from 'react';
import { Link, NavLink, useNavigate } from 'react-router';
import { useAppState } from '../../data/app-state.ts';
import { StageWheel } from '../../ui/StageWheel.tsx';
import { useReturn } from '../../ui/useReturn.ts';
import { JobLine } from './JobLine.tsx';
import { SideWork } from './SideWork.tsx';

/** The way round a visit: the stages of its job with their keys, what lies beside them, and what was agreed. */
export default function WayRound({ visit, onClose }: { visit: Visit; onClose: () => void }) {
  const back = useReturn();
  const go = useNavigate();
  const singleKeys = useAppState((s) => s.singleKeys);
  const list = useRef<HTMLElement>(null);
  const current = stageOf(visit.stages);
  const goTo = (to: string) => {
    onClose();
    void go(`/visits/${visit.id}/${to}`);
  };
  return (
    <Dialog.Root open onOpenChange={(next) => !next && onClose()}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-x-0 top-14 bottom-0 z-40 bg-black/40" />
        <Dialog.Content
          aria-describedby={undefined}
          onCloseAutoFocus={back}
          onOpenAutoFocus={(e) => {
            e.preventDefault();
            const at = list.current?.querySelector<HTMLElement>('[aria-current="page"]');
            (at ?? list.current?.querySelector('a'))?.focus();
          }}
          onKeyDown={(e) => {
            const stage = STAGES[STAGE_KEYS.findIndex((k) => k === e.key)];
            if (singleKeys && stage && !e.ctrlKey && !e.metaKey && !e.altKey) goTo(stage.id);
          }}
          className={
            'fixed top-14 left-0 z-50 max-h-[calc(100dvh-3.5rem)] w-[min(100vw,44rem)] overflow-y-auto ' +
            'rounded-br-2xl border-r border-b border-line bg-enamel p-4 shadow-2xl'
          }
        >
          <div className="mb-1 flex items-center gap-4">
            <StageWheel words stages={visit.stages} current={current} className="hidden size-24 sm:block" />
            <div className="min-w-0 flex-1">
              <Dialog.Title className="text-xl">Stages of this job</Dialog.Title>
              <p className="text-soft">
                {visit.owner.name}, {visit.claim},{' '}
                <Link className="font-semibold text-steel underline" to={`/movements/${visit.movement.id}`}>
                  {visit.movement.code}
                </Link>
              </p>
              <div className="mt-1">
                <JobLine visit={visit} />
              </div>
            </div>
            <Dialog.Close
              aria-label="Close"
              className="grid size-12 shrink-0 place-items-center self-start rounded-lg hover:bg-steel-wash"
            >
              <X />
            </Dialog.Close>
          </div>
          <Stages list={list} visit={visit} onPress={onClose} />
        </Dialog.Content>
      </Dialog.Portal>
      <CloseWhenGone onClose={onClose} />
    </Dialog.Root>
  );
}

function Stages({ list, visit, onPress }: { list: RefObject<HTMLElement | null>; visit: Visit; onPress: () => void }) {
  const outside = stagesIn(visit.stages, 'not in this job');
  return (
    <nav ref={list} aria-label="Stages of this visit" className="grid gap-x-6 sm:grid-cols-2">
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
