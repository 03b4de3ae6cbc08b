import { Fold } from '../../ui/Fold.tsx';
import type { Visit } from '@eclat/contract';
import { PHASE_WHEN } from '@eclat/contract/strip';
import { Plus, Trash2 } from 'lucide-react';
import { api } from '../../data/api.ts';
import { useCommand } from '../../data/useCommand.ts';
import { useKept } from '../../data/useDraft.ts';
import { useTakeOut } from '../../data/useTakeOut.ts';
import { Empty } from '../../ui/Answer.tsx';
import { Button } from '../../ui/Button.tsx';
import { Choice } from '../../ui/Choice.tsx';
import { TextField } from '../../ui/Field.tsx';
import { useThisVisit } from '../visit/useThisVisit.ts';
import { PhotoPick, stripPhotos } from './PhotoPick.tsx';

interface Form {
  what: string;
  how: string;
  when: (typeof PHASE_WHEN)[number];
  photoId?: string | null;
}

/** Phases and marks, noted before parting; they come back at assembly, at the right moment. */
export function Phases() {
  const visit = useThisVisit();
  const params = { visitId: visit.id };
  const [form, setForm] = useKept<Form | null>(`phase.${visit.id}`, null);
  const add = useCommand(api.strip.addPhase, { what: 'Phase', onSent: () => setForm(null) });
  const { phases } = visit.strip;
  return (
    <Fold title="Phases and marks" says={phases.length > 0 && phases.length}>
      {phases.length === 0 && !form && (
        <Empty>Which tooth against which, the stop work, marks made: noted before parting.</Empty>
      )}
      <ul className="divide-y divide-line">
        {phases.map((p) => (
          <PhaseRow key={p.id} phase={p} />
        ))}
      </ul>
      {form ? (
        <form
          className="mt-2 flex flex-col gap-3"
          onSubmit={(e) => {
            e.preventDefault();
            add.mutate({ params, body: form });
          }}
        >
          <TextField
            autoFocus
            label="Phase or mark"
            placeholder="warning wheel"
            value={form.what}
            onChange={(e) => setForm({ ...form, what: e.target.value })}
          />
          <TextField
            label="How it stood"
            placeholder="pin half a turn from the lever"
            value={form.how}
            onChange={(e) => setForm({ ...form, how: e.target.value })}
          />
          <Choice
            label="It is set"
            value={form.when}
            onChange={(when) => setForm({ ...form, when })}
            options={PHASE_WHEN.map((w) => [w, w] as const)}
          />
          <PhotoPick
            photos={stripPhotos(visit)}
            value={form.photoId ?? null}
            onChange={(photoId) => setForm({ ...form, photoId })}
          />
          <div className="flex gap-3">
            <Button type="submit" variant="main" disabled={form.what.trim() === ''} busy={add.isPending}>
              Note it
            </Button>
            <Button variant="plain" onClick={() => setForm(null)}>
              Close
            </Button>
          </div>
        </form>
      ) : (
        !visit.closedAt && (
          <Button className="mt-2" onClick={() => setForm({ what: '', how: '', when: 'before the plates close' })}>
            <Plus className="size-5" aria-hidden />A phase or mark
          </Button>
        )
      )}
    </Fold>
  );
}

function PhaseRow({ phase: p }: { phase: Visit['strip']['phases'][number] }) {
  const visit = useThisVisit();
  const params = { visitId: visit.id };
  const phase = useTakeOut(api.strip.removePhase, 'Phase');
  return (
    <li className="flex items-start gap-2 py-2">
      {p.photoId && (
        <img
          src={`/api/photos/${p.photoId}/small`}
          alt={`How it stood: ${p.what}`}
          className="size-16 rounded-lg object-cover"
        />
      )}
      <span className="min-w-0 flex-1">
        <b>{p.what}</b>
        {p.how && <span className="block">{p.how}</span>}
        <span className="block text-sm text-soft">{p.when}</span>
      </span>
      {!visit.closedAt && (
        <button
          type="button"
          aria-label={`Take back: ${p.what}`}
          className="grid size-11 place-items-center rounded-lg hover:bg-danger-wash"
          onClick={() => phase({ params: { ...params, phaseId: p.id } })}
        >
          <Trash2 className="size-5" />
        </button>
      )}
    </li>
  );
}
