import { WithActionBar } from '../../ui/BigAction.tsx';
import { NotInJob } from './NotInJob.tsx';
import { isLookUp, type LookUpId } from './look-ups.ts';
import { SIDE } from './side.ts';
import type { Visit } from '@eclat/contract';
import { TIED } from '@eclat/core/cautions';
import { STAGE_KEYS, STAGES } from '@eclat/core/workflow';
import { useQueryClient } from '@tanstack/react-query';
import { ShieldAlert } from 'lucide-react';
import { lazy, useCallback, useEffect, useMemo, useState } from 'react';
import { useAppState } from '../../data/app-state.ts';
import { Outlet, useLocation, useNavigate, useParams, useSearchParams } from 'react-router';
import { benchQuery, onTestQuery, timersQuery, useVisit } from '../../data/queries.ts';
import { putRepliesBy } from '../../data/refresh.ts';
import { loadWaysBack } from '../../data/undo.ts';
import { fetchPhotos } from '../../data/photo-on-device.ts';
import { useWithWaiting } from '../../data/waiting-in-visit.ts';
import { replyInVisit } from '@eclat/contract/reply-in-visit';
import { Failed, Loading } from '../../ui/Answer.tsx';
import { TitleOf } from '../../ui/TitleOf.tsx';
import { useKeys } from '../../ui/useKeys.ts';
import { useSwipeFromRight } from '../../ui/useSwipe.ts';
import { Late } from '../../ui/Late.tsx';
import { ThisVisit } from './useThisVisit.ts';
import { SideFoot } from './StageFoot.tsx';
import { VisitBar } from './VisitBar.tsx';

const WayRound = lazy(() => import('./WayRound.tsx'));
const LookUp = lazy(() => import('./LookUp.tsx'));

putRepliesBy(replyInVisit);
void loadWaysBack().catch(() => undefined); // away before it was fetched: nothing is undone until it is

/**
 * What stays on screen as long as a clock is open: which one it is, where it stands, and the power state of every
 * train.
 */
export function VisitFrame() {
  const { visitId } = useParams();
  const { data, error } = useVisit(visitId!);
  const visit = useWithWaiting(data);
  useForLater(data);
  const go = useNavigate();
  const here = useLocation().pathname.split('/')[3];
  const stage = STAGES.find((s) => s.id === here)?.id;
  const { look, setLook } = useLook();
  const [way, setWay] = useState(false);
  const lookUp = useCallback(() => setLook('photos'), [setLook]);
  useSwipeFromRight(lookUp);
  useKeys(
    useMemo(
      () => ({
        ...Object.fromEntries(
          STAGE_KEYS.filter((key) => /\d/.test(key)).map((key, i) => [
            key,
            () => void go(`/visits/${visitId}/${STAGES[i]!.id}`),
          ]),
        ),
        l: lookUp,
        g: () => setWay(true),
      }),
      [go, visitId, lookUp],
    ),
    'frame',
  );
  const open = visit?.closedAt === null;
  useEffect(() => {
    if (open) useAppState.getState().set({ inHand: visitId! });
  }, [open, visitId]);
  if (error && !visit) return <Failed error={error} />;
  if (!visit) return <Loading what="the visit" />;
  const outside = visit.stages.find((s) => s.stage === stage && s.state === 'not in this job');
  return (
    <ThisVisit value={visit}>
      <TitleOf screen={`${nameOf(here)} · ${visit.clock.description}`} />
      <VisitBar visit={visit} here={here} stage={stage} onWay={() => setWay(true)} onLook={lookUp} />
      <div
        data-work
        tabIndex={-1}
        className={
          'mx-auto flex min-h-[calc(100dvh-3.5rem)] max-w-[88rem] min-w-0 flex-col gap-4 px-3 pt-3 outline-none ' +
          'md:px-6 md:pt-4'
        }
      >
        <Tied visit={visit} />
        <HandsOff visit={visit} />
        <WithActionBar>
          {outside ? <NotInJob visit={visit} of={outside} /> : <Outlet />}
          {here !== undefined && here in SIDE && <SideFoot />}
        </WithActionBar>
      </div>
      {way && (
        <Late>
          <WayRound visit={visit} onClose={() => setWay(false)} />
        </Late>
      )}
      {look && (
        <Late>
          <LookUp visit={visit} stage={stage} at={look} onAt={setLook} onClose={() => setLook(null)} />
        </Late>
      )}
    </ThisVisit>
  );
}

/** So long after a clock is opened what it is found and looked at by is fetched for when the server is away. */
const LATER_MS = 4_000;

function useForLater(visit: Visit | undefined): void {
  const queries = useQueryClient();
  const ids = visit?.photos.map((p) => p.id).join(' ');
  useEffect(() => {
    if (ids === undefined) return;
    const gone = new AbortController();
    const timer = setTimeout(() => {
      void queries.prefetchQuery(benchQuery);
      void queries.prefetchQuery(timersQuery);
      void queries.prefetchQuery(onTestQuery);
      if (ids !== '') void fetchPhotos(ids.split(' '), gone.signal);
    }, LATER_MS);
    return () => {
      clearTimeout(timer);
      gone.abort();
    };
  }, [ids, queries]);
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
        { replace: true, preventScrollReset: true },
      ),
    [setSearch],
  );
  return { look: isLookUp(asked) ? asked : null, setLook };
}

const nameOf = (here: string | undefined): string =>
  STAGES.find((s) => s.id === here)?.name ?? SIDE[here as keyof typeof SIDE] ?? 'Visit';

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
