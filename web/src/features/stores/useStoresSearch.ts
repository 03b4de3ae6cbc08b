import type { StockItem } from '@eclat/contract';
import { isLow, KINDS, kindOf, sizeWords } from '@eclat/core/stores';
import { useMemo } from 'react';
import { useSearchParams } from 'react-router';

const onOrder = (i: StockItem) => i.orders.reduce((sum, o) => sum + o.quantity, 0);
/** Less of it than should be there, with what is on its way. */
export const low = (i: StockItem) => i.kept && isLow({ minimum: i.minimum, onHand: i.onHand, onOrder: onOrder(i) });
export const ORDERS = {
  kind: 'by kind and size',
  short: 'shortest first',
  shelf: 'by shelf',
  supplier: 'by supplier',
} as const;
export type Order = keyof typeof ORDERS;
const bySize = (a: StockItem, b: StockItem) =>
  KINDS.findIndex((k) => k.id === a.kind) - KINDS.findIndex((k) => k.id === b.kind) ||
  a.name.localeCompare(b.name) ||
  kindOf(a.kind)
    .sizes.map((s) => (a.sizes[s] ?? 0) - (b.sizes[s] ?? 0))
    .find((d) => d !== 0) ||
  0;
const SORT: Record<Order, (a: StockItem, b: StockItem) => number> = {
  kind: bySize,
  short: (a, b) => a.onHand + onOrder(a) - a.minimum - (b.onHand + onOrder(b) - b.minimum) || bySize(a, b),
  shelf: (a, b) => a.shelf.localeCompare(b.shelf, undefined, { numeric: true }) || bySize(a, b),
  supplier: (a, b) => a.supplier.localeCompare(b.supplier) || bySize(a, b),
};

/** What is looked for. It stands in the address, so that it is there again after a look elsewhere. */
export interface StoresSearch {
  q: string;
  kind: string;
  only: string;
  by: Order;
  /** The item whose sheet is open. */
  item: string;
}
export type Ask = (change: Partial<Record<keyof StoresSearch, string>>) => void;

export function useStoresSearch(): { search: StoresSearch; ask: Ask } {
  const [params, setParams] = useSearchParams();
  const of = (name: string) => params.get(name) ?? '';
  const by = of('by');
  const [q, kind, only, item] = [of('q'), of('kind'), of('only'), of('item')];
  const search = useMemo(
    () => ({ q, kind, only, item, by: by in ORDERS ? (by as Order) : ('kind' as const) }),
    [q, kind, only, item, by],
  );
  const ask: Ask = (change) =>
    setParams(
      (old) => {
        for (const [name, value] of Object.entries(change))
          if (value) old.set(name, value);
          else old.delete(name);
        return old;
      },
      { replace: true },
    );
  return { search, ask };
}

/** Stock items in which every word is found, of the kind and the list that are asked for, in their order. */
export function searchStores(items: readonly StockItem[], { q, kind, only, by }: StoresSearch): StockItem[] {
  const words = q
    .toLowerCase()
    .replaceAll(',', '.')
    .split(/[\s×x]+/)
    .filter(Boolean);
  return items
    .filter((i) => (only === 'left' ? !i.kept : i.kept))
    .filter((i) => !kind || i.kind === kind)
    .filter((i) => only !== 'short' || low(i))
    .filter((i) => only !== 'coming' || i.orders.length > 0)
    .filter((i) => words.every((w) => textOf(i).includes(w)))
    .sort(SORT[by]);
}

const textOf = ({ kind, name, sizes, supplier, supplierNo, shelf, batch, note }: StockItem): string =>
  [kindOf(kind).name, name, sizeWords(kind, sizes), supplier, supplierNo, shelf, batch, note].join(' ').toLowerCase();
