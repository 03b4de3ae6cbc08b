import { SideWork } from './SideWork.tsx';
import type { Visit } from '@eclat/contract';
import { stageOf, STAGE_KEYS, STAGES, stagesIn, type StageId } from '@eclat/core/workflow';
import clsx from 'clsx';
import { Check } from 'lucide-react';
import { NavLink } from 'react-router';
import { StageWheel } from '../../ui/StageWheel.tsx';

export function Stages({ visit }: { visit: Visit }) {
  const { stages } = visit;
  const current = stageOf(stages);
  const done = stagesIn(stages, 'done', 'left');
  const outside = stagesIn(stages, 'not in this job');
  return (
    <nav
      aria-label="Stages of this visit"
      className={
        'no-print flex items-center gap-4 border-b border-line px-4 py-3 relative md:sticky ' +
        'md:top-[4.5rem] md:max-h-[calc(100vh-4.5rem)] md:flex-col md:overflow-y-auto md:items-stretch ' +
        'md:gap-2 md:self-start md:border-b-0'
      }
    >
      <StageWheel
        words
        stages={stages}
        current={current}
        className="hidden w-36 self-center md:block md:[@media(max-height:880px)]:hidden"
      />
      <StageWheel stages={stages} current={current} className="w-16 md:hidden" />
      <ol className="flex flex-wrap md:flex-col">
        {STAGES.map(({ id, name }, i) => (
          <li key={id}>
            <NavLink
              to={id}
              className={({ isActive }) =>
                clsx(
                  'flex min-h-11 items-center gap-3 rounded-lg border px-3 font-semibold',
                  isActive ? 'border-steel bg-enamel' : 'border-transparent hover:bg-enamel',
                  outside.includes(id) && 'font-normal text-soft line-through decoration-1',
                )
              }
            >
              <span
                className={clsx(
                  'grid size-6 shrink-0 place-items-center rounded-full text-sm',
                  lookOf(done, id, current),
                )}
              >
                {done.includes(id) ? <Check className="size-4" aria-label="done" /> : STAGE_KEYS[i]}
              </span>
              {name}
              {outside.includes(id) && <span className="sr-only">not in this job</span>}
            </NavLink>
          </li>
        ))}
        <SideWork visit={visit} />
      </ol>
    </nav>
  );
}

export function lookOf(done: StageId[], id: StageId, current: StageId) {
  if (done.includes(id)) return 'bg-steel text-steel-ink';
  if (id === current) return 'bg-brass-fill text-[#1b1403]';
  return 'border border-line text-soft';
}
