import { visitFields } from '@eclat/contract';
import { api } from '../api/doors.ts';
import { familyById } from '@eclat/core/movement';
import { zodResolver } from '@hookform/resolvers/zod';
import { useEffect } from 'react';
import { useForm } from 'react-hook-form';
import { useCommand } from '../api/useCommand.ts';
import { say } from '../store.ts';
import { Answer, Empty, Panel } from '../ui/Answer.tsx';
import { Button } from '../ui/Button.tsx';
import { TextArea, TextField } from '../ui/Field.tsx';
import { Cautions } from '../visit/Cautions.tsx';
import { Photos } from '../visit/Photos.tsx';
import { StageFoot } from '../visit/StageFoot.tsx';
import { useThisVisit } from '../visit/thisVisit.ts';

const LABELS = { complaint: 'What the owner says is wrong', wanted: 'Wanted', notWanted: 'Not wanted', promisedFor: 'Promised for' };

/** What was written at the counter, with what can still be put right. */
export function Component() {
  const visit = useThisVisit();
  const { movement, owner } = visit;
  return (
    <>
      <Answer tone={visit.photos.length === 0 ? 'due' : 'info'} title={visit.photos.length === 0 ? 'No photograph yet: take them before anybody touches it' : `“${visit.complaint}”`} />
      <Cautions stage="intake" />
      <Photos stage="intake" />
      <div className="grid gap-5 xl:grid-cols-2">
        <Scope key={visit.version} />
        <Panel title="Owner, movement, things received">
          <dl className="grid grid-cols-[auto_1fr] gap-x-5 gap-y-2">
            <dt className="text-soft">Owner</dt><dd className="font-semibold">{owner.name}<span className="block font-normal whitespace-pre-line">{[owner.phone, owner.email, owner.address].filter(Boolean).join('\n')}</span></dd>
            <dt className="text-soft">Movement</dt><dd><span className="font-semibold">{movement.name}</span><span className="block">{familyById(movement.familyId).name}</span></dd>
            <dt className="text-soft">Marks</dt><dd>{movement.marks.length === 0 ? 'None recorded' : movement.marks.map((m) => <span key={m.place + m.text} className="block"><span className="font-semibold">{m.text}</span> on the {m.place}</span>)}</dd>
          </dl>
          <h3 className="mt-4 mb-2 text-lg">Came with it</h3>
          {visit.received.length === 0 ? <Empty>Nothing came with it.</Empty> : (
            <ol className="list-decimal pl-6">{visit.received.map((r) => <li key={r.id} className="py-0.5"><span className="font-semibold">{r.what}</span>{r.condition && <span className="text-soft">, {r.condition}</span>}</li>)}</ol>
          )}
        </Panel>
      </div>
      <StageFoot stage="intake" />
    </>
  );
}

function Scope() {
  const visit = useThisVisit();
  const form = useForm({ resolver: zodResolver(visitFields), defaultValues: { complaint: visit.complaint, wanted: visit.wanted, notWanted: visit.notWanted, promisedFor: visit.promisedFor } });
  const change = useCommand(api.visits.change, { what: 'Complaint and scope', labels: LABELS, onDone: () => say('Kept.') });
  const { errors, isDirty, dirtyFields } = form.formState;
  useEffect(() => {
    const ask = (e: BeforeUnloadEvent) => { if (isDirty) e.preventDefault(); };
    window.addEventListener('beforeunload', ask);
    return () => window.removeEventListener('beforeunload', ask);
  }, [isDirty]);
  const closed = visit.closedAt !== null;
  return (
    <Panel title="Complaint and scope">
      <form className="flex flex-col gap-4" noValidate onSubmit={(e) => void form.handleSubmit((values) => {
        const changed = Object.fromEntries(Object.entries(values).filter(([k]) => k in dirtyFields));
        change.mutate({ params: { visitId: visit.id }, body: { ...changed, version: visit.version } });
      })(e)}>
        <TextArea label={LABELS.complaint} readOnly={closed} error={errors.complaint?.message} {...form.register('complaint')} />
        <TextArea label={LABELS.wanted} rows={2} readOnly={closed} {...form.register('wanted')} />
        <TextArea label={LABELS.notWanted} rows={2} readOnly={closed} {...form.register('notWanted')} />
        <TextField label={LABELS.promisedFor} type="date" readOnly={closed} {...form.register('promisedFor', { setValueAs: (v: string | null) => v || null })} />
        {!closed && <Button type="submit" look="main" className="self-start" disabled={!isDirty} busy={change.isPending}>Keep changes</Button>}
      </form>
    </Panel>
  );
}
