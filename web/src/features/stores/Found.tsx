import type { StockItem } from '@eclat/contract';
import { kindOf, sizeWords, type KindId } from '@eclat/core/stores';
import clsx from 'clsx';
import { ChevronDown, Truck } from 'lucide-react';
import { useMemo, useState } from 'react';
import { Empty } from '../../ui/Answer.tsx';
import { Button } from '../../ui/Button.tsx';
import { day } from '../../ui/dates.ts';
import { low, searchStores, type StoresSearch } from './useStoresSearch.ts';

export const AT_FIRST = 120;

export interface FoundProps {
  items: readonly StockItem[];
  search: StoresSearch;
  onOpen: (id: string) => void;
}

export function Found({ items, search, onOpen }: FoundProps) {
  const [all, setAll] = useState(false);
  const found = useMemo(() => searchStores(items, search), [items, search]);
  if (found.length === 0)
    return (
      <Empty>
        {search.q || search.kind || search.only ? 'Nothing of this lies in the stores.' : 'Nothing is kept.'}
      </Empty>
    );
  return (
    <>
      <ul className="divide-y divide-line">
        {found.slice(0, all ? undefined : AT_FIRST).map((i) => (
          <Row key={i.id} item={i} short={low(i)} onOpen={() => onOpen(i.id)} />
        ))}
      </ul>
      {found.length > AT_FIRST && !all && (
        <Button variant="plain" className="mt-2" onClick={() => setAll(true)}>
          Show all {found.length}
        </Button>
      )}
    </>
  );
}

export function Row({ item, short, onOpen }: { item: StockItem; short: boolean; onOpen: () => void }) {
  const coming = item.orders.reduce((sum, o) => sum + o.quantity, 0);
  const due = item.orders.find((o) => o.expectedOn)?.expectedOn;
  return (
    <li>
      <button
        type="button"
        className={
          'grid w-full grid-cols-[4.5rem_minmax(0,1fr)_auto] items-center gap-4 py-2 text-left ' +
          'hover:bg-steel-wash md:grid-cols-[4.5rem_minmax(0,1.4fr)_minmax(0,1fr)_11rem]'
        }
        onClick={onOpen}
      >
        <span
          className={clsx(
            'rounded-lg border-2 py-1 text-center',
            short || item.onHand < 0
              ? 'border-dashed border-brass-fill bg-brass-wash text-brass'
              : 'border-transparent',
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
    </li>
  );
}

export const kindWord = (k: KindId) => kindOf(k).name;
