import { dateParts } from '@eclat/core/history';

/** When an entry was written: the year leads, so that a book is read like a shelf of years. */
export function DateOf({ date }: { date: string }) {
  const { year, rest } = dateParts(date);
  return (
    <p className="flex items-baseline gap-x-2 sm:block">
      <b className="text-2xl tabular-nums sm:block first-letter:uppercase">{year}</b>
      {rest && <span className="text-soft">{rest}</span>}
    </p>
  );
}
