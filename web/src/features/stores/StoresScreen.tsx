import type { StockItem } from '@eclat/contract';
import { isLow, KINDS, kindOf, sizeWords, type KindId } from '@eclat/core/stores';
import clsx from 'clsx';
import { ChevronDown, Download, PackagePlus, Search, Truck, Upload } from 'lucide-react';
import { lazy, Suspense, useMemo, useState } from 'react';
import { useSearchParams } from 'react-router';
import { useStores } from '../../data/queries.ts';
import { Answer, Empty, Failed, Loading, Panel } from '../../ui/Answer.tsx';
import { Button, buttonClass } from '../../ui/Button.tsx';
import { day } from '../../ui/dates.ts';
import { ItemForm } from './ItemForm.tsx';
import { ItemSheet } from './ItemSheet.tsx';

const TableIn = lazy(() => import('./TableIn.tsx'));

const onOrder = (i: StockItem) => i.orders.reduce((sum, o) => sum + o.quantity, 0);
const low = (i: StockItem) => i.kept && isLow({ minimum: i.minimum, onHand: i.onHand, onOrder: onOrder(i) });
const ORDERS = {
  kind: 'by kind and size',
  short: 'shortest first',
  shelf: 'by shelf',
  supplier: 'by supplier',
} as const;
type Order = keyof typeof ORDERS;
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
const AT_FIRST = 120;

