import { RUN_EVENTS, type TestRun } from '@eclat/contract';
import { api } from '../api/doors.ts';
import { judgeRun, protocolFor } from '@eclat/core/rate';
import { lazy, Suspense, useState } from 'react';
import { useCommand } from '../api/useCommand.ts';
import { say } from '../store.ts';
import { Answer, Empty, Panel } from '../ui/Answer.tsx';
import { Button } from '../ui/Button.tsx';
import { Choice } from '../ui/Choice.tsx';
import { dayTime } from '../ui/dates.ts';
import { TextField } from '../ui/Field.tsx';
import { useNow } from '../ui/useNow.ts';
import { Cautions } from '../visit/Cautions.tsx';
import { StageFoot } from '../visit/StageFoot.tsx';
import { useThisVisit } from '../visit/thisVisit.ts';
import { EarlierReading } from './EarlierReading.tsx';
import { ReadNow } from './ReadNow.tsx';
import { Readings } from './Readings.tsx';

const RateChart = lazy(() => import('./RateChart.tsx'));

/** Evidence, not hope: the rate is a slope through the readings, with what is not known about it. */
export function Component() {
  const visit = useThisVisit();
  const protocol = protocolFor(visit.movement.traits, visit.rules.held);
  if (!visit.testRun) return <><Answer tone="info" title="Not on test yet">{protocol.shortestDays} days at least, inside {protocol.words}.</Answer><Cautions stage="run" />{visit.closedAt ? <Empty>This visit had no test run.</Empty> : <Start />}</>;
  return <OnTest run={visit.testRun} />;
}

function OnTest({ run }: { run: TestRun }) {
  const visit = useThisVisit();
  const now = useNow(10_000);
  const judged = judgeRun(visit.movement.traits, run, now, visit.rules.held);
  const { verdict, protocol } = judged;
  const last = judged.segment.at(-1)?.at ?? judged.since;
  const again = verdict.kind === 'not yet' ? verdict.readAgainAt : null;
  return (
    <>
      <Answer tone={verdict.kind === 'inside' ? 'good' : verdict.kind === 'outside' ? 'danger' : 'info'} title={verdict.text}>
        {again !== null && <>Read again {again <= now ? 'now' : `on ${dayTime(again)}`}. </>}
        {judged.segment.length} {judged.segment.length === 1 ? 'reading' : 'readings'} since it was last touched, over {judged.days.toFixed(1)} of {protocol.shortestDays} days; last read {dayTime(last)}.
      </Answer>
      <Cautions stage="run" />
      <div className="grid items-start gap-5 xl:grid-cols-[minmax(0,1fr)_23rem]">
        <Panel title="How far the dial is ahead of true time">
          {run.readings.length === 0 ? <Empty>The readings stand here as points, with the line of the rate and its 95 % band.</Empty> : <Suspense fallback={<Empty>Drawing …</Empty>}><RateChart run={run} judged={judged} /></Suspense>}
        </Panel>
        <div className="flex flex-col gap-5">
          {!visit.closedAt && <ReadNow />}
          {!visit.closedAt && <EarlierReading />}
          {!visit.closedAt && <LogEvent />}
        </div>
      </div>
      <Readings run={run} outliers={judged.fit?.outliers.map((i) => judged.segment[i]!.at) ?? []} />
      <StageFoot stage="run" />
    </>
  );
}

function Start() {
  const visit = useThisVisit();
  const [readBy, setReadBy] = useState<TestRun['readBy']>('seconds hand');
  const [place, setPlace] = useState('');
  const [since, setSince] = useState('');
  const start = useCommand(api.testRuns.start, { what: 'Test run', onDone: () => say('On test. Take the first reading now.') });
  return (
    <Panel title="Start the test run">
      <form className="flex flex-col gap-4" onSubmit={(e) => { e.preventDefault(); start.mutate({ params: { visitId: visit.id }, body: { readBy, place, ...(since ? { startedAt: new Date(since).toISOString() } : {}) } }); }}>
        <Choice label="Read by" value={readBy} onChange={setReadBy} options={[['seconds hand', 'A seconds hand, to about a second'], ['minute hand', 'The minute hand alone, to about ten']] as const} />
        <TextField className="max-w-md" label="Where it runs" placeholder="Test stand 2, level" value={place} onChange={(e) => setPlace(e.target.value)} />
        <TextField className="max-w-md" label="Running since" type="datetime-local" hint="Leave it empty if it starts now." value={since} onChange={(e) => setSince(e.target.value)} />
        <Button type="submit" look="main" className="self-start" disabled={place.trim() === ''} busy={start.isPending}>Start</Button>
      </form>
    </Panel>
  );
}

function LogEvent() {
  const visit = useThisVisit();
  const [kind, setKind] = useState<(typeof RUN_EVENTS)[number] | ''>('');
  const [note, setNote] = useState('');
  const log = useCommand(api.testRuns.event, { what: 'Event', onSent: () => { setKind(''); setNote(''); }, onDone: () => say('Logged.') });
  return (
    <Panel title="What happened to it">
      <form className="flex flex-col gap-3" onSubmit={(e) => { e.preventDefault(); if (kind) log.mutate({ params: { visitId: visit.id }, body: { kind, note, happenedAt: new Date().toISOString() } }); }}>
        <Choice hideLabel label="Event" value={kind} onChange={setKind} onClear={() => setKind('')} options={RUN_EVENTS.map((k) => [k, k] as const)} />
        {kind && <><TextField label="What, which way, how much" placeholder={kind === 'adjusted' ? 'rating nut two turns up' : ''} value={note} onChange={(e) => setNote(e.target.value)} />
          <p className="text-sm text-soft">{kind === 'wound' ? 'The line of the rate goes on.' : 'The line of the rate begins anew from now.'}</p>
          <Button type="submit" look="main" busy={log.isPending}>Log it</Button></>}
      </form>
    </Panel>
  );
}
