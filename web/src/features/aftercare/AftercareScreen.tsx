import type { Recalled } from '@eclat/contract';
import { counted } from '@eclat/core/units';
import { useInfiniteQuery, useQuery } from '@tanstack/react-query';
import { Link, useSearchParams } from 'react-router';
import { api } from '../../data/api.ts';
import { call } from '../../data/call.ts';
import { fetched, keyOf } from '../../data/fetched.ts';
import { Answer, Empty, Failed, Loading, Panel } from '../../ui/Answer.tsx';
import { Button } from '../../ui/Button.tsx';
import { Choice } from '../../ui/Choice.tsx';
import { day } from '../../ui/dates.ts';
import { SearchField } from '../../ui/SearchField.tsx';
import { DueAgain } from './DueAgain.tsx';

const YEARS = ['1', '2', '5', '10'] as const;

/** Aftercare: what is due again, what came back and why, and everything that had one batch, part or type. */
export function AftercareScreen() {
  const [search, setSearch] = useSearchParams();
  const q = search.get('q') ?? '';
  const years = YEARS.find((y) => y === search.get('years')) ?? '2';
  const change = (name: string, value: string) =>
    setSearch(
      (before) => {
        if (value) before.set(name, value);
        else before.delete(name);
        return before;
      },
      { replace: true },
    );
  return (
    <div className="mx-auto flex max-w-[90rem] flex-col gap-5 p-4 md:p-6">
      <h1 className="text-2xl">Aftercare</h1>
      <Recall q={q} onChange={(v) => change('q', v)} />
      <div className="grid items-start gap-5 xl:grid-cols-2">
        <Due />
        <Callbacks years={years} onYears={(y) => change('years', y)} />
      </div>
    </div>
  );
}

function Recall({ q, onChange }: { q: string; onChange: (q: string) => void }) {
  const wanted = q.trim();
  const { data, error } = useQuery({
    ...fetched(api.aftercare.recall, { query: { q: wanted } }),
    enabled: wanted.length > 1,
  });
  return (
    <Panel title="Recall">
      <SearchField
        showLabel
        className="max-w-xl"
        label="Product, batch, part or type"
        placeholder="22-07"
        value={q}
        onChange={onChange}
      />
      <div role="status" className="mt-3">
        <Matches error={error} wanted={wanted} data={data} />
      </div>
      {data && data.length > 0 && (
        <ul className="mt-1 divide-y divide-line">
          {data.map((r) => (
            <li key={r.visitId} className="flex min-h-12 flex-wrap items-center gap-x-5 py-1">
              <Link className="w-24 font-semibold text-steel underline" to={`/visits/${r.visitId}`}>
                {r.claim}
              </Link>
              <span className="basis-64 font-semibold">{r.clock}</span>
              <span className="basis-40">{r.owner}</span>
              <span className="min-w-0 flex-1">{r.why}</span>
              <span className="text-soft">{r.closedAt ? `signed ${day(r.closedAt)}` : 'open'}</span>
            </li>
          ))}
        </ul>
      )}
    </Panel>
  );
}

function Matches({ error, wanted, data }: { error: Error | null; wanted: string; data: Recalled[] | undefined }) {
  if (error) return <p className="text-danger">{error.message}</p>;
  if (wanted.length < 2) return <p className="text-soft">Every visit that had it is found, open or signed.</p>;
  if (!data) return <p className="text-soft">Looking …</p>;
  if (data.length === 0) return <p>No visit had it.</p>;
  return <p className="text-lg font-semibold">{counted(data.length, 'visit')} had it</p>;
}

function Due() {
  const { data, error, hasNextPage, fetchNextPage, isFetchingNextPage } = useInfiniteQuery({
    queryKey: keyOf(api.aftercare.due),
    queryFn: ({ pageParam, signal }) => call(api.aftercare.due, { query: { after: pageParam }, signal }),
    initialPageParam: undefined as string | undefined,
    getNextPageParam: (page) => page.next ?? undefined,
  });
  const rows = data?.pages.flatMap((page) => page.items) ?? [];
  if (error && !data) return <Failed error={error} />;
  if (!data) return <Loading what="what is due again" />;
  return (
    <Panel title="Due again">
      {rows.length === 0 ? (
        <Empty>
          Signed visits are listed here by the day their clocks are due for oil. They are in the calendar too.
        </Empty>
      ) : (
        <DueAgain rows={rows} />
      )}
      {hasNextPage && (
        <Button className="mt-3" busy={isFetchingNextPage} onClick={() => void fetchNextPage()}>
          Show those due later
        </Button>
      )}
    </Panel>
  );
}

function Callbacks({ years, onYears }: { years: (typeof YEARS)[number]; onYears: (y: string) => void }) {
  const { data, error } = useQuery(fetched(api.aftercare.callbacks, { query: { years: Number(years) } }));
  if (error && !data) return <Failed error={error} />;
  const share = data && data.signed > 0 ? (100 * data.came) / data.signed : null;
  return (
    <Panel
      title="What came back"
      aside={
        <Choice
          hideLabel
          label="Over how many years"
          value={years}
          onChange={onYears}
          options={YEARS.map((y) => [y, y === '1' ? 'a year' : `${y} years`] as const)}
        />
      }
    >
      {!data ? (
        <p className="text-soft">Counting …</p>
      ) : (
        <>
          {share === null ? (
            <p className="text-soft">Nothing was signed in this time.</p>
          ) : (
            <Answer tone={data.came === 0 ? 'good' : 'info'} title={`${data.came} of ${data.signed} came back`}>
              {share.toFixed(share < 10 ? 1 : 0)} %, linked at the counter as callbacks.
            </Answer>
          )}
          <ul className="mt-2 divide-y divide-line">
            {data.rows.map((r) => (
              <li key={r.visitId} className="flex min-h-12 flex-wrap items-center gap-x-4 py-1">
                <Link className="w-24 font-semibold text-steel underline" to={`/visits/${r.visitId}`}>
                  {r.claim}
                </Link>
                <span className="basis-56 font-semibold">{r.clock}</span>
                <span className="min-w-0 flex-1">{r.cause || r.complaint}</span>
                <span className="text-soft">
                  of {r.of}, {day(r.openedAt)}
                </span>
              </li>
            ))}
          </ul>
        </>
      )}
    </Panel>
  );
}