/** What lies in the drawers, what is short of it, and what is on its way. */
export function StoresScreen() {
  const { data, error } = useStores();
  const [search, setSearch] = useSearchParams();
  const [adding, setAdding] = useState(false);
  const [table, setTable] = useState(false);
  const [all, setAll] = useState(false);
  const ask = (change: Record<string, string>) =>
    setSearch(
      (old) => {
        for (const [k, v] of Object.entries(change))
          if (v) old.set(k, v);
          else old.delete(k);
        return old;
      },
      { replace: true },
    );
  const [q, kind, only, order] = [
    search.get('q') ?? '',
    search.get('kind') ?? '',
    search.get('only') ?? '',
    (search.get('by') ?? 'kind') as Order,
  ];
  const shown = useMemo(() => {
    const words = q
      .toLowerCase()
      .replaceAll(',', '.')
      .split(/[\s×x]+/)
      .filter(Boolean);
    return (data ?? [])
      .filter(
        (i) =>
          (only === 'left' ? !i.kept : i.kept) &&
          (!kind || i.kind === kind) &&
          (only !== 'short' || low(i)) &&
          (only !== 'coming' || i.orders.length > 0),
      )
      .filter((i) => {
        const text =
          `${kindOf(i.kind).name} ${i.name} ${sizeWords(i.kind, i.sizes)} ${i.supplier} ${i.supplierNo} ${i.shelf} ${i.note}`.toLowerCase();
        return words.every((w) => text.includes(w));
      })
      .sort(SORT[order] ?? bySize);
  }, [data, q, kind, only, order]);
  if (error && !data) return <Failed error={error} />;
  if (!data) return <Loading what="the stores" />;
  const kept = data.filter((i) => i.kept);
  const short = kept.filter(low);
  const below = kept.filter((i) => i.onHand < 0);
  const kinds = KINDS.filter((k) => data.some((i) => i.kind === k.id));
  const open = data.find((i) => i.id === search.get('item'));
  const toggle = (what: string) => ask({ only: only === what ? '' : what });
  return (
    <div className="mx-auto flex max-w-6xl flex-col gap-5 px-4 py-5 md:px-6">
      <div className="flex flex-wrap items-center justify-between gap-3">
        <h1 className="text-3xl">Stores</h1>
        <div className="no-print flex flex-wrap gap-2">
          <a className={buttonClass('quiet')} href="/api/stores-table" download="stores.csv">
            <Download className="size-5" aria-hidden />
            CSV
          </a>
          <Button onClick={() => setTable(true)}>
            <Upload className="size-5" aria-hidden />
            Take a CSV in
          </Button>
          <Button look="main" onClick={() => setAdding(true)}>
            <PackagePlus className="size-5" aria-hidden />
            Add
          </Button>
        </div>
      </div>
      {data.length === 0 ? (
        <Answer tone="info" title="The stores are empty">
          Add what lies in the drawers one by one, or take in a CSV table with the columns kind, name and sizes.
        </Answer>
      ) : below.length > 0 ? (
        <Answer
          tone="due"
          title={`More was used than was counted: ${below
            .map((i) => `${i.name}, ${sizeWords(i.kind, i.sizes)}`)
            .slice(0, 3)
            .join('; ')}`}
        >
          Count them again.
        </Answer>
      ) : short.length > 0 ? (
        <Answer tone="due" title={`${short.length} to order`}>
          {only !== 'short' && (
            <button type="button" className="min-h-11 font-semibold underline" onClick={() => toggle('short')}>
              Show these alone
            </button>
          )}
        </Answer>
      ) : (
        <Answer tone="good" title="Nothing is short" />
      )}
      {adding && (
        <Panel title="New in the stores">
          <ItemForm item={null} onClose={() => setAdding(false)} />
        </Panel>
      )}
      {data.length > 0 && (
        <Panel>
          <div className="no-print mb-3 grid gap-3 sm:grid-cols-[minmax(0,1fr)_auto_auto]">
            <label className="relative block">
              <span className="sr-only">Search the stores</span>
              <Search className="absolute top-3.5 left-3 size-5 text-soft" aria-hidden />
              <input
                className="min-h-12 w-full rounded-lg border border-line bg-enamel pr-3 pl-10 text-lg"
                placeholder="Name, size, number, shelf"
                value={q}
                onChange={(e) => ask({ q: e.target.value })}
              />
            </label>
            <label>
              <span className="sr-only">Kind</span>
              <select
                className="min-h-12 w-full rounded-lg border border-line bg-enamel px-3"
                value={kind}
                onChange={(e) => ask({ kind: e.target.value })}
              >
                <option value="">every kind</option>
                {kinds.map((k) => (
                  <option key={k.id} value={k.id}>
                    {k.name}
                  </option>
                ))}
              </select>
            </label>
            <label>
              <span className="sr-only">Order</span>
              <select
                className="min-h-12 w-full rounded-lg border border-line bg-enamel px-3"
                value={order}
                onChange={(e) => ask({ by: e.target.value })}
              >
                {Object.entries(ORDERS).map(([id, name]) => (
                  <option key={id} value={id}>
                    {name}
                  </option>
                ))}
              </select>
            </label>
          </div>
          <div className="no-print mb-3 flex flex-wrap gap-2" role="group" aria-label="Show only">
            {[
              ['short', `to order, ${short.length}`],
              ['coming', `on its way, ${kept.filter((i) => i.orders.length > 0).length}`],
              ['left', `kept no longer, ${data.length - kept.length}`],
            ].map(([id, name]) => (
              <button
                key={id}
                type="button"
                aria-pressed={only === id}
                className={clsx(
                  'min-h-11 rounded-full border-2 px-4 font-semibold',
                  only === id ? 'border-steel bg-steel text-steel-ink' : 'border-line hover:bg-steel-wash',
                )}
                onClick={() => toggle(id!)}
              >
                {name}
              </button>
            ))}
          </div>
          {shown.length === 0 ? (
            <Empty>{q || kind || only ? 'Nothing of this lies in the stores.' : 'Nothing is kept.'}</Empty>
          ) : (
            <ul className="divide-y divide-line">
              {shown.slice(0, all ? undefined : AT_FIRST).map((i) => (
                <Row key={i.id} item={i} short={low(i)} onOpen={() => ask({ item: i.id })} />
              ))}
            </ul>
          )}
          {shown.length > AT_FIRST && !all && (
            <Button look="plain" className="mt-2" onClick={() => setAll(true)}>
              Show all {shown.length}
            </Button>
          )}
        </Panel>
      )}
      {open && <ItemSheet key={open.id} item={open} onClose={() => ask({ item: '' })} />}
      {table && (
        <Suspense>
          <TableIn onClose={() => setTable(false)} />
        </Suspense>
      )}
    </div>
  );
}

function Row({ item, short, onOpen }: { item: StockItem; short: boolean; onOpen: () => void }) {
  const coming = item.orders.reduce((sum, o) => sum + o.quantity, 0);
  const due = item.orders.find((o) => o.expectedOn)?.expectedOn;
  return (
    <li>
      <button
        type="button"
        className="grid w-full grid-cols-[4.5rem_minmax(0,1fr)_auto] items-center gap-4 py-2 text-left hover:bg-steel-wash md:grid-cols-[4.5rem_minmax(0,1.4fr)_minmax(0,1fr)_11rem]"
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
              {due && <span className="hidden font-normal sm:inline">, {day(`${due}T12:00:00Z`)}</span>}
            </span>
          )}
          {short && <b className="hidden text-brass sm:inline">order</b>}
          <ChevronDown className="size-5 text-soft" aria-hidden />
        </span>
      </button>
    </li>
  );
}
const kindWord = (k: KindId) => kindOf(k).name;
