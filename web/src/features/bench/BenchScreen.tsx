import type { BenchRow } from '@eclat/contract';
import type { StageId, Urgency } from '@eclat/core/workflow';
import { daysAfter } from '@eclat/core/days';
import { byCount } from '@eclat/core/units';
import { useQuery } from '@tanstack/react-query';
import clsx from 'clsx';
import { ArrowRight, BellRing, Clock3, Hourglass, ListTodo, PackagePlus, Rows3, TriangleAlert } from 'lucide-react';
import { lazy, useMemo } from 'react';
import { Link } from 'react-router';
import { DueAgain } from '../aftercare/DueAgain.tsx';
import { api } from '../../data/api.ts';
import { fetched } from '../../data/fetched.ts';
import { useBench } from '../../data/queries.ts';
import { Answer, Failed, Loading } from '../../ui/Answer.tsx';
import { buttonClass } from '../../ui/Button.tsx';
import { shopDay } from '../../ui/dates.ts';
import { useFew } from '../../ui/Few.tsx';
import { Late } from '../../ui/Late.tsx';
import { useKeys } from '../../ui/useKeys.ts';
import { useNow } from '../../ui/useNow.ts';
import { SearchField } from '../../ui/SearchField.tsx';
import { matches } from './bench-rows.ts';
import { NoneMatches } from './NoneMatches.tsx';
import { Row } from './BenchRow.tsx';
import { InHand } from './InHand.tsx';
import { StageRack } from './StageRack.tsx';
import { ONLY_TABLE, useBenchView, type BenchProps, type BenchView, type ChangeView } from './useBenchView.ts';

const BenchTable = lazy(() => import('./BenchTable.tsx'));

const URGENCIES = {
  danger: { title: 'Make safe first', Icon: TriangleAlert, look: 'text-danger' },
  due: { title: 'Due now', Icon: Clock3, look: 'text-brass' },
  next: { title: 'Ready to work on', Icon: ArrowRight, look: 'text-steel' },
  wait: { title: 'Waiting by itself', Icon: Hourglass, look: 'text-soft' },
} as const;

/** Every clock in the shop: what can hurt, what is due and what comes next; or all of them as a table. */
export function BenchScreen() {
  const { data, error } = useBench();
  const now = useNow();
  const { view, change } = useBenchView();
  useKeys(useMemo(() => ({ v: () => change(otherView(view)) }), [view, change]));
  if (error && !data) return <Failed error={error} />;
  if (!data) return <Loading what="the bench" />;
  const count = (u: BenchRow['next']['urgency']) => data.filter((r) => r.next.urgency === u).length;
  return (
    <div className={clsx('mx-auto px-4 py-5 md:px-6', view.view === 'table' ? 'max-w-[100rem]' : 'max-w-7xl')}>
      <div className="mb-4 flex flex-wrap items-end justify-between gap-x-4 gap-y-3">
        <div>
          <h1 className="text-3xl">{headline(count('danger'), count('due'))}</h1>
          <p className="mt-1 text-lg text-soft">
            {byCount(data.length, 'One clock', `${data.length} clocks`)} in the shop,
            {` ${count('next')} ready for a hand, `}
            {count('wait')} waiting by {byCount(count('wait'), 'itself', 'themselves')}.
          </p>
        </div>
        <SearchField
          className="w-full sm:w-80"
          label="Search the bench"
          placeholder="Clock, owner, claim or code"
          value={view.q}
          onChange={(q) => change({ q })}
        />
      </div>
      <InHand rows={data} />
      <div className="mb-3 flex flex-wrap items-center gap-x-4 gap-y-2">
        {data.length > 0 && <WhichView view={view} change={change} />}
        <Link
          to="/after"
          className="order-last inline-flex min-h-11 items-center gap-2 font-semibold text-steel underline"
        >
          Aftercare: due again, recall
        </Link>
        <Link to="/intake" className={buttonClass('main', 'lg:hidden')}>
          <PackagePlus className="size-5" aria-hidden />
          Take in
        </Link>
      </div>
      {data.length === 0 && <Nothing />}
      {data.length > 0 && view.view === 'table' && (
        <Late until={<Loading what="the table" />}>
          <BenchTable rows={data} view={view} change={change} />
        </Late>
      )}
      {data.length > 0 && view.view !== 'table' && <WhatNow rows={data} view={view} change={change} now={now} />}
    </div>
  );
}

