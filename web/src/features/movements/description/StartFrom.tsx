import { Fold } from '../../../ui/Fold.tsx';
import { FAMILIES, familyById, type Traits } from '@eclat/core/movement';
import { useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { api } from '../../../data/api.ts';
import { fetched } from '../../../data/fetched.ts';
import { useMovements } from '../../../data/queries.ts';
import { SelectField, TextField } from '../../../ui/Field.tsx';

const SHOWN = 5;
const SHORTEST = 2;

/** A template, or a movement that was here and is of the same type: only starting values. */
export function StartFrom({
  familyId,
  onPick,
}: {
  familyId: string;
  onPick: (traits: Traits, familyId: string) => void;
}) {
  const [q, setQ] = useState('');
  return (
    <Fold title="Start from a template, or a movement like it">
      <div className="grid items-start gap-4 sm:grid-cols-2">
        <SelectField
          label="A template"
          value={familyId}
          hint={FAMILIES.find((f) => f.id === familyId)?.special}
          onChange={(e) => e.target.value && onPick(familyById(e.target.value).traits, e.target.value)}
        >
          <option value="">Choose …</option>
          {FAMILIES.map((f) => (
            <option key={f.id} value={f.id}>
              {f.name}
            </option>
          ))}
        </SelectField>
        <div>
          <TextField
            label="Or a movement like it"
            placeholder="Code, maker’s mark, number or name"
            value={q}
            onChange={(e) => setQ(e.target.value)}
          />
          {q.trim().length >= SHORTEST && <Like q={q} onPick={onPick} onDone={() => setQ('')} />}
        </div>
      </div>
    </Fold>
  );
}

function Like({
  q,
  onPick,
  onDone,
}: {
  q: string;
  onPick: (traits: Traits, familyId: string) => void;
  onDone: () => void;
}) {
  const { data } = useMovements(q);
  const client = useQueryClient();
  const pick = async (movementId: string) => {
    const { movement } = await client.fetchQuery(fetched(api.movements.book, { params: { movementId } }));
    onPick(movement.traits, movement.familyId);
    onDone();
  };
  if (data?.items.length === 0) return <p className="mt-2 text-soft">No movement matches “{q}”.</p>;
  return (
    <ul aria-label="Movements like it" className="mt-2 flex flex-col gap-1">
      {data?.items.slice(0, SHOWN).map((m) => (
        <li key={m.id}>
          <button
            type="button"
            className={
              'flex min-h-12 w-full items-center gap-3 rounded-lg border border-line px-3 ' +
              'text-left hover:bg-steel-wash'
            }
            onClick={() => void pick(m.id)}
          >
            <b className="truncate">{m.name}</b>
            <span className="ml-auto shrink-0 text-sm text-soft">{m.code}</span>
          </button>
        </li>
      ))}
    </ul>
  );
}
