import type { NamedPhoto } from '@eclat/core/record';
import { counted } from '@eclat/core/units';

interface Props {
  named: readonly NamedPhoto[];
  /** Photos that are not here: another shop’s stay with it until its book file brings them. */
  away: readonly string[];
}

/** Photos that entries name. */
export function PhotosOf({ named, away }: Props) {
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
