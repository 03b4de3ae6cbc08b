import type { StockItem } from '@eclat/contract';
import { kindOf, sizeWords, type KindId } from '@eclat/core/stores';
import clsx from 'clsx';
import { ChevronDown, Truck } from 'lucide-react';
import { useMemo, useRef } from 'react';
import { Empty } from '../../ui/Answer.tsx';
import { day } from '../../ui/dates.ts';
import { useWindowOf } from '../../ui/useWindowOf.ts';
import { low, searchStores, type StoresSearch } from './useStoresSearch.ts';

/** A line of the list, px. */
const ROW_PX = 72;

export interface FoundProps {
  items: readonly StockItem[];
  search: StoresSearch;
  onOpen: (id: string) => void;
}

export function Found({ items, search, onOpen }: FoundProps) {
  const list = useRef<HTMLUListElement>(null);
  const found = useMemo(() => searchStores(items, search), [items, search]);
  const { lines, above, below, walk } = useWindowOf(found.length, ROW_PX, list);
  if (found.length === 0)
    return (
      <Empty>
        {search.q || search.kind || search.only ? 'Nothing of this lies in the stores.' : 'Nothing is in stock.'}
      </Empty>
    );
  return (
    <ul
      ref={list}
      className="divide-y divide-line"
      style={{ paddingTop: above, paddingBottom: below }}
      onKeyDown={walk}
    >
      {lines.map((index) => (
        <li
          key={found[index]!.id}
          data-index={index}
          aria-setsize={found.length}
          aria-posinset={index + 1}
          style={{ height: ROW_PX }}
        >
          <Row item={found[index]!} short={low(found[index]!)} onOpen={() => onOpen(found[index]!.id)} />
        </li>
      ))}
    </ul>
  );
}

export function Row({ item, short, onOpen }: { item: StockItem; short: boolean; onOpen: () => void }) {
  const coming = item.orders.reduce((sum, o) => sum + o.quantity, 0);
  const due = item.orders.find((o) => o.expectedOn)?.expectedOn;
  return (
    <button
      type="button"
      className={
        'grid h-full w-full grid-cols-[4.5rem_minmax(0,1fr)_auto] items-center gap-4 text-left ' +
        'hover:bg-steel-wash md:grid-cols-[4.5rem_minmax(0,1.4fr)_minmax(0,1fr)_11rem]'
      }
      onClick={onOpen}
    >
      <span
        className={clsx(
          'rounded-lg border-2 py-1 text-center',
          short || item.onHand < 0 ? 'border-dashed border-brass-fill bg-brass-wash text-brass' : 'border-transparent',
        )}
      >
        <b className="block text-2xl leading-none tabular-nums">{item.onHand}</b>
        <span className="text-sm">{item.minimum > 0 ? `least ${item.minimum}` : 'there'}</span>
      </span>
      <span className="min-w-0">
        <b className="block truncate text-lg">{sizeWords(item.kind, item.sizes) || item.name}</b>
        <span className="block truncate text-soft">
          {sizeWords(item.kind, item.sizes) ? item.name : kindWord(item.kind)}
          {item.batch && `, batch ${item.batch}`}
          {item.note && `. ${item.note}`}
        </span>
      </span>
      <span className="hidden min-w-0 text-soft md:block">
        <span className="block truncate">{item.shelf}</span>
        <span className="block truncate text-sm">{[item.supplier, item.supplierNo].filter(Boolean).join(', ')}</span>
      </span>
      <span className="flex items-center justify-end gap-3">
        {coming > 0 && (
          <span className="flex items-center gap-1 font-semibold text-steel">
            <Truck className="size-5" aria-label="on its way" />
            {coming}
            {due && <span className="hidden font-normal sm:inline">, {day(due)}</span>}
          </span>
        )}
        {short && <b className="hidden text-brass sm:inline">order</b>}
        <ChevronDown className="size-5 text-soft" aria-hidden />
      </span>
    </button>
  );
}

export const kindWord = (k: KindId) => kindOf(k).name;
