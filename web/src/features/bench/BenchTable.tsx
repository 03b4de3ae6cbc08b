import type { BenchRow } from '@eclat/contract';
import { familyById } from '@eclat/core/movement';
import { byDanger, POWER_STATES, STAGE_IDS, STAGES, stageName } from '@eclat/core/workflow';
import {
  createColumnHelper,
  flexRender,
  getCoreRowModel,
  getSortedRowModel,
  useReactTable,
  type SortingFn,
} from '@tanstack/react-table';
import clsx from 'clsx';
import { useMemo, useRef } from 'react';
import { Link } from 'react-router';
import { day, daysUntil } from '../../ui/dates.ts';
import { NoneMatches } from './NoneMatches.tsx';
import { Pick } from '../../ui/Pick.tsx';
import { PowerBadge } from '../../ui/PowerBadge.tsx';
import { SortHead } from '../../ui/SortHead.tsx';
import { useNow } from '../../ui/useNow.ts';
import { useWindowOf } from '../../ui/useWindowOf.ts';
import { borderOf, promiseWords, visitPath } from './BenchRow.tsx';
import { PROMISES, tableRows, type Promised } from './bench-rows.ts';
import type { BenchProps, BenchView, ChangeView } from './useBenchView.ts';

/** A line of the table, px: the clock, and under it its claim and its owner, or on a phone its stage. */
const ROW_PX = 56;
const MINUTE_MS = 60_000;
const col = createColumnHelper<BenchRow>();
const worst = (r: BenchRow) => byDanger(r.power)[0];
const URGENT = ['danger', 'due', 'next', 'wait'];
/** As people of this language order words: Å is not after Z for everybody, and claim 9 comes before 10. */
const inOrder = new Intl.Collator(undefined, { numeric: true }).compare;
const byWords: SortingFn<BenchRow> = (a, b, column) => inOrder(a.getValue(column), b.getValue(column));

/** They stay the same ones: a cell that is made anew would let the focus go. */
const COLUMNS = [
  col.accessor('clock', {
    header: 'Clock',
    sortingFn: byWords,
    cell: ({ row: { original: r } }) => (
      <Link to={visitPath(r)} className="block leading-tight font-bold after:absolute after:inset-0">
        <span className="block truncate">{r.clock}</span>
        <span className="block truncate text-sm font-normal text-soft">
          {r.claim}
          <span className="max-sm:hidden 2xl:hidden"> · {r.owner}</span>
          <span className="sm:hidden"> · {stageName(r.next.stage)}</span>
        </span>
      </Link>
    ),
  }),
  col.accessor('owner', { header: 'Owner', sortingFn: byWords }),
  col.accessor((r) => STAGE_IDS.indexOf(r.next.stage), {
    id: 'stage',
    header: 'Stage',
    cell: ({ row }) => stageName(row.original.next.stage),
  }),
  col.accessor((r) => URGENT.indexOf(r.next.urgency), {
    id: 'next',
    header: 'Next',
    cell: ({ row }) => row.original.next.text,
  }),
  col.accessor((r) => POWER_STATES.indexOf(worst(r)?.state ?? 'let down'), {
    id: 'power',
    header: 'Power',
    cell: ({ row: { original: r } }) => {
      const first = worst(r);
      return first && <PowerBadge label={first.label} state={first.state} small together={r.together} />;
    },
  }),
  col.accessor((r) => r.promisedFor ?? undefined, {
    id: 'promise',
    header: 'Promised',
    sortUndefined: 'last',
    cell: ({ row }) => <PromisedFor on={row.original.promisedFor} />,
  }),
  col.accessor('openedAt', { id: 'since', header: 'Since', cell: ({ getValue }) => day(getValue()) }),
  col.accessor((r) => familyById(r.familyId).name, {
    id: 'family',
    header: 'Movement',
    sortingFn: byWords,
  }),
  col.accessor((r) => r.workedBy ?? undefined, {
    id: 'person',
    header: 'Worked on by',
    sortingFn: byWords,
    sortUndefined: 'last',
    cell: ({ getValue }) => getValue() ?? '',
  }),
];

/** How wide, and from which screen on. */
const LOOKS: Record<string, string> = {
  clock: 'w-[20rem] max-lg:w-[16rem] max-sm:w-auto',
  owner: 'w-[10rem] max-2xl:hidden',
  stage: 'w-[6.5rem] max-sm:hidden',
  next: 'max-sm:hidden',
  power: 'w-[10.5rem] max-md:hidden',
  promise: 'w-[7rem]',
  since: 'w-[5.5rem] max-2xl:hidden',
  family: 'w-[11rem] max-xl:hidden',
  person: 'w-[8.5rem] max-lg:hidden',
};

function PromisedFor({ on }: { on: string | null }) {
  const now = useNow(MINUTE_MS);
  if (!on) return null;
  const days = daysUntil(on, now);
  return (
    <span className={clsx(days < 0 && 'font-semibold text-danger')} title={promiseWords(days)}>
      {day(on)}
      {days < 0 && <span className="text-sm"> late</span>}
    </span>
  );
}

