import type { StockItem } from '@eclat/contract';
import { kindOf, sizeWords } from '@eclat/core/stores';
import { useQuery } from '@tanstack/react-query';
import { PackageCheck, Pencil, Trash2 } from 'lucide-react';
import { useState } from 'react';
import { api } from '../../data/api.ts';
import { fetched } from '../../data/fetched.ts';
import { useCommand } from '../../data/useCommand.ts';
import { say } from '../../data/app-state.ts';
import { Button } from '../../ui/Button.tsx';
import { day, dayTime } from '../../ui/dates.ts';
import { TextField } from '../../ui/Field.tsx';
import { Sheet } from '../../ui/Sheet.tsx';
import { DonorBook } from './DonorBook.tsx';
import { ItemForm } from './ItemForm.tsx';

const whole = (text: string, least: number) =>
  /^\d{1,6}$/.test(text.trim()) && Number(text) >= least ? Number(text) : null;

/** One thing: count it, order it, say that it came, put its row right. */
export function ItemSheet({ item, onClose }: { item: StockItem; onClose: () => void }) {
  const [editing, setEditing] = useState(false);
  const params = { itemId: item.id };
  const again = useCommand(api.stores.keep, { what: 'Stores' });
  const keep = useCommand(api.stores.keep, {
    what: 'Stores',
    onDone: (i) => {
      onClose();
      if (!i.kept) say(`${i.name} is no longer stocked.`, 'good', () => again.mutate({ params, body: { kept: true } }));
    },
  });
  return (
    <Sheet
      open
      wide
      onClose={onClose}
      title={[item.name, sizeWords(item.kind, item.sizes)].filter(Boolean).join(', ')}
      description={[
        kindOf(item.kind).name,
        item.shelf,
        item.batch && `batch ${item.batch}`,
        item.supplier && `${item.supplier} ${item.supplierNo}`,
        item.price,
      ]
        .filter(Boolean)
        .join(' · ')}
    >
      {editing ? (
        <ItemForm item={item} onClose={() => setEditing(false)} />
      ) : (
        <div className="flex flex-col gap-5">
          <Count key={item.onHand} item={item} />
          {item.kind === 'donor' ? <DonorBook item={item} /> : <OrderOne item={item} />}
          <Moves itemId={item.id} />
          <div className="flex flex-wrap gap-3 border-t border-line pt-4">
            <Button onClick={() => setEditing(true)}>
              <Pencil className="size-5" aria-hidden />
              Correct the row
            </Button>
            <Button
              variant="plain"
              busy={keep.isPending}
              onClick={() => keep.mutate({ params, body: { kept: !item.kept } })}
            >
              {item.kept ? 'Stop stocking it' : 'Stock it again'}
            </Button>
          </div>
        </div>
      )}
    </Sheet>
  );
}

function Count({ item }: { item: StockItem }) {
  const [text, setText] = useState('');
  const back = useCommand(api.stores.count, { what: 'Count' });
  const count = useCommand(api.stores.count, {
    what: 'Count',
    onDone: (i) =>
      say(`${i.onHand} there, counted.`, 'good', () =>
        back.mutate({ params: { itemId: item.id }, body: { onHand: Math.max(0, item.onHand) } }),
      ),
  });
  const n = whole(text, 0);
  return (
    <form
      className="flex flex-wrap items-end gap-4"
      onSubmit={(e) => {
        e.preventDefault();
        if (n !== null) count.mutate({ params: { itemId: item.id }, body: { onHand: n } });
      }}
    >
      <p className="w-32">
        <b className="block text-5xl leading-none tabular-nums">{item.onHand}</b>
        <span className="text-soft">there{item.minimum > 0 && `, at least ${item.minimum}`}</span>
      </p>
      <div className="w-32">
        <TextField
          label="Counted"
          inputMode="numeric"
          value={text}
          onChange={(e) => setText(e.target.value)}
          error={text !== '' && n === null ? 'A whole number.' : undefined}
        />
      </div>
      <Button type="submit" disabled={n === null} busy={count.isPending}>
        That many lie there
      </Button>
    </form>
  );
}

