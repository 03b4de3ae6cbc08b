import { Found } from './Found.tsx';
import type { StockItem } from '@eclat/contract';
import { KINDS, sizeWords } from '@eclat/core/stores';
import clsx from 'clsx';
import { Download, PackagePlus, Upload } from 'lucide-react';
import { lazy, useState } from 'react';
import { Link } from 'react-router';
import { useStores, useWanted } from '../../data/queries.ts';
import { Answer, Failed, Loading, Panel } from '../../ui/Answer.tsx';
import { Button, buttonClass } from '../../ui/Button.tsx';
import { ShopWork, useShopWork } from '../shop-work/ShopWork.tsx';
import { ItemForm } from './ItemForm.tsx';
import { ItemSheet } from './ItemSheet.tsx';
import { low, ORDERS, useStoresSearch, type Ask, type StoresSearch } from './useStoresSearch.ts';
import { Late } from '../../ui/Late.tsx';
import { Pick } from '../../ui/Pick.tsx';
import { SearchField } from '../../ui/SearchField.tsx';

const TableIn = lazy(() => import('./TableIn.tsx'));

/** What lies in the drawers, what is short of it, and what is on its way. */
export function StoresScreen() {
  const { data, error } = useStores();
  const { search, ask } = useStoresSearch();
  const [adding, setAdding] = useState(false);
  const [table, setTable] = useState(false);
  const goingOn = useShopWork().some((t) => t.endedAt === null);
  if (error && !data) return <Failed error={error} />;
  if (!data) return <Loading what="the stores" />;
  const open = data.find((i) => i.id === search.item);
  return (
    <div className="mx-auto flex max-w-6xl flex-col gap-5 px-4 py-5 md:px-6">
      <div className="flex flex-wrap items-center justify-between gap-3">
        <h1 className="text-3xl">Stores</h1>
        <div className="no-print flex flex-wrap gap-2">
          <WantedLink />
          <a className={buttonClass('quiet')} href="/api/stores-table" download="stores.csv">
            <Download className="size-5" aria-hidden />
            CSV
          </a>
          <Button onClick={() => setTable(true)}>
            <Upload className="size-5" aria-hidden />
            Import a CSV
          </Button>
          <Button variant="main" onClick={() => setAdding(true)}>
            <PackagePlus className="size-5" aria-hidden />
            Add
          </Button>
        </div>
      </div>
      <StoresAnswer items={data} onShort={search.only === 'short' ? null : () => ask({ only: 'short' })} />
      <ShopWork open={goingOn} />
      {adding && (
        <Panel title="New in the stores">
          <ItemForm item={null} onClose={() => setAdding(false)} />
        </Panel>
      )}
      {data.length > 0 && (
        <Panel>
          <Filters items={data} search={search} ask={ask} />
          <Found items={data} search={search} onOpen={(item) => ask({ item })} />
        </Panel>
      )}
      {open && <ItemSheet key={open.id} item={open} onClose={() => ask({ item: '' })} />}
      {table && (
        <Late>
          <TableIn onClose={() => setTable(false)} />
        </Late>
      )}
    </div>
  );
}

/** What clocks want, and how much of it may have come in. */
function WantedLink() {
  const wanted = useWanted().data ?? [];
  const here = wanted.filter((w) => w.matches.length > 0).length;
  if (wanted.length === 0) return null;
  return (
    <Link className={buttonClass(here > 0 ? 'main' : 'quiet')} to="/wanted">
      {here > 0 ? `${here} of ${wanted.length} wanted may lie here` : `${wanted.length} wanted`}
    </Link>
  );
}

function StoresAnswer({ items, onShort }: { items: readonly StockItem[]; onShort: (() => void) | null }) {
  const kept = items.filter((i) => i.kept);
  const short = kept.filter(low);
  const below = kept.filter((i) => i.onHand < 0).map((i) => `${i.name}, ${sizeWords(i.kind, i.sizes)}`);
  if (items.length === 0)
    return (
      <Answer tone="info" title="The stores are empty">
        Add what lies in the drawers one by one, or take in a CSV table with the columns kind, name and sizes.
      </Answer>
    );
  if (below.length > 0)
    return (
      <Answer tone="due" title={`More was used than was counted: ${below.slice(0, 3).join('; ')}`}>
        Count them again.
      </Answer>
    );
  if (short.length === 0) return <Answer tone="good" title="Nothing is short" />;
  return (
    <Answer tone="due" title={`${short.length} to order`}>
      {onShort && (
        <button type="button" className="min-h-11 font-semibold underline" onClick={onShort}>
          Show only these
        </button>
      )}
    </Answer>
  );
}

/** Words, kind and order; and the three lists that one looks for most. */
function Filters({ items, search, ask }: { items: readonly StockItem[]; search: StoresSearch; ask: Ask }) {
  const kept = items.filter((i) => i.kept);
  const kinds = KINDS.filter((k) => items.some((i) => i.kind === k.id));
  return (
    <>
      <div className="no-print mb-3 grid gap-3 sm:grid-cols-[minmax(0,1fr)_auto_auto]">
        <SearchField
          label="Search the stores"
          placeholder="Name, size, number, shelf"
          value={search.q}
          onChange={(q) => ask({ q })}
        />
        <Pick label="Kind" value={search.kind} onPick={(kind) => ask({ kind })}>
          <option value="">every kind</option>
          {kinds.map((k) => (
            <option key={k.id} value={k.id}>
              {k.name}
            </option>
          ))}
        </Pick>
        <Pick label="Order" value={search.by} onPick={(by) => ask({ by })}>
          {Object.entries(ORDERS).map(([id, name]) => (
            <option key={id} value={id}>
              {name}
            </option>
          ))}
        </Pick>
      </div>
      <div className="no-print mb-3 flex flex-wrap gap-2" role="group" aria-label="Show only">
        {(
          [
            ['short', `to order, ${kept.filter(low).length}`],
            ['coming', `on its way, ${kept.filter((i) => i.orders.length > 0).length}`],
            ['left', `kept no longer, ${items.length - kept.length}`],
          ] as const
        ).map(([id, name]) => (
          <button
            key={id}
            type="button"
            aria-pressed={search.only === id}
            className={clsx(
              'min-h-11 rounded-full border-2 px-4 font-semibold',
              search.only === id ? 'border-steel bg-steel text-steel-ink' : 'border-line hover:bg-steel-wash',
            )}
            onClick={() => ask({ only: search.only === id ? '' : id })}
          >
            {name}
          </button>
        ))}
      </div>
    </>
  );
}
