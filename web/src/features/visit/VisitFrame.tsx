import { NotInJob } from './NotInJob.tsx';
import { isLookUp, type LookUpId } from './look-ups.ts';
import { SIDE } from './SideWork.tsx';
import { Stages } from './Stages.tsx';
import type { Visit } from '@eclat/contract';
import { TIED } from '@eclat/core/cautions';
import { isTogether, shapeById, stageOf, STAGE_KEYS, STAGES, termsName, type StageId } from '@eclat/core/workflow';
import { BookOpenText, LockKeyhole, ShieldAlert } from 'lucide-react';
import { lazy, useCallback, useMemo, useState } from 'react';
import { Link, Outlet, useLocation, useNavigate, useParams, useSearchParams } from 'react-router';
import { useVisit } from '../../data/queries.ts';
import { putRepliesBy } from '../../data/refresh.ts';
import { replyInVisit } from '../../data/reply-in-visit.ts';
import { Failed, Loading } from '../../ui/Answer.tsx';
import { TimeButton } from '../bench-time/TimeButton.tsx';
import { Button } from '../../ui/Button.tsx';
import { PowerBadge } from '../../ui/PowerBadge.tsx';
import { StageWheel } from '../../ui/StageWheel.tsx';
import { TitleOf } from '../../ui/TitleOf.tsx';
import { useKeys } from '../../ui/useKeys.ts';
import { Late } from '../../ui/Late.tsx';

const PowerSheet = lazy(() => import('../power-down/PowerSheet.tsx'));
const JobSheet = lazy(() => import('./JobSheet.tsx'));
const LookUp = lazy(() => import('./LookUp.tsx'));

putRepliesBy(replyInVisit);

/**
 * What stays on screen as long as a clock is open: which one it is, where it stands, and the power state of every
 * train.
 */
export function VisitFrame() {
  const { visitId } = useParams();
  const { data: visit, error } = useVisit(visitId!);
  const go = useNavigate();
  const here = useLocation().pathname.split('/')[3];
  const stage = STAGES.find((s) => s.id === here)?.id;
  const { look, setLook } = useLook();
  useKeys(
    useMemo(
      () => ({
        ...Object.fromEntries(STAGES.map(({ id }, i) => [STAGE_KEYS[i]!, () => void go(`/visits/${visitId}/${id}`)])),
        l: () => setLook('photos'),
      }),
      [go, visitId, setLook],
    ),
  );
  if (error && !visit) return <Failed error={error} />;
  if (!visit) return <Loading what="the visit" />;
  const outside = visit.stages.find((s) => s.stage === stage && s.state === 'not in this job');
  return (
    <div>
      <TitleOf screen={`${nameOf(here)} · ${visit.clock.description}`} />
      <Identity visit={visit} stage={stage} onLook={() => setLook('photos')} />
      <div className="mx-auto grid max-w-[96rem] md:grid-cols-[15.5rem_minmax(0,1fr)]">
        <Stages visit={visit} />
        <div data-work tabIndex={-1} className="flex min-w-0 flex-col gap-5 p-4 outline-none md:p-6">
          <Tied visit={visit} />
          <HandsOff visit={visit} />
          {outside ? <NotInJob visit={visit} of={outside} /> : <Outlet context={visit} />}
        </div>
      </div>
      {look && (
        <Late>
          <LookUp visit={visit} stage={stage} at={look} onAt={setLook} onClose={() => setLook(null)} />
        </Late>
      )}
    </div>
  );
}

/** What is looked up stands in the address: the page opens with it again, and a link can lead there. */
function useLook() {
  const [search, setSearch] = useSearchParams();
  const asked = search.get('look');
  const setLook = useCallback(
    (next: LookUpId | null) =>
      setSearch(
        (s) => {
          if (next) s.set('look', next);
          else s.delete('look');
          return s;
        },
        { replace: true },
      ),
    [setSearch],
  );
  return { look: isLookUp(asked) ? asked : null, setLook };
}

const nameOf = (here: string | undefined): string =>
  STAGES.find((s) => s.id === here)?.name ?? SIDE[here as keyof typeof SIDE] ?? 'Visit';

