import type { WantedHere } from '@eclat/contract';
import { Link } from 'react-router';

/** What lies in the stores that may be it: for a person to look. */
export function Matches({ matches }: { matches: WantedHere['matches'] }) {
  if (matches.length === 0) return null;
  return (
    <p className="rounded-lg bg-good-wash px-3 py-2">
      <b className="text-good">May be in the stores:</b>{' '}
      {matches.map((m, i) => (
        <span key={m.itemId}>
          {i > 0 && ', '}
          <Link className="font-semibold text-steel underline" to={`/stores?item=${m.itemId}`}>
            {m.name}
          </Link>
          {m.shelf && `, ${m.shelf}`}
        </span>
      ))}
    </p>
  );
}
