import { bothOf, type NamedPhoto, type PhotoPair } from '@eclat/core/record';
import { byCount, counted } from '@eclat/core/units';
import type { ReactNode } from 'react';
import { useFew } from '../../ui/Few.tsx';

/** So many stand there at once; the others come by a press. */
const FIRST = 6;

interface Props {
  named: readonly NamedPhoto[];
  /** Photos that show the same, before and after. */
  pairs?: readonly PhotoPair[];
  /** Photos that are not here: another shop’s stay with it until its book file brings them. */
  away: readonly string[];
}

/** Photos that entries name: first what shows the same before and after. */
export function PhotosOf({ named, pairs = [], away }: Props) {
  const isHere = (hash: string) => !away.includes(hash);
  const here = named.filter((p) => isHere(p.hash));
  const both = pairs.filter((p) => isHere(p.before) && isHere(p.after));
  // Of a pair that is here by half, the half is shown as a photo by itself.
  const halves = pairs.filter((p) => !both.includes(p)).flatMap(bothOf);
  const single = [...here, ...halves.filter((p) => isHere(p.hash))];
  const [shown, more] = useFew(single, FIRST, 'photos');
  const missing = named.length - here.length + halves.filter((p) => !isHere(p.hash)).length;
  return (
    <>
      {both.length > 0 && (
        <ul className="mt-3 grid max-w-xl gap-3">
          {both.map(({ said, before, after }, i) => (
            <li key={before + after + String(i)}>
              <figure>
                <div className="grid grid-cols-2 gap-0.5 overflow-hidden rounded-lg border border-line">
                  <Half hash={before} label="Before" said={said} />
                  <Half hash={after} label="After" said={said} />
                </div>
                {said && <figcaption className="text-sm text-soft">{said}</figcaption>}
              </figure>
            </li>
          ))}
        </ul>
      )}
      {single.length > 0 && (
        <ul className="mt-3 flex flex-wrap gap-2">
          {shown.map(({ hash, said }, i) => (
            <li key={hash + String(i)}>
              <Large hash={hash} said={said}>
                <img
                  src={`/api/photos/${hash}/small`}
                  alt={said}
                  loading="lazy"
                  className="h-24 w-32 rounded-lg border border-line object-cover"
                />
              </Large>
            </li>
          ))}
        </ul>
      )}
      {more}
      {missing > 0 && (
        <p className="mt-1 text-sm text-soft">
          {counted(missing, 'photo')} not here: its book file brings {byCount(missing, 'it', 'them')}.
        </p>
      )}
    </>
  );
}

const Large = ({ hash, said, children }: { hash: string; said: string; children: ReactNode }) => (
  <a href={`/api/photos/${hash}/large`} target="_blank" rel="noreferrer" title={said}>
    {children}
  </a>
);

const Half = ({ hash, label, said }: { hash: string; label: string; said: string }) => (
  <Large hash={hash} said={label}>
    <span className="relative block">
      <img
        src={`/api/photos/${hash}/medium`}
        alt={[label, said].filter(Boolean).join(': ')}
        loading="lazy"
        className="aspect-[4/3] w-full object-cover"
      />
      <span className="absolute top-1 left-1 rounded bg-enamel px-1.5 text-sm font-semibold">{label}</span>
    </span>
  </Large>
);
