import { Fold } from '../../ui/Fold.tsx';
import type { BodyOf, Visit } from '@eclat/contract';
import { newWork } from '@eclat/contract/fitting';
import { Trash2 } from 'lucide-react';
import { useId } from 'react';
import { api } from '../../data/api.ts';
import { say } from '../../data/app-state.ts';
import { useCommand } from '../../data/useCommand.ts';
import { useContractForm } from '../../data/useContractForm.ts';
import { useTakeOut } from '../../data/useTakeOut.ts';
import { unlessByFinger } from '../../ui/finger.ts';
import { Button } from '../../ui/Button.tsx';
import { Choice } from '../../ui/Choice.tsx';
import { TextField } from '../../ui/Field.tsx';
import { FormFoot } from '../../ui/FormFoot.tsx';

type Fields = BodyOf<typeof api.fitting.addWork>;
const EMPTY: Fields = { part: '', did: '', before: '', after: '', reversible: true, agreed: null, hole: null };
/** What is done most often to a part that stays. */
const USUAL = [
  'cleaned in place',
  'oil wiped off',
  'hole eased',
  'wheel trued',
  'post corrected',
  'riveted again',
  'tooth straightened',
  'crutch closed',
  'pivot polished',
];

/** Work on parts that stay in the movement, with how it was before and after. */
export function WorkDone({ visit, open }: { visit: Visit; open: boolean }) {
  const remove = useTakeOut(api.fitting.removeWork, 'Work');
  const params = { visitId: visit.id };
  return (
    <Fold title="Work on parts that stay" says={visit.work.length > 0 && visit.work.length} open={open}>
      {visit.work.length > 0 && (
        <ul className="mb-4 flex flex-col divide-y divide-line">
          {visit.work.map((w) => (
            <li key={w.id} className="flex items-center gap-4 py-2">
              <p className="min-w-0 flex-1">
                <b>{w.part}</b>: {w.did}
                {(w.before || w.after) && (
                  <span className="block">
                    {[w.before && `before: ${w.before}`, w.after && `after: ${w.after}`].filter(Boolean).join('; ')}
                  </span>
                )}
                {w.agreed !== null && (
                  <span className="block text-soft">{w.agreed ? 'agreed' : 'not agreed'} with the owner</span>
                )}
                {!w.reversible && <span className="block font-semibold text-brass">cannot be undone</span>}
              </p>
              {!visit.closedAt && (
                <Button
                  variant="plain"
                  aria-label={`Remove: ${w.part}, ${w.did}`}
                  onClick={() => remove({ params: { ...params, workId: w.id } })}
                >
                  <Trash2 className="size-5" aria-hidden />
                </Button>
              )}
            </li>
          ))}
        </ul>
      )}
      {!visit.closedAt && <WorkForm visit={visit} />}
    </Fold>
  );
}

function yesNo(said: boolean | null): 'yes' | 'no' | '' {
  if (said === null) return '';
  return said ? 'yes' : 'no';
}

interface FormProps {
  visit: Visit;
  /** It begins so: a hole that is eased. */
  begins?: Partial<Fields>;
  onClose?: () => void;
}

export function WorkForm({ visit, begins, onClose }: FormProps) {
  const usual = useId();
  const empty = { ...EMPTY, ...begins };
  const form = useContractForm<Fields>(newWork, empty, `work.${visit.id}${begins?.hole ? `.${begins.hole}` : ''}`);
  const add = useCommand(api.fitting.addWork, {
    what: 'Work on a part',
    onSent: () => {
      if (!onClose) unlessByFinger(() => form.setFocus('part'));
      form.taken(empty);
      onClose?.();
    },
    onDone: () => say('Entered.'),
  });
  const { errors } = form.formState;
  const agreed = form.watch('agreed') ?? null;
  return (
    <form
      className="grid gap-4 sm:grid-cols-2"
      noValidate
      onSubmit={(e) => void form.handleSubmit((body) => add.mutate({ params: { visitId: visit.id }, body }))(e)}
    >
      <TextField label="Part" placeholder="Balance" error={errors.part?.message} {...form.register('part')} />
      <TextField
        label="What was done"
        placeholder="cleaned in place"
        list={usual}
        error={errors.did?.message}
        {...form.register('did')}
      />
      <datalist id={usual}>
        {USUAL.map((u) => (
          <option key={u} value={u} />
        ))}
      </datalist>
      <TextField
        label="Before"
        placeholder="amplitude 130°"
        error={errors.before?.message}
        {...form.register('before')}
      />
      <TextField label="After" placeholder="amplitude 270°" error={errors.after?.message} {...form.register('after')} />
      <Choice
        label="Can it be undone"
        value={yesNo(form.watch('reversible') ?? true)}
        options={[
          ['yes', 'Yes'],
          ['no', 'No'],
        ]}
        onChange={(v) => form.setValue('reversible', v === 'yes', { shouldDirty: true })}
      />
      <Choice
        label="Agreed with the owner"
        value={yesNo(agreed)}
        options={[
          ['yes', 'Yes'],
          ['no', 'No'],
        ]}
        onChange={(v) => form.setValue('agreed', v === 'yes', { shouldDirty: true })}
        onClear={() => form.setValue('agreed', null, { shouldDirty: true })}
      />
      {onClose ? (
        <FormFoot busy={add.isPending} onClose={onClose}>
          Enter the work
        </FormFoot>
      ) : (
        <Button type="submit" variant="main" className="justify-self-start" busy={add.isPending}>
          Enter the work
        </Button>
      )}
    </form>
  );
}
