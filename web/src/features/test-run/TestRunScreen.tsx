import type { TestRun } from '@eclat/contract';
import { api } from '../../data/api.ts';
import {
  judgeRun,
  missedReadings,
  nextReading,
  protocolFor,
  type NextReading,
  type RateVerdict,
} from '@eclat/core/rate';
import { counted } from '@eclat/core/units';
import { lazy, useState } from 'react';
import { useCommand } from '../../data/useCommand.ts';
import { useKept } from '../../data/useDraft.ts';
import { say } from '../../data/app-state.ts';
import { Answer, Empty, Panel } from '../../ui/Answer.tsx';
import { BigAction } from '../../ui/BigAction.tsx';
import { Button } from '../../ui/Button.tsx';
import { Choice } from '../../ui/Choice.tsx';
import { dayTime, sentMoment } from '../../ui/dates.ts';
import { TextField } from '../../ui/Field.tsx';
import { Help } from '../../ui/help/Help.tsx';
import { onToTheNext } from '../../ui/finger.ts';
import { useNow } from '../../ui/useNow.ts';
import { Cautions } from '../visit/Cautions.tsx';
import { StageFoot } from '../visit/StageFoot.tsx';
import { useThisVisit } from '../visit/useThisVisit.ts';
import { Checks } from '../assembly/Checks.tsx';
import { ConditionFields, conditionsOf, ConditionsPanel, typedOf } from './Conditions.tsx';
import { EarlierReading } from './EarlierReading.tsx';
import { LinesFirst } from './LinesFirst.tsx';
import { LogEvent } from './LogEvent.tsx';
import { ReadNow } from './ReadNow.tsx';
import { Readings } from './Readings.tsx';
import { StandRuns } from '../assembly/StandRuns.tsx';
import { swingOf } from './swing.ts';
import { SwingFold } from './SwingFold.tsx';
import { TurnAdvice } from './TurnAdvice.tsx';
import { roomOf } from './warmth.ts';
import { Late } from '../../ui/Late.tsx';

const RateChart = lazy(() => import('./RateChart.tsx'));

/** Evidence, not hope: the rate is a slope through the readings, with what is not known about it. */
export function TestRunScreen() {
  const visit = useThisVisit();
  const protocol = protocolFor(visit.movement.traits, visit.rules.held);
  if (!visit.testRun)
    return (
      <>
        <Answer tone="info" title="Not on test yet">
          {protocol.shortestDays} days at least, inside {protocol.words}.
        </Answer>
        <Cautions stage="run" />
        {!visit.closedAt && <LinesFirst />}
        {visit.closedAt ? <Empty>This visit had no test run.</Empty> : <Start />}
        <StandRuns />
        <StageFoot stage="run" />
      </>
    );
  return <OnTest run={visit.testRun} />;
}

