import type { TestRun } from '@eclat/contract';
import { api } from '../api/doors.ts';
import { settingWords } from '@eclat/core/pendulum';
import { Trash2 } from 'lucide-react';
import { useTakeOut } from '../api/useTakeOut.ts';
import { Panel } from '../ui/Answer.tsx';
import { dayTime } from '../ui/dates.ts';
import { useThisVisit } from '../visit/thisVisit.ts';
import { inWords } from './ReadNow.tsx';

/** The log, newest first: readings and what happened to the clock, in one line of time. */
export function Readings({ run, outliers }: { run: TestRun; outliers: number[] }) {
  const visit = useThisVisit();
  const params = { visitId: visit.id };
  const out = useTakeOut(api.testRuns.forget, api.testRuns.read, 'Reading');
  const outEvent = useTakeOut(api.testRuns.forgetEvent, api.testRuns.event, 'Event');
  const rows = [
    ...run.readings.map((r) => ({ at: r.readAt, reading: r, event: null })),
    ...run.events.map((e) => ({ at: e.happenedAt, reading: null, event: e })),
  ].sort((a, b) => b.at.localeCompare(a.at));
  const takeBack = (r: TestRun['readings'][number]) => out({ params: { ...params, readingId: r.id } }, { params, body: { readAt: r.readAt, errorS: r.errorS, celsius: r.celsius } });
  if (rows.length === 0) return null;
  return (
    <Panel title="Log">
      <ul className="divide-y divide-line">
        {rows.map(({ at, reading, event }) => (
          <li key={(reading ?? event)!.id} className="flex min-h-12 flex-wrap items-center gap-x-5">
            <span className="w-36 text-soft">{dayTime(at)}</span>
            {reading ? (
              <>
                <span className="text-lg font-semibold">{inWords(Math.abs(reading.errorS))} {reading.errorS >= 0 ? 'ahead' : 'behind'}</span>
                {reading.celsius !== null && <span className="text-soft">{reading.celsius} °C</span>}
                {outliers.includes(Date.parse(at)) && <span className="rounded-full border-2 border-dashed border-brass-fill px-3 text-sm font-semibold text-brass">far off the line: left out of the rate</span>}
              </>
            ) : <span className="text-lg"><b>{event!.kind}</b>{detailWords(event!.detail)}{event!.note && `, ${event!.note}`}</span>}
            <span className="ml-auto text-sm text-soft">{(reading ?? event)!.by}</span>
            {reading && !visit.closedAt && <button type="button" aria-label={`Take back the reading of ${dayTime(at)}`} className="grid size-11 place-items-center rounded-lg hover:bg-danger-wash" onClick={() => takeBack(reading)}><Trash2 className="size-5" /></button>}
            {event && !visit.closedAt && <button type="button" aria-label={`Take back: ${event.kind}, ${dayTime(at)}`} className="grid size-11 place-items-center rounded-lg hover:bg-danger-wash" onClick={() => outEvent({ params: { ...params, eventId: event.id } }, { params, body: { kind: event.kind, happenedAt: event.happenedAt, note: event.note, detail: event.detail } })}><Trash2 className="size-5" /></button>}
          </li>
        ))}
      </ul>
      <p className="mt-3 text-sm text-soft">On {run.place}, since {dayTime(run.startedAt)}, read by the {run.readBy}.</p>
    </Panel>
  );
}

function detailWords(detail: TestRun['events'][number]['detail']): string {
  if (!detail) return '';
  const { setter, amount, where, shown } = detail;
  if (setter && amount !== undefined) return `: ${setter} ${settingWords(setter, amount)}`;
  return [shown && `: hands at ${shown}`, where].filter(Boolean).join(', ');
}
