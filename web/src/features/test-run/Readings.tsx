import { useFew } from '../../ui/Few.tsx';
import type { TestRun } from '@eclat/contract';
import { api } from '../../data/api.ts';
import { settingWords } from '@eclat/core/pendulum';
import { AudioLines, Trash2 } from 'lucide-react';
import type { ReactNode } from 'react';
import { Link } from 'react-router';
import { useTakeOut } from '../../data/useTakeOut.ts';
import { Empty, Panel } from '../../ui/Answer.tsx';
import { buttonClass } from '../../ui/Button.tsx';
import { dayTime } from '../../ui/dates.ts';
import { useThisVisit } from '../visit/useThisVisit.ts';
import { HeardRow } from './HeardRow.tsx';
import { inWords } from './ReadNow.tsx';

const AT_ONCE = 4;

/** The log, newest first: readings, what was heard of the beat, and what happened to the clock, in one line of time. */
export function Readings({ run, outliers }: { run: TestRun; outliers: number[] }) {
  const visit = useThisVisit();
  const params = { visitId: visit.id };
  const out = useTakeOut(api.testRun.removeReading, 'Reading');
  const outEvent = useTakeOut(api.testRun.removeEvent, 'Event');
  const outHeard = useTakeOut(api.listening.remove, 'What was heard');
  const rows: Row[] = [
    ...run.readings.map(({ id, by, ...r }) => ({
      id,
      by,
      at: r.readAt,
      name: 'the reading',
      takeOut: () => out({ params: { ...params, readingId: id } }),
      shows: <Shown reading={r} far={outliers.includes(Date.parse(r.readAt))} />,
    })),
    ...run.events.map(({ id, by, kind, ...e }) => ({
      id,
      by,
      at: e.happenedAt,
      name: kind,
      // That it was opened stands in the strip log: it is not taken out here.
      takeOut: kind === 'opened' ? null : () => outEvent({ params: { ...params, eventId: id } }),
      shows: (
        <span className="text-lg">
          <b>{kind}</b>
          {detailWords(e.detail)}
          {e.note && `, ${e.note}`}
        </span>
      ),
    })),
    ...visit.heard.map((heard) => {
      const { id, by, at } = heard;
      return {
        id,
        by,
        at,
        name: 'what was heard',
        takeOut: () => outHeard({ params: { ...params, heardId: id } }),
        shows: <HeardRow heard={heard} when={dayTime(at)} />,
      };
    }),
  ].sort((a, b) => b.at.localeCompare(a.at));
  const [shown, rest] = useFew(rows, AT_ONCE, 'entries');
  return (
    <Panel
      title="Log"
      aside={
        <Link className={buttonClass()} to={`/visits/${visit.id}/listen`}>
          <AudioLines className="size-5" aria-hidden />
          Listen
        </Link>
      }
    >
      {rows.length === 0 && <Empty>Readings, sound and what happened to the clock are listed here.</Empty>}
      <ul className="divide-y divide-line">
        <LogRow rows={shown} />
      </ul>
      {rest}
      <p className="mt-3 text-sm text-soft">
        On {run.place}, since {dayTime(run.startedAt)}, read by the {run.readBy}.
      </p>
    </Panel>
  );
}

function Shown({ reading: r, far }: { reading: Omit<TestRun['readings'][number], 'id' | 'by'>; far: boolean }) {
  return (
    <>
      <span className="text-lg font-semibold">
        {inWords(Math.abs(r.errorS))} {r.errorS >= 0 ? 'ahead' : 'behind'}
      </span>
      {r.celsius !== null && <span className="text-soft">{r.celsius} °C</span>}
      {far && (
        <span className="rounded-full border-2 border-dashed border-brass-fill px-3 text-sm font-semibold text-brass">
          far off the line: left out of the rate
        </span>
      )}
    </>
  );
}

function LogRow({ rows }: { rows: readonly Row[] }) {
  const visit = useThisVisit();
  return rows.map((r) => (
    <li key={r.id} className="flex min-h-12 flex-wrap items-center gap-x-5">
      <span className="w-36 text-soft">{dayTime(r.at)}</span>
      {r.shows}
      <span className="ml-auto text-sm text-soft">{r.by}</span>
      {!visit.closedAt && r.takeOut && (
        <button
          type="button"
          aria-label={`Take back ${r.name} of ${dayTime(r.at)}`}
          className="grid size-11 place-items-center rounded-lg hover:bg-danger-wash"
          onClick={r.takeOut}
        >
          <Trash2 className="size-5" />
        </button>
      )}
    </li>
  ));
}

interface Row {
  id: string;
  by: string;
  at: string;
  name: string;
  shows: ReactNode;
  takeOut: (() => void) | null;
}

function detailWords(detail: TestRun['events'][number]['detail']): string {
  if (!detail) return '';
  const { setter, amount, where, shown } = detail;
  if (setter && amount !== undefined) return `: ${setter} ${settingWords(setter, amount)}`;
  return [shown && `: hands at ${shown}`, where].filter(Boolean).join(', ');
}
