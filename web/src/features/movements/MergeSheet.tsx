import type { Movement } from '@eclat/contract';
import { useState } from 'react';
import { api } from '../../data/api.ts';
import { useMovements } from '../../data/queries.ts';
import { useCommand } from '../../data/useCommand.ts';
import { useKept } from '../../data/useDraft.ts';
import { say } from '../../data/app-state.ts';
import { Button } from '../../ui/Button.tsx';
import { TextField } from '../../ui/Field.tsx';
import { Sheet } from '../../ui/Sheet.tsx';

/** Two books that were found to be one movement's. This one keeps its code; both histories stand in it. */
export function MergeSheet({ movement, onClose }: { movement: Movement; onClose: () => void }) {
  const [q, setQ] = useState('');
  const [other, setOther, forgetOther] = useKept<{ id: string; code: string; name: string } | null>(
    `merge.${movement.id}`,
    null,
  );
  const [why, setWhy, forgetWhy] = useKept(`merge.${movement.id}.why`, '');
  const { data } = useMovements(q);
  const merge = useCommand(api.movements.merge, {
    what: 'Merger',
    onSent: () => (forgetOther(), forgetWhy(), onClose()),
    onDone: () => say('One book now, with both histories.'),
  });
  return (
    <Sheet
      open
      onClose={onClose}
      title={`${movement.code} is also …`}
      description="The other code leads here from now on. No entry is changed, none is lost; they can be parted again."
    >
      {other ? (
        <form
          className="flex flex-col gap-4"
          onSubmit={(e) => {
            e.preventDefault();
            merge.mutate({ params: { movementId: movement.id }, body: { otherId: other.id, why } });
          }}
        >
          <p className="text-lg">
            <b>{other.code}</b>, {other.name}
          </p>
          <TextField
            autoFocus
            label="How it was found"
            placeholder="same scratch below the crutch"
            value={why}
            onChange={(e) => setWhy(e.target.value)}
          />
          <div className="flex gap-3">
            <Button type="submit" variant="main" disabled={why.trim() === ''} busy={merge.isPending}>
              They are one
            </Button>
            <Button onClick={() => setOther(null)}>Another one</Button>
          </div>
        </form>
      ) : (
        <>
          <TextField
            autoFocus
            label="Find the other book"
            placeholder="Code, mark or name"
            value={q}
            onChange={(e) => setQ(e.target.value)}
          />
          <ul className="mt-3 max-h-80 overflow-y-auto rounded-lg border border-line">
            {data?.items
              .filter((m) => m.id !== movement.id)
              .slice(0, 12)
              .map((m) => (
                <li key={m.id} className="border-b border-line last:border-b-0">
                  <button
                    type="button"
                    className="flex min-h-12 w-full flex-wrap items-center gap-x-3 px-3 text-left hover:bg-steel-wash"
                    onClick={() => setOther(m)}
                  >
                    <b>{m.code}</b>
                    {m.name}
                    <span className="ml-auto text-soft">{m.marks.map((k) => k.text).join(', ')}</span>
                  </button>
                </li>
              ))}
          </ul>
        </>
      )}
    </Sheet>
  );
}
