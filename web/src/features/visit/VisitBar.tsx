import type { Visit } from '@eclat/contract';
import {
  byDanger,
  isTogether,
  shapeById,
  stageName,
  stageOf,
  stagesIn,
  STAGES,
  type StageId,
} from '@eclat/core/workflow';
import { BookOpenText, ChevronDown, LockKeyhole } from 'lucide-react';
import { lazy, useState } from 'react';
import { Late } from '../../ui/Late.tsx';
import { PowerBadge } from '../../ui/PowerBadge.tsx';
import { StageWheel } from '../../ui/StageWheel.tsx';
import { InTopBar } from '../../ui/TopBar.tsx';
import { TimeButton } from '../bench-time/TimeButton.tsx';
import { SIDE } from './side.ts';

const PowerSheet = lazy(() => import('../power-down/PowerSheet.tsx'));

interface Props {
  visit: Visit;
  /** The part of the address that names what is shown: a stage, or what lies beside them. */
  here: string | undefined;
  stage: StageId | undefined;
  onWay: () => void;
  onLook: () => void;
}

/** The clock, where it stands, and its danger, in one quiet line as long as it is open. */
export function VisitBar({ visit, here, stage, onWay, onLook }: Props) {
  const out = stagesIn(visit.stages, 'not in this job').length;
  const done = stagesIn(visit.stages, 'done', 'left').length;
  const name = stage ? stageName(stage) : (SIDE[here as keyof typeof SIDE] ?? 'Visit');
  return (
    <InTopBar>
      <button
        type="button"
        aria-haspopup="dialog"
        aria-label={`Stages. Here: ${name}. ${done} of ${STAGES.length - out} done`}
        title="Stages of this job (g)"
        className="flex min-h-12 shrink-0 items-center gap-2 rounded-lg px-1 hover:bg-steel-wash"
        onClick={onWay}
      >
        <StageWheel stages={visit.stages} current={stageOf(visit.stages)} className="size-10 shrink-0" />
        <span className="hidden text-left sm:block">
          <span className="block font-bold leading-tight">{name}</span>
          <span className="block text-sm leading-tight text-soft">
            {done} of {STAGES.length - out} done
          </span>
        </span>
        <ChevronDown className="hidden size-4 shrink-0 text-soft sm:block" aria-hidden />
      </button>
      <div className="min-w-0 flex-1 sm:border-l sm:border-line sm:pl-3">
        <h1 className="truncate text-base leading-tight lg:text-lg">{visit.clock.description}</h1>
        <p className="truncate text-sm leading-tight text-soft">
          <span className="sm:hidden">{name} · </span>
          {visit.claim} · {visit.owner.name}
          <span className="max-lg:hidden"> · {shapeById(visit.job.shape).name}</span>
        </p>
      </div>
      {visit.closedAt ? (
        <span className="flex min-h-11 items-center gap-2 rounded-full border-2 border-steel px-3 font-semibold">
          <LockKeyhole className="size-5 text-steel" aria-hidden />
          <span className="sr-only sm:not-sr-only">Signed and closed</span>
        </span>
      ) : (
        <PowerOf visit={visit} />
      )}
      {stage && (
        <span className="hidden sm:block">
          <TimeButton visit={visit} stage={stage} />
        </span>
      )}
      <button
        type="button"
        aria-haspopup="dialog"
        aria-label="Look up"
        title="Look up (l)"
        className="grid size-11 shrink-0 place-items-center rounded-lg hover:bg-steel-wash sm:size-12"
        onClick={onLook}
      >
        <BookOpenText className="size-6" aria-hidden />
      </button>
    </InTopBar>
  );
}

/** The sources by how they stand, the most dangerous first. Where there is room for one only, it is that one. */
function PowerOf({ visit }: { visit: Visit }) {
  const [open, setOpen] = useState(false);
  const onStand = visit.standRuns.some((r) => r.endedAt === null);
  const together = onStand || isTogether(visit.stages, visit.strip.passes);
  const sources = byDanger(visit.power);
  const states = [...new Set(sources.map((p) => p.state))];
  const labelOf = (state: string) => {
    const these = sources.filter((p) => p.state === state);
    return these.length > 1 && states.length === 1 ? 'all' : these.map((p) => p.label).join(', ');
  };
  if (states.length === 0) return null;
  return (
    <>
      <button
        type="button"
        aria-haspopup="dialog"
        aria-label={`Power: ${sources.map((p) => `${p.label} ${p.state}`).join(', ')}`}
        className="flex min-h-12 shrink-0 items-center gap-2 rounded-full"
        onClick={() => setOpen(true)}
      >
        {states.map((state, i) => (
          <span key={state} className={i === 0 ? '' : 'hidden xl:inline'}>
            <PowerBadge label={labelOf(state)} state={state} together={together} narrow />
          </span>
        ))}
        {states.length > 1 && <span className="font-semibold xl:hidden">+{states.length - 1}</span>}
      </button>
      {open && (
        <Late>
          <PowerSheet visit={visit} onClose={() => setOpen(false)} />
        </Late>
      )}
    </>
  );
}
