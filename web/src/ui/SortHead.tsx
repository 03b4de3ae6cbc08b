import { flexRender, type HeaderGroup } from '@tanstack/react-table';
import { ArrowDown, ArrowUp, ArrowUpDown } from 'lucide-react';

const SORTED = {
  asc: [ArrowUp, 'ascending'],
  desc: [ArrowDown, 'descending'],
  none: [ArrowUpDown, 'none'],
} as const;

/** The heads of a table: a press sorts by one, the next turns it round. */
export function SortHead<T>({
  group,
  lookOf,
}: {
  group: HeaderGroup<T>;
  lookOf?: (column: string) => string | undefined;
}) {
  return (
    <tr className="border-b-2 border-line">
      {group.headers.map((h) => {
        const sorted = h.column.getIsSorted();
        const [Icon, says] = SORTED[sorted || 'none'];
        return (
          <th key={h.id} aria-sort={says} className={`p-0 ${lookOf?.(h.column.id) ?? ''}`}>
            <button
              type="button"
              className={
                'flex min-h-11 w-full items-center gap-1 pr-3 text-left text-sm font-semibold ' +
                'text-soft hover:text-ink'
              }
              onClick={h.column.getToggleSortingHandler()}
            >
              {flexRender(h.column.columnDef.header, h.getContext())}
              <Icon className={sorted ? 'size-4 text-steel' : 'size-4 opacity-40'} aria-hidden />
            </button>
          </th>
        );
      })}
    </tr>
  );
}
