import { Fold } from '../../ui/Fold.tsx';
import { WANTED_ENDS } from '@eclat/contract/reception';
import { missingFor } from '@eclat/core/intake';
import { Plus } from 'lucide-react';
import { api } from '../../data/api.ts';
import { useCommand } from '../../data/useCommand.ts';
import { useKept } from '../../data/useDraft.ts';
import { Empty } from '../../ui/Answer.tsx';
import { Button } from '../../ui/Button.tsx';
import { Choice } from '../../ui/Choice.tsx';
import { TextField } from '../../ui/Field.tsx';
import { useThisVisit } from '../visit/useThisVisit.ts';

/** What is missing, with the evidence for it. What is still wanted after the visit stays on the clock's list. */
export function Missing() {
  const visit = useThisVisit();
  const params = { visitId: visit.id };
  const [form, setForm] = useKept<{ what: string; evidence: string } | null>(`missing.${visit.id}`, null);
  const want = useCommand(api.reception.addWanted, { what: 'Wanted', onSent: () => setForm(null) });
  const end = useCommand(api.reception.closeWanted, { what: 'Wanted' });
  const open = !visit.closedAt;
  const offered = missingFor(visit.movement.traits).filter((m) => !visit.wantedThings.some((w) => w.what === m.what));
  return (
    <Fold title="Missing, and wanted" says={visit.wantedThings.length > 0 && visit.wantedThings.length}>
      {visit.wantedThings.length === 0 ? (
        <Empty>
          Nothing is missing as far as it was seen: look for empty holes, clean patches, hooks with nothing on them.
        </Empty>
      ) : (
        <ul className="divide-y divide-line">
          {visit.wantedThings.map((w) => (
            <li key={w.id} className="flex flex-wrap items-center justify-between gap-x-4 gap-y-1 py-2">
              <span>
                <span className="text-lg font-bold">{w.what}</span>
                {w.evidence && <span className="block text-soft">{w.evidence}</span>}
              </span>
              <Choice
                hideLabel
                label={`${w.what} is`}
                value={w.ended ?? ''}
                disabled={!open}
                onChange={(ended) => end.mutate({ params: { ...params, wantedId: w.id }, body: { ended } })}
                onClear={() => end.mutate({ params: { ...params, wantedId: w.id }, body: { ended: null } })}
                options={WANTED_ENDS.map((e) => [e, e] as const)}
              />
            </li>
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
      {form && (
        <form
          className="mt-3 grid gap-3 rounded-xl border-2 border-steel p-3"
          onSubmit={(e) => {
            e.preventDefault();
            want.mutate({ params, body: form });
          }}
        >
          <TextField
            label="What is missing"
            value={form.what}
            onChange={(e) => setForm({ ...form, what: e.target.value })}
          />
          <TextField
            label="Evidence for it"
            value={form.evidence}
            onChange={(e) => setForm({ ...form, evidence: e.target.value })}
          />
          <div className="flex gap-3">
            <Button type="submit" variant="main" disabled={form.what.trim() === ''} busy={want.isPending}>
              Put it on the list
            </Button>
            <Button variant="plain" onClick={() => setForm(null)}>
              Close
            </Button>
          </div>
        </form>
      )}
    </Fold>
  );
}
