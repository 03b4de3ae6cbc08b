import type { BenchRow } from '@eclat/contract';
import { bare } from '@eclat/core/units';
import { daysUntil } from '../../ui/dates.ts';
import type { BenchView } from './useBenchView.ts';

const WEEK_DAYS = 7;

/** `days` from today to the promised day; null where none is promised. */
export const PROMISES = {
  late: { name: 'Promised and late', has: (days: number | null) => days !== null && days < 0 },
  week: {
    name: 'Promised within a week',
    has: (days: number | null) => days !== null && days >= 0 && days <= WEEK_DAYS,
  },
  later: { name: 'Promised for later', has: (days: number | null) => days !== null && days > WEEK_DAYS },
  none: { name: 'No date promised', has: (days: number | null) => days === null },
} as const;
export type Promised = keyof typeof PROMISES;

const typed = (words: string): string => bare(words).toLowerCase();
/** Each word is in it somewhere, with or without its accents: clock, owner, claim or code. */
export const matches = (r: BenchRow, q: string) => {
  const all = typed(`${r.clock} ${r.owner} ${r.claim} ${r.movementCode}`);
  return typed(q)
    .split(/\s+/)
    .every((w) => all.includes(w));
};

/** The clocks that are asked for. A filter that is not known, as of an old address, filters nothing. */
export function tableRows(rows: readonly BenchRow[], view: BenchView, now: number): BenchRow[] {
  const promised = Object.hasOwn(PROMISES, view.promise) ? PROMISES[view.promise as Promised] : null;
  return rows.filter(
    (r) =>
      matches(r, view.q) &&
      (!view.stage || r.next.stage === view.stage) &&
      (!view.person || r.workedBy === view.person) &&
      (!view.family || r.familyId === view.family) &&
      (!promised || promised.has(r.promisedFor === null ? null : daysUntil(r.promisedFor, now))),
  );
}
