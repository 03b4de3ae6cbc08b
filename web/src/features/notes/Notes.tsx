import type { BodyOf } from '@eclat/contract';
import { noteFields } from '@eclat/contract/notes';
import { Trash2 } from 'lucide-react';
import type { z } from 'zod';
import { api } from '../../data/api.ts';
import { useCommand } from '../../data/useCommand.ts';
import { useContractForm } from '../../data/useContractForm.ts';
import { useTakeOut } from '../../data/useTakeOut.ts';
import { Button } from '../../ui/Button.tsx';
import { dayTime } from '../../ui/dates.ts';
import { unlessByFinger } from '../../ui/finger.ts';
import { TextArea } from '../../ui/Field.tsx';
import { useThisVisit } from '../visit/useThisVisit.ts';

/** What was told at the counter, and what somebody in the shop wants to remember: none of it goes into the record. */
export function Notes() {
  const visit = useThisVisit();
  const out = useTakeOut(api.notes.remove, 'Note');
  const told = [
    ['The owner says', visit.complaint],
    ['Wanted', visit.wanted],
    ['Not wanted', visit.notWanted],
    ['Out of scope', visit.outOfScope],
  ].filter(([, words]) => words !== '');
  return (
    <>
      {!visit.closedAt && <AddNote key={visit.id} />}
      <ul className="divide-y divide-line" aria-label="Notes">
        {visit.notes.toReversed().map((n) => (
          <li key={n.id} className="flex items-start gap-3 py-2">
            <p className="min-w-0 flex-1 text-lg whitespace-pre-line">
              {n.text}
              <span className="block text-sm text-soft">
                {n.by}, {dayTime(n.at)}
              </span>
            </p>
            {!visit.closedAt && (
              <button
                type="button"
                aria-label={`Take out the note: ${n.text.slice(0, 40)}`}
                className="grid size-11 shrink-0 place-items-center rounded-lg hover:bg-danger-wash"
                onClick={() => out({ params: { visitId: visit.id, noteId: n.id } })}
              >
                <Trash2 className="size-5" aria-hidden />
              </button>
            )}
          </li>
        ))}
      </ul>
      {told.length > 0 && (
        <>
          <h3 className="mt-5 mb-1 text-lg">Told at the counter</h3>
          <dl>
            {told.map(([name, words]) => (
              <div key={name} className="border-t border-line py-2">
                <dt className="text-sm text-soft">{name}</dt>
                <dd className="text-lg whitespace-pre-line">{words}</dd>
              </div>
            ))}
          </dl>
        </>
      )}
    </>
  );
}

function AddNote() {
  const visit = useThisVisit();
  const form = useContractForm<z.input<typeof noteFields>>(noteFields, { text: '' }, `note.${visit.id}`);
  const add = useCommand(api.notes.add, {
    what: 'Note',
    onFields: form.refused,
    onSent: () => {
      unlessByFinger(() => form.setFocus('text'));
      form.taken({ text: '' });
    },
  });
  const keep = form.handleSubmit((body: BodyOf<typeof api.notes.add>) =>
    add.mutate({ params: { visitId: visit.id }, body }),
  );
  return (
    <form className="mb-4 flex flex-col items-start gap-3" noValidate onSubmit={(e) => void keep(e)}>
      <TextArea
        className="w-full"
        label="Note"
        hint="For the shop alone: it stands in no record and on no paper."
        maxLength={1000}
        error={form.formState.errors.text?.message}
        onKeyDown={(e) => {
          if (e.key === 'Enter' && (e.ctrlKey || e.metaKey)) void keep(e);
        }}
        {...form.register('text')}
      />
      <Button type="submit" variant="main" busy={add.isPending}>
        Save the note
      </Button>
    </form>
  );
}
