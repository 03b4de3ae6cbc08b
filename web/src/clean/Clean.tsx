import type { BathRun } from '@eclat/contract';
import { api } from '../api/doors.ts';
import { useMemo } from 'react';
import { useCommand } from '../api/useCommand.ts';
import { say } from '../store.ts';
import { Answer, Empty, Panel } from '../ui/Answer.tsx';
import { Button } from '../ui/Button.tsx';
import { countdown, dayTime } from '../ui/dates.ts';
import { useNow } from '../ui/useNow.ts';
import { Cautions } from '../visit/Cautions.tsx';
import { StageFoot } from '../visit/StageFoot.tsx';
import { useThisVisit } from '../visit/thisVisit.ts';
import { PlanRun } from './PlanRun.tsx';

/** Clean metal with nothing attacked: every bath has a limit and a timer. */
export function Component() {
  const visit = useThisVisit();
  const now = useNow();
  const running = useMemo(() => visit.baths.filter((b) => b.stoppedAt === null), [visit.baths]);
  const over = running.filter((b) => Date.parse(b.endsAt) <= now);
  const next = running.map((b) => Date.parse(b.endsAt)).sort((a, b) => a - b)[0];
  return (
    <>
      {over.length > 0 ? <Answer tone="danger" title="Time is up: take the parts out and rinse">Water is driven out at once: a steel pinion rusts in minutes.</Answer>
        : next !== undefined ? <Answer tone="info" title={`In the bath: ${countdown(next - now)} to go`}>The timer stands in the shop’s database. It rings in every open browser.</Answer>
          : visit.baths.length > 0 ? <Answer tone="good" title={visit.baths.length === 1 ? 'One run is done' : `${visit.baths.length} runs are done`} />
            : <Answer tone="info" title="What goes into the bath?">Each part’s material is checked against the bath before it goes in.</Answer>}
      <Cautions stage="clean" />
      {visit.baths.length > 0 && (
        <Panel title="Runs"><ul className="flex flex-col divide-y divide-line">{visit.baths.map((b) => <Run key={b.id} run={b} now={now} />)}</ul></Panel>
      )}
      {!visit.closedAt && <PlanRun />}
      {visit.closedAt && visit.baths.length === 0 && <Empty>Nothing was cleaned on this visit.</Empty>}
      <StageFoot stage="clean" ready={running.length === 0} why="A bath is still running." />
    </>
  );
}

function Run({ run, now }: { run: BathRun; now: number }) {
  const visit = useThisVisit();
  const stop = useCommand(api.cleaning.stop, { what: 'Parts out of the bath', onDone: () => say('Out of the bath. Rinse and dry at once.') });
  const left = Date.parse(run.endsAt) - now;
  const stayed = run.stoppedAt ? Math.round((Date.parse(run.stoppedAt) - Date.parse(run.startedAt)) / 60_000) : null;
  return (
    <li className="flex flex-wrap items-center gap-x-5 gap-y-2 py-3">
      <span className={`w-36 text-3xl font-bold ${run.stoppedAt ? 'text-soft' : left <= 0 ? 'text-danger' : ''}`}>{run.stoppedAt ? `${stayed} min` : left <= 0 ? `+${countdown(-left)}` : countdown(left)}</span>
      <span className="min-w-60 flex-1">
        <span className="block text-lg font-semibold first-letter:uppercase">{run.bath}, {run.minutes} min</span>
        <span className="block text-soft">{run.parts.map((p) => p.name).join(', ')}</span>
        <span className="block text-sm text-soft">{run.by}, {dayTime(run.startedAt)}{run.overrideReason && <>. Overridden: “{run.overrideReason}”</>}</span>
      </span>
      {!run.stoppedAt && !visit.closedAt && <Button look={left <= 0 ? 'danger' : 'main'} busy={stop.isPending} onClick={() => stop.mutate({ params: { visitId: visit.id, bathId: run.id } })}>Parts are out</Button>}
    </li>
  );
}
