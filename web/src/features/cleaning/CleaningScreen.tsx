import type { CleaningRun } from '@eclat/contract';
import { BookOpen } from 'lucide-react';
import { held } from '@eclat/core/rules';
import { byCount } from '@eclat/core/units';
import { useMemo } from 'react';
import { Link } from 'react-router';
import { Answer, Empty, Panel } from '../../ui/Answer.tsx';
import { buttonClass } from '../../ui/Button.tsx';
import { countdown } from '../../ui/dates.ts';
import { useNow } from '../../ui/useNow.ts';
import { Cautions } from '../visit/Cautions.tsx';
import { StageFoot } from '../visit/StageFoot.tsx';
import { useThisVisit } from '../visit/useThisVisit.ts';
import { PlanRun } from './PlanRun.tsx';
import { RunDone } from './RunDone.tsx';
import { RunGoing } from './RunGoing.tsx';

/** Clean metal with nothing attacked: every run goes through its steps, every bath has a limit and a timer. */
export function CleaningScreen() {
  const visit = useThisVisit();
  const now = useNow();
  const running = useMemo(() => visit.baths.filter((b) => b.stoppedAt === null), [visit.baths]);
  const done = visit.baths.filter((b) => b.stoppedAt !== null);
  // The second, lighter clean is owed once holes are bushed, where the house rule is to clean after fitting.
  const owed =
    visit.bushes.length > 0 &&
    !visit.baths.some((b) => b.sequence === 'light') &&
    held('final-clean', visit.rules.held).id !== 'before';
  return (
    <>
      <CleaningAnswer running={running} now={now} owed={owed} done={done} />
      {running.map((b) => (
        <RunGoing key={b.id} run={b} now={now} />
      ))}
      <Cautions stage="clean" />
      {!visit.closedAt && (
        <PlanRun
          key={`${owed}`}
          light={owed}
          aside={
            <Link to="/baths" className={buttonClass('plain')}>
              <BookOpen className="size-5" aria-hidden />
              Bath book
            </Link>
          }
        />
      )}
      {done.length > 0 && (
        <Panel title="Runs">
          <ul className="flex flex-col divide-y divide-line">
            {done.map((b) => (
              <RunDone key={b.id} run={b} />
            ))}
          </ul>
        </Panel>
      )}
      {visit.closedAt && visit.baths.length === 0 && <Empty>Nothing was cleaned on this visit.</Empty>}
      <StageFoot stage="clean" />
    </>
  );
}

function CleaningAnswer({
  running,
  now,
  owed,
  done,
}: {
  running: CleaningRun[];
  now: number;
  owed: boolean;
  done: CleaningRun[];
}) {
  const over = running.filter((b) => b.endsAt !== null && Date.parse(b.endsAt) <= now);
  const soonest = running
    .flatMap((b) => (b.endsAt ? [{ b, at: Date.parse(b.endsAt) }] : []))
    .sort((a, b) => a.at - b.at)[0];
  if (over[0])
    return (
      <Answer tone="danger" title={`Time is up: ${over[0].steps[over[0].step]!.what.toLowerCase()}`}>
        {over[0].steps[over[0].step]!.bath
          ? 'Take the parts out. Water is driven out at once: a steel pinion rusts in minutes.'
          : 'On to the next step.'}
      </Answer>
    );
  if (soonest)
    return (
      <Answer tone="info" title={`${soonest.b.steps[soonest.b.step]!.what}: ${countdown(soonest.at - now)} to go`}>
        The timer stands in the shop’s database. It rings in every open browser.
      </Answer>
    );
  if (running[0])
    return (
      <Answer tone="info" title={running[0].steps[running[0].step]!.what}>
        This step ends when you say so.
      </Answer>
    );
  if (owed)
    return (
      <Answer tone="due" title="The second, lighter clean is still to come">
        Chips, compound and fingerprints of the fitting come off before it goes together.
      </Answer>
    );
  if (done.length > 0)
    return <Answer tone="good" title={byCount(done.length, 'One run is done', `${done.length} runs are done`)} />;
  return (
    <Answer tone="info" title="What goes into the bath?">
      <span className="max-sm:hidden">Each part’s material is checked against the bath before it goes in.</span>
    </Answer>
  );
}