/** Every clock on a line: for the one who looks for a clock, or plans a week. Only what is in view is drawn. */
export default function BenchTable({ rows, view, change }: Omit<BenchProps, 'now'>) {
  const now = useNow(MINUTE_MS);
  const data = useMemo(() => tableRows(rows, view, now), [rows, view, now]);
  const { by, down } = view;
  const sorting = useMemo(() => (Object.hasOwn(LOOKS, by) ? [{ id: by, desc: down !== '' }] : []), [by, down]);
  const table = useReactTable({
    data,
    columns: COLUMNS,
    state: { sorting },
    sortDescFirst: false,
    enableMultiSort: false,
    autoResetAll: false,
    onSortingChange: (update) => {
      const [first] = typeof update === 'function' ? update(sorting) : update;
      change({ by: first?.id ?? '', down: first?.desc ? '1' : '' });
    },
    getCoreRowModel: getCoreRowModel(),
    getSortedRowModel: getSortedRowModel(),
  });
  const sorted = table.getRowModel().rows;
  const body = useRef<HTMLTableSectionElement>(null);
  const { lines, above, below, walk } = useWindowOf(sorted.length, ROW_PX, body);
  return (
    <>
      <Filters rows={rows} view={view} change={change} />
      {data.length === 0 ? (
        <NoneMatches onAll={() => change({ q: '', stage: '', person: '', promise: '', family: '' })} />
      ) : (
        <div className="overflow-clip rounded-xl border border-line bg-enamel">
          <table className="w-full table-fixed text-left" aria-rowcount={sorted.length + 1} aria-label="The bench">
            <thead className="sticky top-14 z-10 bg-enamel">
              {table.getHeaderGroups().map((group) => (
                <SortHead key={group.id} group={group} lookOf={lookOf} />
              ))}
            </thead>
            <tbody ref={body} onKeyDown={walk}>
              <tr aria-hidden style={{ height: above }} />
              {lines.map((index) => {
                const row = sorted[index]!;
                return (
                  <tr
                    key={row.original.visitId}
                    data-index={index}
                    aria-rowindex={index + 2}
                    style={{ height: ROW_PX }}
                    className="relative border-b border-line hover:bg-steel-wash has-focus-visible:bg-steel-wash"
                  >
                    {row.getVisibleCells().map((c) => (
                      <td key={c.id} className={clsx('truncate pr-3', lookOf(c.column.id, row.original))}>
                        {flexRender(c.column.columnDef.cell, c.getContext())}
                      </td>
                    ))}
                  </tr>
                );
              })}
              <tr aria-hidden style={{ height: below }} />
            </tbody>
          </table>
        </div>
      )}
    </>
  );
}

function lookOf(column: string, row?: BenchRow): string {
  const first = column === 'clock' && `border-l-8 pl-3 ${row ? borderOf(row.next.urgency) : 'border-l-transparent'}`;
  return clsx(LOOKS[column], first, column === 'power' && 'text-clip');
}

const each = (words: Iterable<string>) => [...new Set(words)].sort(inOrder);

function Filters({ rows, view, change }: { rows: readonly BenchRow[]; view: BenchView; change: ChangeView }) {
  const people = each(rows.map((r) => r.workedBy ?? '').filter(Boolean));
  const families = each(rows.map((r) => r.familyId));
  const stages = STAGES.filter((s) => rows.some((r) => r.next.stage === s.id));
  return (
    <div
      role="group"
      aria-label="Show only"
      className={
        'no-print mb-3 grid gap-2 max-sm:-mx-4 max-sm:auto-cols-[9.5rem] max-sm:grid-flow-col max-sm:overflow-x-auto ' +
        'max-sm:px-4 sm:grid-cols-4'
      }
    >
      <Pick label="Stage" value={view.stage} onPick={(stage) => change({ stage })}>
        <option value="">Every stage</option>
        {stages.map((s) => (
          <option key={s.id} value={s.id}>
            {s.name}
          </option>
        ))}
      </Pick>
      <Pick label="Worked on by" value={view.person} onPick={(person) => change({ person })}>
        <option value="">Everybody</option>
        {people.map((p) => (
          <option key={p}>{p}</option>
        ))}
      </Pick>
      <Pick label="Promised" value={view.promise} onPick={(promise) => change({ promise })}>
        <option value="">Any promise</option>
        {(Object.keys(PROMISES) as Promised[]).map((p) => (
          <option key={p} value={p}>
            {PROMISES[p].name}
          </option>
        ))}
      </Pick>
      <Pick label="Movement" value={view.family} onPick={(family) => change({ family })}>
        <option value="">Every movement</option>
        {families.map((f) => (
          <option key={f} value={f}>
            {familyById(f).name}
          </option>
        ))}
      </Pick>
    </div>
  );
}
