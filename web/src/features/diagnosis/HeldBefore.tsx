import type { Visit } from '@eclat/contract';
import { dayTime } from '../../ui/dates.ts';

/** What was held before, with who and when, and why it is held otherwise now: the later leads, both stand. */
export function HeldBefore({
  visit,
  of,
  words = (said) => said,
}: {
  visit: Visit;
  of: string;
  words?: (said: string) => string;
}) {
  const before = visit.earlierWords.filter((w) => w.of === of).toReversed();
  if (before.length === 0) return null;
  return (
    <ul className="mt-2 text-soft">
      {before.map((w) => (
        <li key={w.at + w.said}>
          Before: <span className="line-through decoration-1">{words(w.said)}</span>
          {w.why && `. ${w.why}`}{' '}
          <span className="text-sm">
            {w.by && `${w.by}, `}
            {dayTime(w.at)}
          </span>
        </li>
      ))}
    </ul>
  );
}
