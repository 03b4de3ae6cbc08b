import { missingFor } from '@eclat/core/intake';
import { Plus } from 'lucide-react';
import { Empty } from '../../ui/Answer.tsx';
import { Button } from '../../ui/Button.tsx';
import { useKept } from '../../data/useDraft.ts';
import { Fold } from '../../ui/Fold.tsx';
import { useThisVisit } from '../visit/useThisVisit.ts';
import { WantedForm } from './WantedForm.tsx';
import { WantedRow } from './WantedRow.tsx';

type Begun = { what: string; evidence: string } | null;

/** What is missing, with the evidence for it. What is still wanted after the visit stays on the clock's list. */
export function Missing({ short = false }: { /** Beside other work: only what is wanted already. */ short?: boolean }) {
  const visit = useThisVisit();
  const [form, setForm] = useKept<Begun>(`missing.${visit.id}`, null);
  const open = !visit.closedAt;
  const left = visit.wantedThings.filter((w) => w.ended === null).length;
  const offered = missingFor(visit.movement.traits).filter((m) => !visit.wantedThings.some((w) => w.what === m.what));
  if (short && visit.wantedThings.length === 0) return null;
  return (
    <Fold title="Missing, and wanted" says={visit.wantedThings.length > 0 && `${left} of ${visit.wantedThings.length}`}>
      {visit.wantedThings.length === 0 ? (
        <Empty>
          Nothing is missing as far as it was seen: look for empty holes, clean patches, hooks with nothing on them.
        </Empty>
      ) : (
        <ul className="divide-y divide-line">
          {visit.wantedThings.map((w) => (
            <WantedRow key={w.id} thing={w} />
          ))}
        </ul>
      )}
      {open && !form && (
        <details className="mt-3" open={visit.wantedThings.length > 0 ? undefined : false}>
          <summary className="min-h-11 cursor-pointer font-semibold">Something is missing</summary>
          <div className="mt-2 flex flex-wrap gap-2">
            {[...offered, { what: '', evidence: '' }].map((m) => (
              <Button key={m.what} title={m.evidence} onClick={() => setForm(m)}>
                <Plus className="size-5" aria-hidden />
                {m.what || 'Something else'}
              </Button>
            ))}
          </div>
        </details>
      )}
      {open && form && <WantedForm thing={null} begins={form} onClose={() => setForm(null)} />}
    </Fold>
  );
}
