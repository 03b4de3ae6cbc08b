import { useState } from 'react';
import { useMovements, useStores } from '../../data/queries.ts';
import { Button } from '../../ui/Button.tsx';
import { TextField } from '../../ui/Field.tsx';

const MOST_SHOWN = 4;

/** A movement found by its code or by what stands on it. Its book will say what it gave. */
export function DonorField({
  own,
  error,
  onPick,
}: {
  own: string;
  error: string | undefined;
  onPick: (id: string | null) => void;
}) {
  const [q, setQ] = useState('');
  const [picked, setPicked] = useState<string | null>(null);
  const donors = (useStores().data ?? []).filter((i) => i.kept && i.movementId !== null && i.movementId !== own);
  const { data } = useMovements(q.trim().length > 1 ? q : '');
  const found = q.trim().length > 1 && !picked ? (data?.items ?? []).filter((m) => m.id !== own) : [];
  return (
    <div className="sm:col-span-2 xl:col-span-3">
      <TextField
        label="Which movement gave it"
        placeholder="Its code, or a number on it"
        value={q}
        error={error}
        hint={picked ? 'Its book will say so.' : 'A donor of the stores, or a movement of any book.'}
        onChange={(e) => {
          setQ(e.target.value);
          setPicked(null);
          onPick(null);
        }}
      />
      {q === '' && donors.length > 0 && (
        <div className="mt-2 flex flex-wrap gap-2" role="group" aria-label="Donors in the stores">
          {donors.map((d) => (
            <Button
              key={d.id}
              onClick={() => {
                setPicked(d.movementId);
                setQ(`${d.movementCode}, ${d.name}`);
                onPick(d.movementId);
              }}
            >
              <b>{d.movementCode}</b> {d.name}
            </Button>
          ))}
        </div>
      )}
      {q.trim().length > 1 && !picked && data && found.length === 0 && (
        <p className="mt-1 text-soft">No movement is found by “{q}”.</p>
      )}
      <div className="mt-2 flex flex-wrap gap-2">
        {found.slice(0, MOST_SHOWN).map((m) => (
          <Button
            key={m.id}
            onClick={() => {
              setPicked(m.id);
              setQ(`${m.code}, ${m.name}`);
              onPick(m.id);
            }}
          >
            <b>{m.code}</b> {m.name}
          </Button>
        ))}
      </div>
    </div>
  );
}
