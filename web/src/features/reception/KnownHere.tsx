import { dateInWords } from '@eclat/core/history';
import { useQuery } from '@tanstack/react-query';
import { BookOpen } from 'lucide-react';
import { useDeferredValue } from 'react';
import { api } from '../../data/api.ts';
import { fetched } from '../../data/fetched.ts';
import { useBook } from '../../data/queries.ts';
import { Button } from '../../ui/Button.tsx';

/** A movement that carries what is typed: its history is shown before anything is written. */
export function KnownHere({
  text,
  onTake,
  onAnother,
  another,
  but = null,
}: {
  text: string;
  onTake: (movementId: string) => void;
  onAnother?: () => void;
  another: boolean;
  /** Shown elsewhere on this screen. */
  but?: string | null;
}) {
  const q = useDeferredValue(text.trim());
  const { data } = useQuery({
    ...fetched(api.movements.like, { query: { text: q } }),
    enabled: q.length > 1,
  });
  const found = (data ?? []).filter((m) => m.id !== but);
  if (found.length === 0 || q.length < 2) return null;
  return (
    <ul aria-label="Known here" className="flex flex-col gap-2">
      {found.map((m) => (
        <li key={m.id} className="rounded-lg border-2 border-brass-fill bg-brass-wash p-3">
          <p className="flex flex-wrap items-center gap-x-3 gap-y-1">
            <BookOpen className="size-5 text-brass" aria-hidden />
            <b className="text-lg">
              {m.same ? 'It has been here' : 'Like it'}: {m.name}
            </b>
            <span>
              {m.code}, {m.marks.map((k) => `${k.text} on the ${k.place}`).join(', ')}
            </span>
          </p>
          {m.entries.length > 0 && (
            <ul className="mt-1">
              {m.entries.map((e) => (
                <li key={e.date + e.title}>
                  <b>{dateInWords(e.date)}</b> {e.title} <span className="text-soft">{e.shop}</span>
                </li>
              ))}
            </ul>
          )}
          <div className="mt-2 flex flex-wrap gap-2">
            {m.inTheShop ? (
              <span className="font-semibold text-brass">It stands in the shop now.</span>
            ) : (
              <Button variant="main" onClick={() => onTake(m.id)}>
                It is this one
              </Button>
            )}
            {m.same && !another && <Button onClick={onAnother}>It is another</Button>}
          </div>
        </li>
      ))}
    </ul>
  );
}

const SHOWN = 5;

/** The last of a known movement's book, before anything is written. */
export function Past({ movementId, name }: { movementId: string; name: string }) {
  const { data } = useBook(movementId);
  if (!data?.entries) return <p className="text-soft">{name}</p>;
  const { movement, entries } = data;
  return (
    <div>
      <p>
        <b>{movement.name}</b>, {movement.code}
        {movement.marks.length > 0 && `, ${movement.marks.map((k) => `${k.text} on the ${k.place}`).join(', ')}`}
      </p>
      {entries.length === 0 ? (
        <p className="text-soft">Nothing stands in its book yet.</p>
      ) : (
        <ul aria-label="Its history" className="mt-1">
          {entries
            .slice(-SHOWN)
            .reverse()
            .map((e) => (
              <li key={e.id}>
                <b>{dateInWords(e.date)}</b> {e.title}
                {e.text && `: ${e.text}`}
              </li>
            ))}
        </ul>
      )}
      {entries.length > SHOWN && <p className="text-soft">and {entries.length - SHOWN} earlier</p>}
    </div>
  );
}
