import type { Entry } from '@eclat/contract';
import { dateInWords } from '@eclat/core/history';
import type { InscribedThing } from '@eclat/core/record';
import { counted, sentence } from '@eclat/core/units';
import { Fold } from '../../ui/Fold.tsx';
import { PhotosOf } from './PhotosOf.tsx';
import { Reading } from './Reading.tsx';

interface Props {
  things: readonly InscribedThing<Entry>[];
  /** Hashes of photos that are not here. */
  away: readonly string[];
}

/** What stands on the clock, thing by thing, with the hands told apart. */
export function Inscriptions({ things, away }: Props) {
  if (things.length === 0) return null;
  // A board that generations signed comes before a single scratch.
  const mostFirst = [...things].sort((a, b) => b.lines.length - a.lines.length);
  const lines = things.flatMap((t) => t.lines);
  const hands = new Set(lines.map((l) => l.hand)).size;
  return (
    <Fold
      title="What is written on it"
      says={`${counted(lines.length, 'inscription')}, ${counted(hands, 'hand')}`}
      open={things.some((t) => t.photos.length > 0)}
    >
      <ul className="gap-x-8 lg:columns-2">
        {mostFirst.map((thing) => (
          <Thing key={thing.title + thing.lines[0]!.entry.id} thing={thing} away={away} />
        ))}
      </ul>
    </Fold>
  );
}

function Thing({ thing: { title, photos, lines }, away }: { thing: InscribedThing<Entry>; away: readonly string[] }) {
  return (
    <li className="mb-5 min-w-0 break-inside-avoid last:mb-0">
      <h3 className="text-lg">{sentence(title)}</h3>
      <PhotosOf named={photos} away={away} />
      <ol className="mt-1 flex flex-col gap-1">
        {lines.map(({ entry, hand, likely, ownHand, how }) => (
          <li key={entry.id}>
            <a href={`#${entry.id}`} className="flex min-h-11 items-start gap-3 rounded-lg py-1 hover:bg-sunk">
              <span
                className={
                  'mt-0.5 grid size-7 shrink-0 place-items-center rounded-full border border-line ' +
                  'text-sm font-bold'
                }
                title={`Hand ${hand}${likely ? ', likely' : ''}`}
              >
                <span className="sr-only">Hand </span>
                {hand}
                {likely && '?'}
              </span>
              <span className="min-w-0">
                <span className="block text-lg italic">
                  <Reading text={entry.text} />
                </span>
                <span className="block text-sm text-soft">
                  {[
                    dateInWords(entry.date),
                    how,
                    title !== entry.place && entry.place,
                    ownHand && `by ${entry.signedBy}`,
                  ]
                    .filter(Boolean)
                    .join(' · ')}
                </span>
              </span>
            </a>
          </li>
        ))}
      </ol>
    </li>
  );
}
