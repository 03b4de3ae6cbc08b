import type { OwnSequence } from '@eclat/contract';
import { Pencil, Plus } from 'lucide-react';
import { useState } from 'react';
import { api } from '../../data/api.ts';
import { say } from '../../data/app-state.ts';
import { useOwnSequences } from '../../data/queries.ts';
import { useCommand } from '../../data/useCommand.ts';
import { Empty, Panel } from '../../ui/Answer.tsx';
import { Button } from '../../ui/Button.tsx';
import { OwnForm } from './OwnForm.tsx';

/** What this shop does its own way, step by step, offered with every run. */
export function OwnSequences() {
  const all = (useOwnSequences().data ?? []).filter((s) => !s.retired);
  const [editing, setEditing] = useState<string | null>(null);
  const close = () => setEditing(null);
  return (
    <Panel
      title="Sequences of our own"
      aside={
        editing !== 'new' && (
          <Button onClick={() => setEditing('new')}>
            <Plus className="size-5" aria-hidden />
            New sequence
          </Button>
        )
      }
    >
      {editing === 'new' && <OwnForm own={null} onClose={close} />}
      {all.length === 0 && editing !== 'new' && (
        <Empty>
          Petroleum spirit, hot water, dewatering fluid, warm air: a way of cleaning that is not in the list.
        </Empty>
      )}
      <ul className="flex flex-col divide-y divide-line">
        {all.map((own) => (
          <li key={own.id} className="py-3">
            {editing === own.id ? (
              <OwnForm own={own} onClose={close} />
            ) : (
              <OwnRow own={own} onEdit={() => setEditing(own.id)} />
            )}
          </li>
        ))}
      </ul>
    </Panel>
  );
}

function OwnRow({ own, onEdit }: { own: OwnSequence; onEdit: () => void }) {
  const again = useCommand(api.cleaning.retireOwn, { what: 'Sequence' });
  const params = { sequenceId: own.id };
  const retire = useCommand(api.cleaning.retireOwn, {
    what: 'Sequence',
    onDone: (s) =>
      say(`${s.name} is offered no longer.`, 'good', () => again.mutate({ params, body: { retired: false } })),
  });
  return (
    <div className="flex flex-wrap items-center gap-x-4 gap-y-2">
      <p className="min-w-60 flex-1">
        <b className="block text-lg">{own.name}</b>
        <span className="text-soft">{own.steps.map(stepWords).join(' → ')}</span>
      </p>
      <Button aria-label={`Change ${own.name}`} onClick={onEdit}>
        <Pencil className="size-5" aria-hidden />
      </Button>
      <Button
        variant="plain"
        aria-label={`Offer ${own.name} no longer`}
        busy={retire.isPending}
        onClick={() => retire.mutate({ params, body: { retired: true } })}
      >
        Offer no longer
      </Button>
    </div>
  );
}

function stepWords({ what, minutes, celsius, times }: OwnSequence['steps'][number]): string {
  const more = [
    minutes !== null && `${minutes} min`,
    celsius !== null && `${celsius} °C`,
    times > 1 && `${times} times`,
  ];
  return [what, ...more].filter(Boolean).join(', ');
}
