import { newPart, OLD_PART_FATES, PART_SOURCES } from '@eclat/contract';
import { api } from '../api/doors.ts';
import { zodResolver } from '@hookform/resolvers/zod';
import { useForm } from 'react-hook-form';
import type { z } from 'zod';
import { useCommand } from '../api/useCommand.ts';
import { useDraft } from '../api/useDraft.ts';
import { say } from '../store.ts';
import { Button } from '../ui/Button.tsx';
import { SelectField, TextField } from '../ui/Field.tsx';
import { useThisVisit } from '../visit/thisVisit.ts';

type Fields = z.input<typeof newPart>;
const EMPTY: Fields = { what: '', why: '', source: 'new', size: '', oldPart: 'returned to the owner' };

export function PartForm() {
  const visit = useThisVisit();
  const form = useForm<Fields>({ resolver: zodResolver(newPart) as never, defaultValues: EMPTY });
  const draft = useDraft(form, `part.${visit.id}`);
  const add = useCommand(api.fitting.addPart, { what: 'Part fitted', onSent: () => { form.reset(EMPTY); draft.clear(); }, onDone: () => say('Part entered.') });
  const { errors } = form.formState;
  return (
    <form className="mt-4 grid gap-4 border-t border-line pt-4 sm:grid-cols-2 xl:grid-cols-3" noValidate onSubmit={(e) => void form.handleSubmit((body) => add.mutate({ params: { visitId: visit.id }, body }))(e)}>
      <TextField label="What was fitted" placeholder="Suspension spring" error={errors.what?.message} {...form.register('what')} />
      <TextField label="Size" placeholder="0.10 × 6 × 22 mm" error={errors.size?.message} {...form.register('size')} />
      <TextField label="Why" error={errors.why?.message} {...form.register('why')} />
      <SelectField label="Where it came from" {...form.register('source')}>{PART_SOURCES.map((s) => <option key={s}>{s}</option>)}</SelectField>
      <SelectField label="What became of the old part" {...form.register('oldPart')}>{OLD_PART_FATES.map((s) => <option key={s}>{s}</option>)}</SelectField>
      <div className="flex items-end"><Button type="submit" look="main" busy={add.isPending}>Enter the part</Button></div>
    </form>
  );
}
