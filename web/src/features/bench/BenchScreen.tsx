import { Row } from './BenchRow.tsx';
import type { BenchRow } from '@eclat/contract';
import type { StageId, Urgency } from '@eclat/core/workflow';
import { daysAfter } from '@eclat/core/days';
import { useQuery } from '@tanstack/react-query';
import clsx from 'clsx';
import { ArrowRight, BellRing, Clock3, Hourglass, PackagePlus, Search, TriangleAlert } from 'lucide-react';
import { useMemo } from 'react';
import { Link, useSearchParams } from 'react-router';
import { DueAgain } from '../aftercare/DueAgain.tsx';
import { api } from '../../data/api.ts';
import { fetched } from '../../data/fetched.ts';
import { useBench } from '../../data/queries.ts';
import { Answer, Failed, Loading } from '../../ui/Answer.tsx';
import { buttonClass } from '../../ui/Button.tsx';
import { shopDay } from '../../ui/dates.ts';
import { useNow } from '../../ui/useNow.ts';
import { InHand } from './InHand.tsx';
import { StageRack } from './StageRack.tsx';

const URGENCIES = {
  danger: { title: 'Make safe first', Icon: TriangleAlert, look: 'text-danger' },
  due: { title: 'Due now', Icon: Clock3, look: 'text-brass' },
  next: { title: 'Ready for a hand', Icon: ArrowRight, look: 'text-steel' },
  wait: { title: 'Waiting by itself', Icon: Hourglass, look: 'text-soft' },
} as const;

/** Every clock in the shop, where it stands, its next action, and anything due or dangerous. */
export function BenchScreen() {
  const { data, error } = useBench();
  const now = useNow();
  const [search, setSearch] = useSearchParams();
  const stage = search.get('stage') as StageId | null;
  const q = search.get('q') ?? '';
  const change = (name: string, value: string | null) =>
    setSearch(
      (before) => {
        if (value) before.set(name, value);
        else before.delete(name);
        return before;
      },
      { replace: true },
    );
  const shown = useMemo(
    () => (data ?? []).filter((r) => (!stage || r.next.stage === stage) && matches(r, q)),
    [data, stage, q],
  );

  if (error && !data) return <Failed error={error} />;
  if (!data) return <Loading what="the bench" />;
  const count = (u: BenchRow['next']['urgency']) => data.filter((r) => r.next.urgency === u).length;
  return (
    <div className="mx-auto max-w-7xl px-4 py-5 md:px-6">
      <div className="mb-4 flex flex-wrap items-end justify-between gap-4">
        <div>
          <h1 className="text-3xl">{headline(count('danger'), count('due'))}</h1>
          <p className="mt-1 text-lg text-soft">
            {data.length === 1 ? 'One clock' : `${data.length} clocks`} in the shop,
            {` ${count('next')} ready for a hand, `}
            {count('wait')} waiting by {count('wait') === 1 ? 'itself' : 'themselves'}.
          </p>
        </div>
        <label className="relative block w-full sm:w-80">
          <span className="sr-only">Search the bench</span>
          <Search className="absolute top-3.5 left-3 size-5 text-soft" aria-hidden />
          <input
            className="min-h-12 w-full rounded-lg border border-line bg-enamel pr-3 pl-10 text-lg"
            placeholder="Clock, owner, claim or code"
            value={q}
            onChange={(e) => change('q', e.target.value || null)}
          />
        </label>
      </div>
      <InHand rows={data} />
      <div className="mb-3 flex flex-wrap items-center justify-between gap-x-6 gap-y-2">
        <Link to="/after" className="inline-flex min-h-11 items-center gap-2 font-semibold text-steel underline">
          After they went home: due again, recall
        </Link>
        <Link to="/intake" className={buttonClass('main', 'lg:hidden')}>
          <PackagePlus className="size-5" aria-hidden />
          Take in
        </Link>
      </div>
      {data.length > 0 && <StageRack rows={data} chosen={stage} onChoose={(s) => change('stage', s)} />}
      {data.length === 0 && <Nothing />}
      {data.length > 0 && shown.length === 0 && (
        <p className="py-10 text-center text-lg text-soft">
          No clock on the bench matches.{' '}
          <button
            type="button"
            className="min-h-11 font-semibold text-steel underline"
            onClick={() => setSearch({}, { replace: true })}
          >
            Show all
          </button>
        </p>
      )}
      {(Object.keys(URGENCIES) as (keyof typeof URGENCIES)[]).map((u) => {
        const rows = shown.filter((r) => r.next.urgency === u);
        return rows.length === 0 ? null : <UrgencyList key={u} urgency={u} rows={rows} now={now} />;
      })}
      {!stage && !q && <Remind now={now} />}
    </div>
  );
}

function UrgencyList({ urgency: u, rows, now }: { urgency: Urgency; rows: BenchRow[]; now: number }) {
  const { title, Icon, look } = URGENCIES[u];
  return (
    <section aria-label={title} className="mt-5">
      <h2 className={clsx('mb-2 flex items-center gap-2 text-lg', look)}>
        <Icon className="size-6" aria-hidden />
        {title}
        <span className="font-normal text-soft">{rows.length}</span>
      </h2>
      <ul className="overflow-hidden rounded-xl border border-line bg-enamel">
        {rows.map((r) => (
          <Row key={r.visitId} row={r} now={now} />
        ))}
      </ul>
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
          <Link to="/after" className="inline-flex min-h-12 items-center font-semibold text-steel underline">
            All that are due again
          </Link>
        )}
      </div>
    </section>
  );
}

const headline = (danger: number, due: number): string => {
  if (danger > 0) return danger === 1 ? 'One clock is not safe' : `${danger} clocks are not safe`;
  if (due > 0) return due === 1 ? 'One thing is due now' : `${due} things are due now`;
  return 'Nothing is due';
};

/** Each word is in it somewhere: clock, owner, claim or code. */
export const matches = (r: BenchRow, q: string) =>
  q
    .toLowerCase()
    .split(/\s+/)
    .every((w) => `${r.clock} ${r.owner} ${r.claim} ${r.movementCode}`.toLowerCase().includes(w));

function Nothing() {
  return (
    <Answer tone="info" title="The bench is empty">
      <p>Every clock in the shop will stand here with its next action. Begin at the counter:</p>
      <Link to="/intake" className={buttonClass('main', 'mt-3')}>
        <PackagePlus className="size-5" aria-hidden />
        Take a clock in
      </Link>
    </Answer>
  );
}
