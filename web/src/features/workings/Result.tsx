import { fieldsOf, show, type Field, type Working } from '@eclat/core/workings';
import {
  createColumnHelper,
  flexRender,
  getCoreRowModel,
  getSortedRowModel,
  useReactTable,
  type SortingState,
  type Table,
} from '@tanstack/react-table';
import { useMemo, useState } from 'react';
import { useAppState } from '../../data/app-state.ts';
import { SortHead } from '../../ui/SortHead.tsx';

type Row = Record<string, unknown>;

/**
 * The figures of a result, large; its lists as tables that can be sorted. What the sentence above says already is left
 * out.
 */
export function Result({ working, result, says }: { working: Working; result: Row; says: string }) {
  const fields = useMemo(() => fieldsOf(working.result), [working]);
  const plain = fields.filter(
    (f) =>
      f.kind !== 'rows' &&
      f.kind !== 'numbers' &&
      result[f.name] !== null &&
      result[f.name] !== says &&
      !(f.kind === 'text' && String(result[f.name]).length > 60),
  );
  return (
    <div className="flex flex-col gap-5">
      <dl className="grid grid-cols-[repeat(auto-fill,minmax(11rem,1fr))] gap-x-6 gap-y-4">
        {plain.map((f) => (
          <div key={f.name}>
            <dt className="text-sm text-soft">{f.title}</dt>
            <dd className="text-2xl leading-tight font-bold">
              <Value field={f} value={result[f.name]} />
            </dd>
          </div>
        ))}
      </dl>
      {fields
        .filter((f) => f.kind === 'rows')
        .map((f) => (
          <SortedTable key={f.name} field={f} rows={result[f.name] as Row[]} />
        ))}
    </div>
  );
}

export function Value({ field, value }: { field: Field; value: unknown }) {
  const units = useAppState((s) => s.units);
  if (typeof value === 'boolean') return <>{value ? 'yes' : 'no'}</>;
  if (typeof value === 'string') return <>{value}</>;
  if (typeof value !== 'number') return <>—</>;
  const shown = show(value, field, units);
  return (
    <>
      {shown.text}
      {shown.unit && <span className="text-base font-semibold text-soft"> {shown.unit}</span>}
    </>
  );
}

const columnsOf = createColumnHelper<Row>();
const SHOWN_AT_FIRST = 8;

function SortedTable({ field, rows }: { field: Field; rows: Row[] }) {
  const [sorting, setSorting] = useState<SortingState>([]);
  const [all, setAll] = useState(false);
  const columns = useMemo(
    () =>
      field
        .of!.filter((f) => rows.length === 0 || rows.some((r) => r[f.name] !== null))
        .map((f) =>
          columnsOf.accessor((r) => r[f.name], {
            id: f.name,
            header: f.title,
            sortDescFirst: false,
            cell: ({ getValue }) => <Value field={f} value={getValue()} />,
          }),
        ),
    [field, rows],
  );
  const table = useReactTable({
    data: rows,
    columns,
    state: { sorting },
    onSortingChange: setSorting,
    getCoreRowModel: getCoreRowModel(),
    getSortedRowModel: getSortedRowModel(),
  });
  if (rows.length === 0) return null;
  return (
    <div>
      <h3 className="mb-1 text-lg">
        {field.title}
        {rows.length > SHOWN_AT_FIRST && <span className="font-normal text-soft"> {rows.length}</span>}
      </h3>
      <div className="overflow-x-auto" tabIndex={0} role="region" aria-label={field.title}>
        <TableOf table={table} all={all} />
      </div>
      {rows.length > SHOWN_AT_FIRST && !all && (
        <button type="button" className="min-h-11 font-semibold text-steel underline" onClick={() => setAll(true)}>
          Show all {rows.length}
        </button>
      )}
    </div>
  );
}

function TableOf({ table, all }: { table: Table<Row>; all: boolean }) {
  const shown = table.getRowModel().rows;
  return (
    <table className="w-full text-left">
      <thead>
        {table.getHeaderGroups().map((group) => (
          <SortHead key={group.id} group={group} />
        ))}
      </thead>
      <tbody>
        {(all ? shown : shown.slice(0, SHOWN_AT_FIRST)).map((row) => (
          <tr key={row.id} className="border-b border-line last:border-b-0">
            {row.getVisibleCells().map((c) => (
              <td key={c.id} className="py-2 pr-3 text-lg">
                {flexRender(c.column.columnDef.cell, c.getContext())}
              </td>
            ))}
          </tr>
        ))}
      </tbody>
    </table>
  );
}
