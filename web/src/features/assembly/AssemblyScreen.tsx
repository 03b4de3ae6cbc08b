import { Link } from 'react-router';
import { Row } from './LoggedRow.tsx';
import type { StripStep } from '@eclat/contract';
import { accountOf, backwards, type Step } from '@eclat/core/strip';
import { counted } from '@eclat/core/units';
import { newMovementWaits } from '@eclat/core/workflow';
import { api } from '../../data/api.ts';
import { useCommand } from '../../data/useCommand.ts';
import { Fold } from '../../ui/Fold.tsx';
import { useFew } from '../../ui/Few.tsx';
import { Answer, Panel } from '../../ui/Answer.tsx';
import { dayTime } from '../../ui/dates.ts';
import { Tick } from '../../ui/Field.tsx';
import { Temporary } from '../strip/Temporary.tsx';
import { Checks, leftOf } from './Checks.tsx';
import { ClosingGuide } from './ClosingGuide.tsx';
import { LookAsked, SecondLooks } from './SecondLook.tsx';
import { StandRuns } from './StandRuns.tsx';
import { Releases } from './Releases.tsx';
import { GoneHere } from '../visit/GoneHere.tsx';
import { Cautions } from '../visit/Cautions.tsx';
import { StageFoot } from '../visit/StageFoot.tsx';
import { useThisVisit } from '../visit/useThisVisit.ts';

/** Together once: the log backwards, ticked off. Nothing may be left over without a word. */
export function AssemblyScreen() {
  const visit = useThisVisit();
  const { steps, phases } = visit.strip;
  const { off, answered, open } = accountOf(steps);
  const unset = phases.filter((p) => p.setAt === null && p.when === 'before the plates close');
  const setUp = visit.power.filter((p) => p.setUpTurns !== null && p.setUpTurns > 0);
  const { failed } = leftOf(visit, 'assemble');
  const waits = newMovementWaits(visit);
  const first = backwards(steps).find((s) => s.fate === 'apart');
  return (
    <>
      {waits && (
        <Answer tone="due" title="The new movement is not in yet">
          <Link className="font-semibold text-steel underline" to={`/visits/${visit.id}/replace`}>
            Answer the points of the replacement
          </Link>
          : what moves over, what must come off, how its springs stand.
        </Answer>
      )}
      {failed.length > 0 && (
        <Answer tone="danger" title={`Failed: ${failed.map((c) => c.what).join('; ')}`}>
          It comes apart again as far as needed, as a pass of its own; then check it again.
        </Answer>
      )}
      {unset.length > 0 && (
        <Answer tone="due" title={`Before the plates close: ${unset.map((p) => p.what).join(', ')}`} />
      )}
      {setUp.length > 0 && (
        <Answer
          tone="due"
          title={
            'Set-up to put back in: ' + setUp.map((p) => `${p.label}, ${counted(p.setUpTurns!, 'turn')}`).join('; ')
          }
        >
          By its ratchet, counted; before the chain or spring carries anything.
        </Answer>
      )}
      <LookAsked />
      {!waits && <NextOn off={off} open={open} first={first} answered={answered} />}
      <Cautions stage="assemble" />
      <div className="grid items-start gap-4 lg:grid-cols-[minmax(0,1fr)_22rem]">
        <div className="flex min-w-0 flex-col gap-4">
          {off > 0 && <LogBackwards first={first} />}
          <Checks place="assemble" title="Checks as it goes together" />
        </div>
        <div className="flex min-w-0 flex-col gap-2">
          <PhasesToSet />
          <ClosingGuide />
          <SecondLooks />
          <StandRuns />
          <Temporary />
          {visit.movement.traits.strike !== 'none' && <Releases />}
        </div>
      </div>
      <GoneHere stage="assemble" />
      <StageFoot stage="assemble" />
    </>
  );
}

/** How many stand under the one in hand. */
const AT_ONCE = 4;

/** The next thing on, large, and a few after it; what is on again is folded. */
function LogBackwards({ first }: { first: StripStep | undefined }) {
  const { steps } = useThisVisit().strip;
  const on = steps.filter((s) => s.fate !== 'apart');
  const [shown, rest] = useFew(
    backwards(steps).filter((s) => s.fate === 'apart'),
    AT_ONCE,
    'still off',
  );
  return (
    <Panel title="The strip log, backwards">
      {shown.length > 0 && (
        <ol className="flex flex-col divide-y divide-line">
          {shown.map((s) => (
            <Row key={s.id} step={s} next={s.id === first?.id} />
          ))}
        </ol>
      )}
      {rest}
      {on.length > 0 && (
        <Fold bare name="on again" title={`${on.length} accounted for`}>
          <ol className="flex flex-col divide-y divide-line">
            {on.map((s) => (
              <Row key={s.id} step={s} next={false} />
            ))}
          </ol>
        </Fold>
      )}
    </Panel>
  );
}

function NextOn({
  off,
  open,
  first,
  answered,
}: {
  off: number;
  open: Step[];
  first: StripStep | undefined;
  answered: number;
}) {
  if (off === 0) return <Answer tone="info" title="Nothing is logged as taken off" />;
  if (open.length === 0)
    return (
      <Answer tone="good" title="Everything that came off is accounted for">
        {off} of {off} accounted for.
      </Answer>
    );
  return (
    <Answer tone="info" title={`Next on: ${first!.what}`}>
      {first!.place && (
        <>
          It is in <b>{first!.place}</b>.{' '}
        </>
      )}
      {answered} of {off} accounted for.
    </Answer>
  );
}

function PhasesToSet() {
  const visit = useThisVisit();
  const set = useCommand(api.strip.setPhase, { what: 'Phase' });
  const { phases } = visit.strip;
  const open = phases.filter((p) => p.setAt === null).length;
  if (phases.length === 0) return null;
  return (
    <Fold title="Phases to set" says={open > 0 ? `${open} open` : 'all set'} open={open > 0}>
      {phases.map((p) => (
        <div key={p.id} className="border-t border-line first:border-t-0">
          <Tick
            label={p.what}
            checked={p.setAt !== null}
            disabled={visit.closedAt !== null}
            onChange={(e) =>
              set.mutate({ params: { visitId: visit.id, phaseId: p.id }, body: { set: e.target.checked } })
            }
          />
          <p className="-mt-2 pb-2 pl-9 text-soft">
            {p.how} {p.when}
            {p.setAt && `; ${p.setBy}, ${dayTime(p.setAt)}`}
          </p>
          {p.photoId && (
            <img
              src={`/api/photos/${p.photoId}/large`}
              alt={`How it stood: ${p.what}`}
              className="mb-2 ml-9 max-h-64 rounded-lg object-contain"
            />
          )}
        </div>
      ))}
    </Fold>
  );
}
