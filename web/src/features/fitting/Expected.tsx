import { Fold } from '../../ui/Fold.tsx';
import { sizeWords } from '@eclat/core/stores';
import { Truck } from 'lucide-react';
import { useState } from 'react';
import { Link } from 'react-router';
import { api } from '../../data/api.ts';
import { useStores } from '../../data/queries.ts';
import { useCommand } from '../../data/useCommand.ts';
import { useKept } from '../../data/useDraft.ts';
import { Button } from '../../ui/Button.tsx';
import { day } from '../../ui/dates.ts';
import { SelectField, TextField } from '../../ui/Field.tsx';
import { useThisVisit } from '../visit/useThisVisit.ts';

/** What is ordered for this clock and when it is expected; ordered from here by one press. */
export function Expected({ visitId }: { visitId: string }) {
  const visit = useThisVisit();
  const stores = useStores().data ?? [];
  const [ordering, setOrdering] = useState(false);
  const mine = stores.flatMap((i) => i.orders.filter((o) => o.visitId === visitId).map((o) => ({ item: i, order: o })));
  if (stores.length === 0 || (visit.closedAt && mine.length === 0)) return null;
  return (
    <Fold
      name="on its way"
      open={ordering}
      title={mine.length > 0 ? `${mine.length} on the way for this clock` : 'Nothing is on its way for this clock'}
      aside={
        !visit.closedAt &&
        !ordering && (
          <Button onClick={() => setOrdering(true)}>
            <Truck className="size-5" aria-hidden />
            Order
          </Button>
        )
      }
    >
      {mine.length > 0 && (
        <ul className="divide-y divide-line">
          {mine.map(({ item, order }) => (
            <li key={order.id} className="flex flex-wrap gap-x-3 py-1 text-lg">
              <b>
                {order.quantity} × {item.name}
              </b>
              <span>{sizeWords(item.kind, item.sizes)}</span>
              <span>{order.expectedOn ? `expected ${day(order.expectedOn)}` : 'no day known'}</span>
              <Link className="font-semibold text-steel underline" to={`/stores?item=${item.id}`}>
                in the stores
              </Link>
            </li>
          ))}
        </ul>
      )}
      {ordering && <OrderForm visitId={visitId} onClose={() => setOrdering(false)} />}
    </Fold>
  );
}

function OrderForm({ visitId, onClose }: { visitId: string; onClose: () => void }) {
  const stores = (useStores().data ?? []).filter((i) => i.kept);
  const [itemId, setItem, forgetItem] = useKept(`order.${visitId}`, '');
  const [many, setMany, forgetMany] = useKept(`order.${visitId}.many`, '1');
  const [on, setOn, forgetOn] = useKept(`order.${visitId}.on`, '');
  const order = useCommand(api.stores.addOrder, {
    what: 'Order',
    onSent: () => (forgetItem(), forgetMany(), forgetOn(), onClose()),
  });
  const good = /^[1-9]\d{0,4}$/.test(many) && itemId !== '';
  return (
    <form
      className="mt-3 grid grid-cols-1 items-end gap-4 sm:grid-cols-[minmax(0,1fr)_7rem_12rem]"
      onSubmit={(e) => {
        e.preventDefault();
        if (good)
          order.mutate({ params: { itemId }, body: { quantity: Number(many), expectedOn: on || null, visitId } });
      }}
    >
      <SelectField label="What is ordered" value={itemId} onChange={(e) => setItem(e.target.value)}>
        <option value="">choose from the stores</option>
        {stores.map((i) => (
          <option key={i.id} value={i.id}>
            {[i.name, sizeWords(i.kind, i.sizes), i.supplierNo].filter(Boolean).join(', ')}
          </option>
        ))}
      </SelectField>
      <TextField label="Number" inputMode="numeric" value={many} onChange={(e) => setMany(e.target.value)} />
      <TextField label="Expected" type="date" value={on} onChange={(e) => setOn(e.target.value)} />
      <div className="flex gap-3 sm:col-span-3">
        <Button type="submit" variant="main" disabled={!good} busy={order.isPending}>
          Ordered
        </Button>
        <Button variant="plain" onClick={onClose}>
          Close
        </Button>
      </div>
    </form>
  );
}
