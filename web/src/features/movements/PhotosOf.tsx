import type { Entry } from '@eclat/contract';
import { useState } from 'react';

/** What a stranger’s entry names may be anything. */
const HASH = /^[0-9a-f]{64}$/;

/** Photos of one entry, as far as they are here: another shop’s stay with it until they are brought. */
export function PhotosOf({ sections }: Pick<Entry, 'sections'>) {
  const photos = sections.photos?.['photos'];
  if (!Array.isArray(photos)) return null;
  const named = (photos as { hash?: string; caption?: string; stage?: string }[]).flatMap(({ hash, caption, stage }) =>
    HASH.test(hash ?? '') ? [{ hash: hash!, said: caption || stage || 'Photo' }] : [],
  );
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