function OnTest({ run }: { run: TestRun }) {
  const visit = useThisVisit();
  const now = useNow(10_000);
  const judged = judgeRun(visit.movement.traits, run, now, visit.rules.held);
  const { verdict, protocol } = judged;
  const last = judged.segment.at(-1)?.at ?? judged.since;
  const missed = missedReadings(
    judged.segment.map((r) => r.at),
    judged.since,
    protocol.readEveryHours,
    now,
  );
  const next = nextReading(run, judged);
  const room = roomOf(visit, run, judged);
  const swing = swingOf(visit, visit.movement.traits, run);
  const failing = swing?.said.find((s) => s.good === false);
  return (
    <>
      <Answer tone={toneOf(verdict)} title={verdict.text}>
        {next && <>{whenToRead(next, now)} </>}
        {counted(judged.segment.length, 'reading')} since it was last touched, over {judged.days.toFixed(1)} of{' '}
        {protocol.shortestDays} days; last read {dayTime(last)}.
        {missed > 0 && <b> {counted(missed, 'reading was', 'readings were')} not taken.</b>}
      </Answer>
      {failing && <Answer tone="due" title={failing.says} />}
      <div className="grid items-start gap-4 lg:grid-cols-[minmax(0,1fr)_23rem] lg:grid-rows-[auto_1fr]">
        {!visit.closedAt && (
          <div className="flex flex-col lg:col-start-2 lg:row-start-1">
            <ReadNow visitId={visit.id} setAt={judged.since} />
          </div>
        )}
        <div className="flex min-w-0 flex-col gap-3 lg:col-start-1 lg:row-span-2 lg:row-start-1">
          <TurnAdvice run={run} judged={judged} />
          <Cautions stage="run" />
          <Panel title="How far the dial is ahead of true time" aside={<Help about="rate" className="-my-2" />}>
            {run.readings.length === 0 ? (
              <Empty>Readings show here as points, with the rate line and its 95 % band.</Empty>
            ) : (
              <Late until={<Empty>Drawing …</Empty>}>
                <RateChart run={run} judged={judged} heard={visit.heard} />
              </Late>
            )}
            {room && <p className="mt-3">{room.says}</p>}
          </Panel>
          {swing && <SwingFold run={run} swing={swing} />}
        </div>
        <div className="flex flex-col gap-3 lg:col-start-2">
          {!visit.closedAt && <EarlierReading />}
          {!visit.closedAt && <LogEvent run={run} />}
          <ConditionsPanel run={run} />
        </div>
      </div>
      <Readings run={run} outliers={judged.fit?.outliers.map((i) => judged.segment[i]!.at) ?? []} />
      <Checks place="run" title="Each function in position" />
      <StageFoot stage="run" />
    </>
  );
}

function toneOf(verdict: RateVerdict) {
  if (verdict.kind === 'inside') return 'good';
  if (verdict.kind === 'outside') return 'danger';
  return 'info';
}

function whenToRead({ at, decidesAt }: NextReading, now: number): string {
  const read = at <= now ? 'A reading is due.' : `Read it next ${dayTime(at)}.`;
  return decidesAt !== null && decidesAt > Math.max(at, now)
    ? `${read} Keep it running: decided ${dayTime(decidesAt)} at the earliest.`
    : read;
}

const FORM = 'test-run-start';

function Start() {
  const visit = useThisVisit();
  const [readBy, setReadBy] = useState<TestRun['readBy']>('seconds hand');
  const [place, setPlace, forgetPlace] = useKept(`run.${visit.id}.place`, '');
  const [since, setSince, forgetSince] = useKept(`run.${visit.id}.since`, '');
  const [stands, setStands, forgetStands] = useKept(
    `run.${visit.id}.stands`,
    typedOf(null, visit.movement.traits.oscillator),
  );
  const conditions = conditionsOf(stands);
  const start = useCommand(api.testRun.start, {
    what: 'Test run',
    onSent: () => (forgetPlace(), forgetSince(), forgetStands()),
    onDone: () => {
      say('On test. Take the first reading now.');
      onToTheNext();
    },
  });
  return (
    <Panel title="Start the test run">
      <form
        id={FORM}
        className="flex flex-col gap-4"
        onSubmit={(e) => {
          e.preventDefault();
          start.mutate({
            params: { visitId: visit.id },
            body: {
              readBy,
              place,
              ...(conditions && { conditions }),
              ...(since ? { startedAt: sentMoment(since) } : {}),
            },
          });
        }}
      >
        <TextField
          className="max-w-md"
          label="Where it runs"
          placeholder="Test stand 2, level"
          value={place}
          onChange={(e) => setPlace(e.target.value)}
        />
        <Choice
          label="Read by"
          value={readBy}
          onChange={setReadBy}
          options={
            [
              ['seconds hand', 'A seconds hand, to about a second'],
              ['minute hand', 'The minute hand alone, to about ten'],
            ] as const
          }
        />
        <TextField
          className="max-w-md"
          label="Running since"
          type="datetime-local"
          hint="Leave it empty if it starts now."
          value={since}
          onChange={(e) => setSince(e.target.value)}
        />
        <ConditionFields value={stands} onChange={setStands} />
        <BigAction>
          <Button
            type="submit"
            form={FORM}
            variant="main"
            disabled={place.trim() === '' || !conditions}
            busy={start.isPending}
          >
            Start
          </Button>
        </BigAction>
      </form>
    </Panel>
  );
}
