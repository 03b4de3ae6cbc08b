import type { Entry } from '@eclat/contract';
import { photosIn } from '@eclat/core/record';
import { counted } from '@eclat/core/units';

interface Props extends Pick<Entry, 'sections'> {
  /** Photos that are not here: another shop’s stay with it until its book file brings them. */
  away: readonly string[];
}

/** Photos of one entry. */
export function PhotosOf({ sections, away }: Props) {
  const named = photosIn(sections);
  const here = named.filter((p) => !away.includes(p.hash));
  const missing = named.length - here.length;
  return (
    <>
      {here.length > 0 && (
        <ul className="mt-3 flex flex-wrap gap-2">
          {here.map(({ hash, said }, i) => (
            <li key={hash + String(i)}>
              <a href={`/api/photos/${hash}/large`} target="_blank" rel="noreferrer" title={said}>
                <img
                  src={`/api/photos/${hash}/small`}
                  alt={said}
                  loading="lazy"
                  className="h-24 w-32 rounded-lg border border-line object-cover"
                />
              </a>
            </li>
          ))}
        </ul>
      )}
      {missing > 0 && (
        <p className="mt-1 text-sm text-soft">
          {counted(missing, 'photo')} not here: its book file brings {missing === 1 ? 'it' : 'them'}.
        </p>
      )}
    </>
  );
}