function OrderOne({ item }: { item: StockItem }) {
  const [many, setMany] = useState('');
  const [on, setOn] = useState('');
  const params = { itemId: item.id };
  const order = useCommand(api.stores.addOrder, {
    what: 'Order',
    onDone: () => {
      setMany('');
      setOn('');
    },
  });
  const n = whole(many, 1);
  return (
    <section aria-label="Orders" className="border-t border-line pt-4">
      {item.orders.length > 0 && (
        <ul className="mb-3 flex flex-col gap-2">
          {item.orders.map((o) => (
            <OrderRow key={o.id} order={o} item={item} />
          ))}
        </ul>
      )}
      <form
        className="flex flex-wrap items-end gap-4"
        onSubmit={(e) => {
          e.preventDefault();
          if (n !== null) order.mutate({ params, body: { quantity: n, expectedOn: on || null } });
        }}
      >
        <div className="w-32">
          <TextField
            label="Order"
            inputMode="numeric"
            value={many}
            onChange={(e) => setMany(e.target.value)}
            error={many !== '' && n === null ? 'A whole number.' : undefined}
          />
        </div>
        <div className="w-44">
          <TextField label="Expected" type="date" value={on} onChange={(e) => setOn(e.target.value)} />
        </div>
        <Button type="submit" disabled={n === null} busy={order.isPending}>
          Ordered
        </Button>
      </form>
    </section>
  );
}

function OrderRow({ order: o, item }: { order: StockItem['orders'][number]; item: StockItem }) {
  const params = { itemId: item.id };
  const undo = useCommand(api.stores.setArrived, { what: 'Order' });
  const arrive = useCommand(api.stores.setArrived, {
    what: 'Order',
    onDone: (_i, command) =>
      say('It came in.', 'good', () => undo.mutate({ params: command.params, body: { arrived: false } })),
  });
  const removeOrder = useCommand(api.stores.removeOrder, { what: 'Order' });
  return (
    <li className="flex flex-wrap items-center gap-3">
      <b className="text-xl">{o.quantity}</b>
      <span className="min-w-40 flex-1">
        {o.expectedOn ? `expected ${day(o.expectedOn)}` : 'no day known'}
        {o.claim && (
          <>
            , for <b>{o.claim}</b>
          </>
        )}
        <span className="block text-sm text-soft">
          ordered {day(o.orderedAt)} by {o.by}
        </span>
      </span>
      <Button
        variant="main"
        onClick={() => arrive.mutate({ params: { ...params, orderId: o.id }, body: { arrived: true } })}
      >
        <PackageCheck className="size-5" aria-hidden />
        It came in
      </Button>
      <button
        type="button"
        aria-label={`Not ordered: ${o.quantity}`}
        className="grid size-11 place-items-center rounded-lg hover:bg-danger-wash"
        onClick={() => removeOrder.mutate({ params: { ...params, orderId: o.id } })}
      >
        <Trash2 className="size-5" />
      </button>
    </li>
  );
}

function Moves({ itemId }: { itemId: string }) {
  const { data } = useQuery(fetched(api.stores.moves, { params: { itemId } }));
  if (!data || data.length === 0) return null;
  return (
    <details className="border-t border-line pt-2">
      <summary className="min-h-11 cursor-pointer py-2 font-semibold">What came and went</summary>
      <ul className="max-h-60 divide-y divide-line overflow-y-auto">
        {data.map((m, i) => (
          <li key={i} className="grid grid-cols-[4rem_minmax(0,1fr)_auto] gap-3 py-1">
            <b className="text-right tabular-nums">{m.change > 0 ? `+${m.change}` : m.change}</b>
            <span>
              {m.why}
              {m.claim && <>, {m.claim}</>}, {m.by}
            </span>
            <span className="text-sm text-soft">{dayTime(m.at)}</span>
          </li>
        ))}
      </ul>
    </details>
  );
}
