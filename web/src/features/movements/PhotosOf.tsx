import type { Entry } from '@eclat/contract';
import { photosIn } from '@eclat/core/record';
import { useState } from 'react';

/** Photos of one entry, as far as they are here: another shop’s stay with it until they are brought. */
export function PhotosOf({ sections }: Pick<Entry, 'sections'>) {
  const named = photosIn(sections);
  if (named.length === 0) return null;
  return (
    <ul className="mt-3 flex flex-wrap gap-2">
      {named.map((p, i) => (
        <Picture key={p.hash + String(i)} {...p} />
      ))}
    </ul>
  );
}

function Picture({ hash, said }: { hash: string; said: string }) {
  const [here, setHere] = useState(true);
  if (!here) return null;
  return (
    <li>
      <a href={`/api/photos/${hash}/large`} target="_blank" rel="noreferrer" title={said}>
        <img
          src={`/api/photos/${hash}/small`}
          alt={said}
          loading="lazy"
          onError={() => setHere(false)}
          className="h-24 w-32 rounded-lg border border-line object-cover"
        />
      </a>
    </li>
  );
}
