import { settled } from '@eclat/core/workflow';
import { Fold } from '../../ui/Fold.tsx';
import { ThingForm } from './ThingForm.tsx';
import type { ReceivedItem } from '@eclat/contract';
import { comesWith } from '@eclat/core/intake';
import { Pencil, Plus, Trash2 } from 'lucide-react';
import { useState } from 'react';
import { api } from '../../data/api.ts';
import { useTakeOut } from '../../data/useTakeOut.ts';
import { Empty } from '../../ui/Answer.tsx';
import { Button } from '../../ui/Button.tsx';
import { useThisVisit } from '../visit/useThisVisit.ts';

/** Each thing must go home again: listed with number, condition and photo, printed on the receipt, ticked at return. */
export function Things() {
  const visit = useThisVisit();
  const [editing, setEditing] = useState<ReceivedItem | string | null>(null);
  const open = !visit.closedAt;
  const usual = comesWith(visit.movement.traits).filter((what) => !visit.received.some((r) => r.what === what));
  return (
    <Fold
      title="Came with it"
      says={visit.received.length > 0 ? visit.received.length : 'nothing listed'}
      open={!settled(visit.stages).includes('intake')}
    >
      {visit.received.length === 0 && !editing && (
        <Empty>Nothing is listed yet. What is not listed cannot be asked back.</Empty>
      )}
      <ul className="divide-y divide-line">
        {visit.received.map((r) => (
          <ThingRow key={r.id} received={r} setEditing={setEditing} />
        ))}
      </ul>
      {editing !== null && (
        <ThingForm
          key={typeof editing === 'string' ? editing : editing.id}
          thing={editing}
          onClose={() => setEditing(null)}
        />
      )}
      {open && editing === null && (
        <div className="mt-3 flex flex-wrap gap-2">
          {[...usual, ''].map((what) => (
            <Button key={what} onClick={() => setEditing(what)}>
              <Plus className="size-5" aria-hidden />
              {what || 'Something else'}
            </Button>
          ))}
        </div>
      )}
    </Fold>
  );
}

function ThingRow({
  received: r,
  setEditing,
}: {
  received: ReceivedItem;
  setEditing: (next: string | ReceivedItem | null) => void;
}) {
  const visit = useThisVisit();
  const open = !visit.closedAt;
  const params = { visitId: visit.id };
  const thing = useTakeOut(api.reception.removeReceived, 'Thing received');
  return (
    <li className="flex items-center gap-3 py-2">
      {r.photoId ? (
        <img src={`/api/photos/${r.photoId}/small`} alt="" className="size-12 rounded-lg object-cover" />
      ) : (
        <span className="grid size-12 place-items-center rounded-lg bg-sunk text-xl font-bold">{r.count}</span>
      )}
      <span className="min-w-0 flex-1">
        <span className="block text-lg font-bold">
          {r.count > 1 && `${r.count} × `}
          {r.what}
        </span>
        <span className="block text-soft">
          {[r.condition, r.squareMm && `${r.squareMm} mm square`, r.fits].filter(Boolean).join(' · ')}
        </span>
      </span>
      {open && (
        <>
          <button
            type="button"
            aria-label={`Correct: ${r.what}`}
            className="grid size-12 place-items-center rounded-lg hover:bg-steel-wash"
            onClick={() => setEditing(r)}
          >
            <Pencil className="size-5" />
          </button>
          <button
            type="button"
            aria-label={`Take out: ${r.what}`}
            className="grid size-12 place-items-center rounded-lg hover:bg-danger-wash"
            onClick={() => thing({ params: { ...params, receivedId: r.id } })}
          >
            <Trash2 className="size-5" />
          </button>
        </>
      )}
    </li>
  );
}
