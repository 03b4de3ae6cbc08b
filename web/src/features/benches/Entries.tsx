import type { BenchEntry } from '@eclat/contract';
import { benchWords } from '@eclat/core/benches';
import { Trash2 } from 'lucide-react';
import { api } from '../../data/api.ts';
import { useRemove } from '../../data/useRemove.ts';
import { dayTime } from '../../ui/dates.ts';
import { useThisVisit } from '../visit/useThisVisit.ts';

/** What was entered at this bench on this visit, each to be taken out while the visit is open. */
export function Entries({ entries, what }: { entries: readonly BenchEntry[]; what: string }) {
  const visit = useThisVisit();
  const out = useRemove(api.benches.remove, api.benches.add, what);
  if (entries.length === 0) return null;
  return (
    <ul className="mb-4 divide-y divide-line" aria-label={what}>
      {entries.map((e) => (
        <li key={e.id} className="flex items-center gap-3 py-1">
          <span className="min-w-0 flex-1">
            {benchWords(e.test, visit.movement.traits)}{' '}
            <span className="text-sm text-soft">
              {e.by}, {dayTime(e.at)}
            </span>
          </span>
          {!visit.closedAt && (
            <button
              type="button"
              aria-label={`Take out: ${what.toLowerCase()}`}
              className="grid size-11 place-items-center rounded-lg hover:bg-danger-wash"
              onClick={() =>
                out(
                  { params: { visitId: visit.id, testId: e.id } },
                  { params: { visitId: visit.id }, body: { test: e.test } },
                )
              }
            >
              <Trash2 className="size-5" />
            </button>
          )}
        </li>
      ))}
    </ul>
  );
}
