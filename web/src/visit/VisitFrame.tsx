import type { Visit } from '@eclat/contract';
import { isTogether, stageOf, STAGE_KEYS, STAGES, type StageId } from '@eclat/core/stages';
import clsx from 'clsx';
import { Check, LockKeyhole, ShieldAlert } from 'lucide-react';
import { lazy, Suspense, useMemo } from 'react';
import { Link, NavLink, Outlet, useLocation, useNavigate, useParams } from 'react-router';
import { useVisit } from '../api/queries.ts';
import { Failed, Loading } from '../ui/Answer.tsx';
import { TimeButton } from '../time/TimeButton.tsx';
import { PowerBadge } from '../ui/PowerBadge.tsx';
import { StageWheel } from '../ui/StageWheel.tsx';
import { useKeys } from '../ui/useKeys.ts';

const StageRules = lazy(() => import('../rules/StageRules.tsx'));
const StageWorkings = lazy(() => import('../workings/StageWorkings.tsx'));

/** What stays on screen as long as a clock is open: which one it is, where it stands, and the power state of every train. */
export function Component() {
  const { visitId } = useParams();
  const { data: visit, error } = useVisit(visitId!);
  const go = useNavigate();
  const here = useLocation().pathname.split('/')[3];
  const stage = STAGES.find((s) => s.id === here)?.id;
  useKeys(useMemo(() => Object.fromEntries(STAGES.map(({ id }, i) => [STAGE_KEYS[i], () => void go(`/visits/${visitId}/${id}`)])), [go, visitId]));
  if (error && !visit) return <Failed error={error} />;
  if (!visit) return <Loading what="the visit" />;
  const done = visit.stages.filter((s) => s.done).map((s) => s.stage);
  return (
    <div>
      <Identity visit={visit} stage={stage} />
      <div className="mx-auto grid max-w-[96rem] md:grid-cols-[15.5rem_minmax(0,1fr)]">
        <Stages done={done} />
        <div className="flex min-w-0 flex-col gap-5 p-4 md:p-6"><HandsOff visit={visit} /><Outlet context={visit} />{stage && <Suspense><StageRules visit={visit} stage={stage} /><StageWorkings key={stage} visit={visit} stage={stage} /></Suspense>}</div>
      </div>
    </div>
  );
}

function Identity({ visit, stage }: { visit: Visit; stage: StageId | undefined }) {
  const together = isTogether(visit.stages.filter((s) => s.done).map((s) => s.stage));
  return (
    <div className="sticky top-0 z-30 flex flex-wrap items-center gap-x-5 gap-y-2 border-b border-line bg-enamel px-4 py-2 md:px-6">
      <div className="min-w-0">
        <h1 className="truncate text-xl">{visit.clock.description}</h1>
        <p className="truncate text-sm text-soft">{visit.claim} · {visit.owner.name} · <Link className="font-semibold text-steel underline" to={`/movements/${visit.movement.id}`}>{visit.movement.code}</Link></p>
      </div>
      {stage && <span className="no-print ml-auto"><TimeButton visit={visit} stage={stage} /></span>}
      <div className="flex flex-wrap items-center gap-2" role="group" aria-label="Power state of each train">
        {visit.closedAt && <span className="flex items-center gap-2 rounded-full border-2 border-steel px-3 py-1 font-semibold text-steel"><LockKeyhole className="size-5" aria-hidden />Signed and closed</span>}
        {!visit.closedAt && visit.power.map((p) => <Link key={p.train} to={`/visits/${visit.id}/power`}><PowerBadge train={p.train} state={p.state} together={together} /></Link>)}
      </div>
    </div>
  );
}

function Stages({ done }: { done: StageId[] }) {
  const current = stageOf(done);
  return (
    <nav aria-label="Stages of this visit" className="no-print flex items-center gap-4 border-b border-line px-4 py-3 md:sticky md:top-[4.5rem] md:flex-col md:items-stretch md:gap-2 md:self-start md:border-b-0">
      <StageWheel words done={done} current={current} className="hidden w-36 self-center md:block [@media(max-height:880px)]:w-24" />
      <StageWheel done={done} current={current} className="w-16 md:hidden" />
      <ol className="flex flex-wrap md:flex-col">
        {STAGES.map(({ id, name }, i) => (
          <li key={id}>
            <NavLink to={id} className={({ isActive }) => clsx('flex min-h-11 items-center gap-3 rounded-lg border px-3 font-semibold', isActive ? 'border-steel bg-enamel' : 'border-transparent hover:bg-enamel')}>
              <span className={clsx('grid size-6 shrink-0 place-items-center rounded-full text-sm', done.includes(id) ? 'bg-steel text-steel-ink' : id === current ? 'bg-brass-fill text-[#1b1403]' : 'border border-line text-soft')}>
                {done.includes(id) ? <Check className="size-4" aria-label="done" /> : STAGE_KEYS[i]}
              </span>
              {name}
            </NavLink>
          </li>
        ))}
      </ol>
    </nav>
  );
}

/** What must not be disturbed follows the movement through every step, from this visit and from earlier ones. */
function HandsOff({ visit }: { visit: Visit }) {
  if (visit.handsOff.length === 0) return null;
  return (
    <section aria-label="Do not disturb" className="flex items-start gap-3 rounded-lg border-2 border-dashed border-danger px-4 py-2">
      <ShieldAlert className="mt-0.5 size-6 shrink-0 text-danger" aria-hidden />
      <p><b className="text-danger">Do not disturb:</b> {visit.handsOff.map((h) => `${h.place}, ${h.seen.replace(/\.$/, '').toLowerCase()}`).join('; ')}.</p>
    </section>
  );
}