/** What is agreed, always in sight; pressed, it can be changed. */
function JobLine({ visit }: { visit: Visit }) {
  const [open, setOpen] = useState(false);
  const { shape, terms, ownStock } = visit.job;
  const words = [shapeById(shape).name, terms !== 'guaranteed' && termsName(terms), ownStock && 'shop’s own']
    .filter(Boolean)
    .join(' · ');
  return (
    <>
      <button
        type="button"
        aria-haspopup="dialog"
        aria-label={`What is agreed: ${words}`}
        className="min-h-11 rounded-full border border-line px-4 font-semibold hover:bg-steel-wash"
        onClick={() => setOpen(true)}
      >
        {words}
      </button>
      {open && (
        <Late>
          <JobSheet visit={visit} onClose={() => setOpen(false)} />
        </Late>
      )}
    </>
  );
}

function Identity({ visit, stage, onLook }: { visit: Visit; stage: StageId | undefined; onLook: () => void }) {
  const onStand = visit.standRuns.some((r) => r.endedAt === null);
  const together = onStand || isTogether(visit.stages, visit.strip.passes);
  const [asked, setAsked] = useState<string | null>(null);
  const power = visit.power.find((p) => p.source === asked);
  return (
    <div
      className={
        'sticky top-0 z-30 flex flex-wrap items-center gap-x-5 gap-y-2 border-b border-line bg-enamel ' +
        'px-4 py-2 md:px-6'
      }
    >
      {/* On a low screen the wheel stands here, so that the list of stages has the height. */}
      <StageWheel
        stages={visit.stages}
        current={stageOf(visit.stages)}
        className="hidden size-12 shrink-0 md:[@media(max-height:880px)]:block"
      />
      <div className="min-w-0">
        <h1 className="truncate text-xl">{visit.clock.description}</h1>
        <p className="truncate text-sm text-soft">
          {visit.claim} · {visit.owner.name} ·{' '}
          <Link className="font-semibold text-steel underline" to={`/movements/${visit.movement.id}`}>
            {visit.movement.code}
          </Link>
        </p>
      </div>
      <JobLine visit={visit} />
      <span className="no-print ml-auto flex gap-2">
        {stage && <TimeButton visit={visit} stage={stage} />}
        <Button aria-haspopup="dialog" aria-label="Look up" title="Look up (l)" onClick={onLook}>
          <BookOpenText className="size-5" aria-hidden />
          <span className="hidden 2xl:inline">Look up</span>
        </Button>
      </span>
      <div className="flex flex-wrap items-center gap-2" role="group" aria-label="Power state of each train">
        {visit.closedAt && (
          <span
            className={
              'flex items-center gap-2 rounded-full border-2 border-steel px-3 py-1 font-semibold ' + 'text-steel'
            }
          >
            <LockKeyhole className="size-5" aria-hidden />
            Signed and closed
          </span>
        )}
        {!visit.closedAt &&
          visit.power.map((p) => (
            <button
              key={p.source}
              type="button"
              className="rounded-full"
              aria-haspopup="dialog"
              onClick={() => setAsked(p.source)}
            >
              <PowerBadge label={p.label} state={p.state} together={together} />
            </button>
          ))}
        {power && (
          <Late>
            <PowerSheet visit={visit} power={power} onClose={() => setAsked(null)} />
          </Late>
        )}
      </div>
    </div>
  );
}

/** A spring that is held by ties stays dangerous at every stage until it is let down. */
function Tied({ visit }: { visit: Visit }) {
  const tied = visit.power.filter((p) => p.state === 'tied');
  if (tied.length === 0 || visit.closedAt) return null;
  return (
    <p role="alert" className="rounded-lg border-2 border-dashed border-danger px-4 py-2">
      <b className="text-danger">Tied: {tied.map((p) => p.label).join(', ')}.</b>
      {TIED}
    </p>
  );
}

/** What must not be disturbed follows the movement through every step, from this visit and from earlier ones. */
function HandsOff({ visit }: { visit: Visit }) {
  if (visit.handsOff.length === 0) return null;
  return (
    <section
      aria-label="Do not disturb"
      className="flex items-start gap-3 rounded-lg border-2 border-dashed border-danger px-4 py-2"
    >
      <ShieldAlert className="mt-0.5 size-6 shrink-0 text-danger" aria-hidden />
      <p>
        <b className="text-danger">Do not disturb:</b>{' '}
        {visit.handsOff.map((h) => `${h.place}, ${h.seen.replace(/\.$/, '').toLowerCase()}`).join('; ')}.
      </p>
    </section>
  );
}
