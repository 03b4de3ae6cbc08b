import type { Hit } from '@eclat/contract';
import { useQuery, keepPreviousData } from '@tanstack/react-query';
import { BookOpen } from 'lucide-react';
import { useDeferredValue, useState } from 'react';
import { useFormContext } from 'react-hook-form';
import { Link } from 'react-router';
import { api } from '../../data/api.ts';
import { fetched } from '../../data/fetched.ts';
import { Panel } from '../../ui/Answer.tsx';
import { SearchField } from '../../ui/SearchField.tsx';
import { NO_MOVEMENT, type IntakeForm } from '../reception/form.ts';

/**
 * Has it been here? Anything that the owner can say or show, spelt nearly right, before a second one is made by
 * accident.
 */
export function FindPart({ onOwner }: { onOwner: (name: string) => void }) {
  const { setValue } = useFormContext<IntakeForm>();
  const [typed, setTyped] = useState('');
  const q = useDeferredValue(typed.trim());
  const { data, error } = useQuery({
    ...fetched(api.search.anything, { query: { q } }),
    enabled: q.length > 2,
    placeholderData: keepPreviousData,
  });
  const hits = q.length > 2 ? data : undefined;
  const take = (hit: Hit) => {
    if (hit.ownerId) {
      setValue('ownerId', hit.ownerId);
      setValue('owner', undefined);
      onOwner(hit.owner);
    }
    setValue('clockId', hit.clockId ?? undefined);
    setValue('clock', hit.clockId ? undefined : { description: '' });
    setValue('movementId', hit.clockId ? undefined : (hit.movementId ?? undefined));
    setValue('movement', hit.movementId ? undefined : NO_MOVEMENT);
    setTyped('');
  };
  return (
    <Panel className="lg:col-span-2">
      <SearchField
        first
        showLabel
        label="Has it been here?"
        value={typed}
        placeholder="Name, phone, claim, number, mark, code, words of a complaint"
        onChange={setTyped}
        onKeyDown={(e) => {
          if (e.key === 'Enter') e.preventDefault();
          if (e.key === 'Escape') setTyped('');
        }}
      />
      {error && (
        <p className="mt-2 text-soft" role="status">
          The search is away: {error.message}
        </p>
      )}
      {hits && hits.length === 0 && (
        <p className="mt-3 text-soft" role="status">
          Nothing like that was here before. Take it in below.
        </p>
      )}
      {hits && hits.length > 0 && (
        <ul
          aria-label="What was found"
          className="mt-3 flex max-h-96 flex-col divide-y divide-line overflow-y-auto rounded-lg border border-line"
        >
          {hits.map((h) => (
            <Found key={`${h.ownerId} ${h.clockId} ${h.movementId}`} hit={h} onTake={() => take(h)} />
          ))}
        </ul>
      )}
    </Panel>
  );
}

function Found({ hit, onTake }: { hit: Hit; onTake: () => void }) {
  const words = (
    <span className="min-w-0 flex-1">
      <span className="block text-lg font-bold">{hit.clock || hit.movement || hit.owner}</span>
      <span className="block text-sm text-soft">
        {[hit.owner, hit.clock ? hit.movement : '', hit.code].filter(Boolean).join(' · ')}
        {hit.why && `. Found in: ${hit.why}`}
      </span>
    </span>
  );
  return (
    <li className="flex flex-wrap items-center gap-3 px-3 py-1.5">
      {hit.openVisitId ? (
        <Link
          to={`/visits/${hit.openVisitId}`}
          className="flex min-h-12 flex-1 items-center gap-3 rounded-lg hover:bg-steel-wash"
        >
          {words}
          <span className="font-semibold text-brass">In the shop now</span>
        </Link>
      ) : (
        <button
          type="button"
          onClick={onTake}
          className="flex min-h-12 flex-1 items-center gap-3 rounded-lg text-left hover:bg-steel-wash"
        >
          {words}
          <span className="font-semibold text-steel">It is this one</span>
        </button>
      )}
      {hit.movementId && (
        <Link
          to={`/movements/${hit.movementId}`}
          className="flex min-h-12 items-center gap-2 px-2 font-semibold text-steel"
        >
          <BookOpen className="size-5" aria-hidden />
          Its book
        </Link>
      )}
    </li>
  );
}