/** What the list of what now has no room for is not carried over to it unseen. */
const otherView = (view: BenchView) => (view.view === 'table' ? { view: '', ...ONLY_TABLE } : { view: 'table' });

function WhichView({ view, change }: { view: BenchView; change: ChangeView }) {
  const table = view.view === 'table';
  const look = (on: boolean) =>
    clsx(
      'flex min-h-11 items-center gap-2 px-3 font-semibold sm:px-4',
      on ? 'bg-steel text-steel-ink' : 'hover:bg-steel-wash',
    );
  return (
    <div role="group" aria-label="View" className="flex overflow-clip rounded-lg border border-line bg-enamel">
      <button type="button" aria-pressed={!table} className={look(!table)} onClick={() => change(otherView(view))}>
        <ListTodo className="size-5 max-sm:hidden" aria-hidden />
        What now
      </button>
      <button type="button" aria-pressed={table} className={look(table)} onClick={() => change({ view: 'table' })}>
        <Rows3 className="size-5 max-sm:hidden" aria-hidden />
        Table
      </button>
    </div>
  );
}

function WhatNow({ rows, view, change, now }: BenchProps) {
  const stage = view.stage as StageId | '';
  const shown = useMemo(
    () => rows.filter((r) => (!stage || r.next.stage === stage) && matches(r, view.q)),
    [rows, stage, view.q],
  );
  return (
    <>
      <StageRack rows={rows} chosen={stage || null} onChoose={(s) => change({ stage: s ?? '' })} />
      {shown.length === 0 && <NoneMatches onAll={() => change({ stage: '', q: '' })} />}
      {(Object.keys(URGENCIES) as Urgency[]).map((u) => {
        const some = shown.filter((r) => r.next.urgency === u);
        return some.length === 0 ? null : <UrgencyList key={u} urgency={u} rows={some} now={now} />;
      })}
      {!stage && !view.q && <Remind now={now} />}
    </>
  );
}

/** What can hurt or is due is all shown; of the others the first. */
const AT_FIRST = 8;

function UrgencyList({ urgency: u, rows, now }: { urgency: Urgency; rows: BenchRow[]; now: number }) {
  const { title, Icon, look } = URGENCIES[u];
  const [shown, rest] = useFew(rows, u === 'danger' || u === 'due' ? rows.length : AT_FIRST, 'clocks');
  return (
    <section aria-label={title} className="mt-5">
      <h2 className={clsx('mb-2 flex items-center gap-2 text-lg', look)}>
        <Icon className="size-6" aria-hidden />
        {title}
        <span className="font-normal text-soft">{rows.length}</span>
      </h2>
      <ul className="overflow-hidden rounded-xl border border-line bg-enamel">
        {shown.map((r) => (
          <Row key={r.visitId} row={r} now={now} />
        ))}
      </ul>
      {rest}
    </section>
  );
}

const SOON_DAYS = 30;

/** Clocks that went home and want their owner reminded: they stand under the work, not in it. */
function Remind({ now }: { now: number }) {
  const { data } = useQuery(fetched(api.aftercare.due, { query: { until: daysAfter(shopDay(now), SOON_DAYS) } }));
  if (!data || data.items.length === 0) return null;
  return (
    <section aria-label="Due again" className="mt-5">
      <h2 className="mb-2 flex items-center gap-2 text-lg text-soft">
        <BellRing className="size-6" aria-hidden />
        Due again: remind the owner
        <span className="font-normal">
          {data.items.length}
          {data.next && ' and more'}
        </span>
      </h2>
      <div className="rounded-xl border border-line bg-enamel px-4">
        <DueAgain rows={data.items} />
        {data.next && (
          <Link to="/after" className="order-last inline-flex min-h-12 items-center font-semibold text-steel underline">
            All that are due again
          </Link>
        )}
      </div>
    </section>
  );
}

const headline = (danger: number, due: number): string => {
  if (danger > 0) return byCount(danger, 'One clock is not safe', `${danger} clocks are not safe`);
  if (due > 0) return byCount(due, 'One thing is due now', `${due} things are due now`);
  return 'Nothing is due';
};

function Nothing() {
  return (
    <Answer tone="info" title="The bench is empty">
      <p>Every clock in the shop will be listed here with its next action. Start at the counter:</p>
      <Link to="/intake" className={buttonClass('main', 'mt-3')}>
        <PackagePlus className="size-5" aria-hidden />
        Take a clock in
      </Link>
    </Answer>
  );
}
