import { useContractForm } from '../../data/useContractForm.ts';
import type { CaseTask } from '@eclat/contract';
import { caseTaskFields } from '@eclat/contract/casework';
import { CASE_PLACES, ORIGINS, TASKS } from '@eclat/core/casework';
import { held } from '@eclat/core/rules';
import type { z } from 'zod';
import { api } from '../../data/api.ts';
import { useStores } from '../../data/queries.ts';
import { useCommand } from '../../data/useCommand.ts';
import { Chip } from '../../ui/Chip.tsx';
import { FormFoot } from '../../ui/FormFoot.tsx';
import { SelectField, TextField, Tick } from '../../ui/Field.tsx';
import { useThisVisit } from '../visit/useThisVisit.ts';

type Fields = z.input<typeof caseTaskFields>;
const EMPTY: Fields = {
  place: 'case',
  what: '',
  product: '',
  origin: null,
  donorId: null,
  times: 1,
  waitHours: 0,
  once: false,
  note: '',
};
const number = { setValueAs: (v: unknown) => (v === '' ? 0 : Number(String(v).replace(',', '.'))) };

/** A task from what is usual, or in one's own words. */
export function TaskForm({ task, onClose }: { task: CaseTask | null; onClose: () => void }) {
  const it = useTaskForm(task, onClose);
  const { visit, form, add, change, errors, productFor, place } = it;
  return (
    <form
      noValidate
      className="grid grid-cols-1 gap-4 sm:grid-cols-2 lg:grid-cols-3"
      onSubmit={(e) =>
        void form.handleSubmit((body) => {
          if (task)
            change.mutate({ params: { visitId: visit.id, taskId: task.id }, body: { ...body, version: task.version } });
          else add.mutate({ params: { visitId: visit.id }, body });
        })(e)
      }
    >
      <SelectField label="Where" {...form.register('place')}>
        {CASE_PLACES.map((p) => (
          <option key={p}>{p}</option>
        ))}
      </SelectField>
      <div className="sm:col-span-2">
        <TextField label="Task" error={errors.what?.message} {...form.register('what')} />
        <div className="mt-2 flex flex-wrap gap-2" role="group" aria-label="Usual tasks">
          {TASKS.filter((t) => t.place === place).map((t) => (
            <Chip
              key={t.what}
              onPress={() => {
                form.setValue('what', t.what, { shouldDirty: true });
                form.setValue('waitHours', t.waitHours);
                form.setValue('times', t.times);
                form.setValue('once', t.once);
                if (!form.getValues('product')) form.setValue('product', productFor(t.what));
                form.clearErrors('what');
              }}
            >
              {t.what}
            </Chip>
          ))}
        </div>
      </div>
      <TextField label="Product" error={errors.product?.message} {...form.register('product')} />
      <TextField
        label="Coats, or times"
        inputMode="numeric"
        error={errors.times?.message}
        {...form.register('times', number)}
      />
      <TextField
        label="Hours to wait after each"
        inputMode="decimal"
        error={errors.waitHours?.message}
        {...form.register('waitHours', number)}
      />
      <SelectField label="Where it came from" {...form.register('origin', { setValueAs: (v: unknown) => v || null })}>
        <option value="">nothing was put in</option>
        {ORIGINS.map((o) => (
          <option key={o}>{o}</option>
        ))}
      </SelectField>
      <WhichDonor form={form} />
      <TextField label="Note" error={errors.note?.message} {...form.register('note')} />
      <Tick label="It cannot be undone" {...form.register('once')} />
      <FormFoot className="sm:col-span-2 lg:col-span-3" busy={add.isPending || change.isPending} onClose={onClose}>
        {task ? 'Save changes' : 'Add the task'}
      </FormFoot>
    </form>
  );
}

/** Of what came from a donor: which one of the stores. */
function WhichDonor({ form }: { form: ReturnType<typeof useTaskForm>['form'] }) {
  const donors = (useStores().data ?? []).filter((i) => i.kind === 'donor' && i.kept);
  if (form.watch('origin') !== 'donor of the period' || donors.length === 0) return null;
  return (
    <SelectField
      label="Which donor"
      error={form.formState.errors.donorId?.message}
      {...form.register('donorId', { setValueAs: (v: unknown) => v || null })}
    >
      <option value="">not in the stores</option>
      {donors.map((d) => (
        <option key={d.id} value={d.id}>
          {d.name}
        </option>
      ))}
    </SelectField>
  );
}

function useTaskForm(task: CaseTask | null, onClose: () => void) {
  const visit = useThisVisit();
  const start: Fields = task
    ? {
        place: task.place,
        what: task.what,
        product: task.product,
        origin: task.origin,
        donorId: task.donorId,
        times: task.times,
        waitHours: task.waitHours,
        once: task.once,
        note: task.note,
      }
    : EMPTY;
  const form = useContractForm<Fields>(
    caseTaskFields,
    start,
    `casework.${task ? `${task.id}.${task.version}` : visit.id}`,
  );
  const sent = () => {
    form.forget();
    onClose();
  };
  const add = useCommand(api.casework.add, { what: 'Task', onSent: sent });
  const change = useCommand(api.casework.change, {
    what: 'Task',
    onSent: sent,
    labels: {
      place: 'Where',
      what: 'Task',
      product: 'Product',
      origin: 'Came from',
      times: 'Times',
      waitHours: 'Hours to wait',
      once: 'Cannot be undone',
      note: 'Note',
    },
  });
  const { errors } = form.formState;
  const glue = held('glue', visit.rules.held).id === 'hide' ? 'hide glue' : 'wood glue';
  const productFor = (what: string) => (/glued|laid/i.test(what) ? glue : '');
  const place = form.watch('place');
  return { visit, form, add, change, errors, productFor, place };
}
