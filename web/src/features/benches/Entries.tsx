import type { BenchEntry } from '@eclat/contract';
import { benchWords, isTableTest } from '@eclat/core/benches';
import { Pencil, Trash2 } from 'lucide-react';
import { useState, type ReactNode } from 'react';
import { api } from '../../data/api.ts';
import { useTakeOut } from '../../data/useTakeOut.ts';
import { dayTime } from '../../ui/dates.ts';
import { unlessByFinger } from '../../ui/finger.ts';
import { useThisVisit } from '../visit/useThisVisit.ts';
import type { Correcting } from './useBenchForm.ts';

interface Props {
  entries: readonly BenchEntry[];
  what: string;
  /** The form of an entry that is corrected. */
  form?: (correcting: Correcting) => ReactNode;
}

/** What was entered at this bench on this visit, each to be corrected or taken out while the visit is open. */
export function Entries({ entries, what, form }: Props) {
  // As it stood when it was opened: what somebody else makes of it meanwhile becomes a choice.
  const [corrected, setCorrected] = useState<BenchEntry | null>(null);
  if (entries.length === 0) return null;
  return (
    <ul className="mb-4 divide-y divide-line" aria-label={what}>
      {entries.map((e) => (
        <li key={e.id} className="py-1">
          {form && corrected?.id === e.id ? (
            <div ref={toFirst} className="rounded-lg border-2 border-steel p-3">
              {form({ entry: corrected, onEnd: () => setCorrected(null) })}
            </div>
          ) : (
            <Line entry={e} what={what} onCorrect={form && isTableTest(e.test) ? () => setCorrected(e) : undefined} />
          )}
        </li>
      ))}
    </ul>
  );
}

/** Who opens it by the keyboard types on at once; a finger is not shown a keyboard. */
const toFirst = (at: HTMLElement | null): void => {
  if (at) unlessByFinger(() => at.querySelector<HTMLElement>('input, textarea, [role="radio"]')?.focus());
};

const ROUND = 'grid size-11 shrink-0 place-items-center rounded-lg';

function Line({ entry: e, what, onCorrect }: { entry: BenchEntry; what: string; onCorrect: (() => void) | undefined }) {
  const visit = useThisVisit();
  const out = useTakeOut(api.benches.remove, what);
  const params = { visitId: visit.id };
  return (
    <div className="flex items-center gap-1">
      <span className="min-w-0 flex-1">
        {benchWords(e.test, visit.movement.traits)}{' '}
        <span className="text-sm text-soft">
          {e.by}, {dayTime(e.at)}
        </span>
      </span>
      {!visit.closedAt && onCorrect && (
        <button
          type="button"
          aria-label={`Change: ${what.toLowerCase()}`}
          className={`${ROUND} hover:bg-steel-wash`}
          onClick={onCorrect}
        >
          <Pencil className="size-5" />
        </button>
      )}
      {!visit.closedAt && (
        <button
          type="button"
          aria-label={`Take out: ${what.toLowerCase()}`}
          className={`${ROUND} hover:bg-danger-wash`}
          onClick={() => out({ params: { ...params, testId: e.id } })}
        >
          <Trash2 className="size-5" />
        </button>
      )}
    </div>
  );
}
