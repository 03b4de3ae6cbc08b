import type { TestRow } from '@eclat/contract';
import { judgeRun, missedReadings, WANTS, wantOf, type Want } from '@eclat/core/rate';
import clsx from 'clsx';
import {
  AudioLines,
  CircleCheck,
  CircleDot,
  Clock3,
  Footprints,
  MoveHorizontal,
  OctagonX,
  SkipForward,
  Wrench,
} from 'lucide-react';
import { useMemo, useState } from 'react';
import { Link } from 'react-router';
import { useOnTest } from '../../data/queries.ts';
import { Answer, Empty, Failed, Loading, Panel } from '../../ui/Answer.tsx';
import { Button, buttonClass } from '../../ui/Button.tsx';
import { dayTime } from '../../ui/dates.ts';
import { useNow } from '../../ui/useNow.ts';
import { inWords, ReadNow } from './ReadNow.tsx';
import { swingOf } from './swing.ts';

const LOOK: Record<Want, readonly [icon: typeof Clock3, look: string]> = {
  stopped: [OctagonX, 'border-danger bg-danger-wash text-danger'],
  'failed check': [OctagonX, 'border-danger bg-danger-wash text-danger'],
  'weak swing': [MoveHorizontal, 'border-brass-fill bg-brass-wash text-brass'],
  'to be set': [Wrench, 'border-brass-fill bg-brass-wash text-brass'],
  decided: [CircleCheck, 'border-good bg-good-wash text-good'],
  'reading due': [Clock3, 'border-brass-fill bg-brass-wash text-brass'],
  running: [CircleDot, 'border-line bg-sunk text-soft'],
};
const judge = (row: TestRow, now: number) => {
  const judged = judgeRun(row.traits, row.run, now, row.held);
  const last = row.run.readings.at(-1);
  const weak = swingOf(row, row.traits, row.run)?.said.find((s) => s.good === false);
  return {
    row,
    judged,
    last,
    weak,
    missed: missedReadings(
      judged.segment.map((r) => r.at),
      judged.since,
      judged.protocol.readEveryHours,
      now,
    ),
    ...wantOf({ run: row.run, judged, failed: row.failed, weak: weak !== undefined }, now),
  };
};

/**
 * Every clock on test: first what needs a person. A round reads them one after another, in the order in which they
 * stand.
 */
export function OnTestScreen() {
  const { data, error } = useOnTest();
  const now = useNow(30_000);
  const [round, setRound] = useState<number | null>(null);
  const judged = useMemo(() => (data ?? []).map((row) => judge(row, now)), [data, now]);
  if (error && !data) return <Failed error={error} />;
  if (!data) return <Loading what="the clocks on test" />;
  if (round !== null && data[round]) return <Round rows={data} at={round} now={now} onGo={setRound} />;
  const sorted = judged.toSorted((a, b) => WANTS.indexOf(a.want) - WANTS.indexOf(b.want) || a.at - b.at);
  return (
    <div className="mx-auto flex max-w-[90rem] flex-col gap-5 p-4 md:p-6">
      <h1 className="text-2xl">On test</h1>
      <OnTestAnswer wanting={judged.filter((j) => j.want !== 'running').length} all={data.length} />
      <div className="flex flex-wrap gap-3">
        {data.length > 0 && (
          <Button variant="main" className="min-h-14 px-6 text-lg" onClick={() => setRound(0)}>
            <Footprints className="size-6" aria-hidden />
            Go round and read all
          </Button>
        )}
        <Link className={buttonClass('quiet', 'min-h-14 px-6 text-lg')} to="/listen">
          <AudioLines className="size-6" aria-hidden />
          Listen to a clock
        </Link>
      </div>
      {data.length === 0 ? (
        <Empty>Each with its verdict so far, and when its next reading is due.</Empty>
      ) : (
        <ul className="flex flex-col gap-2">
          {sorted.map(({ row, judged: j, want, at, last, missed, weak }) => {
            const [Icon, look] = LOOK[want];
            return (
              <li key={row.visitId}>
                <Link
                  to={`/visits/${row.visitId}/run`}
                  className={
                    'flex flex-wrap items-center gap-x-5 gap-y-1 rounded-xl border border-line ' +
                    'bg-enamel px-4 py-3 hover:border-steel'
                  }
                >
                  <span
                    className={clsx(
                      'inline-flex min-h-11 w-40 items-center gap-2 rounded-full border-2 px-3 font-semibold',
                      look,
                    )}
                  >
                    <Icon className="size-5 shrink-0" aria-hidden />
                    {want}
                  </span>
                  <span className="min-w-0 flex-1 basis-72">
                    <b className="text-lg">{row.clock}</b>{' '}
                    <span className="text-soft">
                      {row.claim}, {row.run.place}
                    </span>
                    <span className="block">{j.verdict.text}</span>
                    {weak && <span className="block font-semibold text-brass">{weak.says}</span>}
                  </span>
                  <span className="basis-52 text-right text-soft">
                    {last
                      ? `${inWords(Math.abs(last.errorS))} ` +
                        (last.errorS >= 0 ? 'ahead' : 'behind') +
                        `, ${dayTime(last.readAt)}`
                      : 'not read yet'}
                    {want === 'running' && <span className="block">next {dayTime(at)}</span>}
                    {missed > 0 && <span className="block font-semibold text-brass">{missed} missed</span>}
                  </span>
                </Link>
              </li>
            );
          })}
        </ul>
      )}
    </div>
  );
}

function OnTestAnswer({ wanting, all }: { wanting: number; all: number }) {
  if (all === 0)
    return (
      <Answer tone="info" title="No clock is on test">
        A clock comes here when its test run is started.
      </Answer>
    );
  if (wanting === 0) return <Answer tone="good" title={`${all} on test, nothing to do now`} />;
  return <Answer tone="due" title={`${wanting} of ${all} on test: something to do`} />;
}

/** One clock at a time, for a phone in the hand. */
function Round({
  rows,
  at,
  now,
  onGo,
}: {
  rows: readonly TestRow[];
  at: number;
  now: number;
  onGo: (at: number | null) => void;
}) {
  const row = rows[at]!;
  const { judged, last } = judge(row, now);
  const next = () => onGo(at + 1 < rows.length ? at + 1 : null);
  return (
    <div className="mx-auto flex max-w-xl flex-col gap-4 p-4">
      <h1 className="text-2xl">
        Round, {at + 1} of {rows.length}
      </h1>
      <Panel title={row.clock}>
        <p className="text-xl font-bold">{row.run.place}</p>
        <p className="text-soft">
          {row.claim}.{' '}
          {last
            ? `Last: ${inWords(Math.abs(last.errorS))} ` +
              (last.errorS >= 0 ? 'ahead' : 'behind') +
              `, ${dayTime(last.readAt)}.`
            : 'Not read yet.'}{' '}
          {judged.verdict.text}
        </p>
      </Panel>
      <ReadNow key={row.visitId} visitId={row.visitId} setAt={judged.since} onKept={next} />
      <div className="flex gap-3">
        <Button onClick={next}>
          <SkipForward className="size-5" aria-hidden />
          Skip
        </Button>
        <Button variant="plain" onClick={() => onGo(null)}>
          End the round
        </Button>
      </div>
    </div>
  );
}
