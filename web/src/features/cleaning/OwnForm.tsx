import type { OwnSequence } from '@eclat/contract';
import { ownFields } from '@eclat/contract/cleaning';
import { OWN_BATHS } from '@eclat/core/cleaning';
import { ArrowUp, Plus, Trash2 } from 'lucide-react';
import { useFieldArray } from 'react-hook-form';
import type { z } from 'zod';
import { api } from '../../data/api.ts';
import { say } from '../../data/app-state.ts';
import { useCommand } from '../../data/useCommand.ts';
import { useContractForm, type ContractForm } from '../../data/useContractForm.ts';
import { Button } from '../../ui/Button.tsx';
import { SelectField, TextField } from '../../ui/Field.tsx';
import { FormFoot } from '../../ui/FormFoot.tsx';
import { number } from './FillForm.tsx';

type Fields = z.input<typeof ownFields>;
const STEP: Fields['steps'][number] = { what: '', minutes: null, bath: null, celsius: null, times: 1 };

/** A sequence of the shop's own: what, in what, how long, how warm, how often. */
export function OwnForm({ own, onClose }: { own: OwnSequence | null; onClose: () => void }) {
  const form = useContractForm<Fields>(
    ownFields,
    own ? { name: own.name, steps: own.steps } : { name: '', steps: [STEP] },
    `sequence.${own ? `${own.id}.${own.version}` : 'new'}`,
  );
  const rows = useFieldArray({ control: form.control, name: 'steps' });
  const sent = () => (form.forget(), onClose());
  const onDone = () => say('It is offered with every run.');
  const add = useCommand(api.cleaning.addOwn, { what: 'Sequence', onSent: sent, onDone });
  const change = useCommand(api.cleaning.changeOwn, {
    what: 'Sequence',
    onSent: sent,
    onDone,
    labels: { name: 'Name', steps: 'Steps' },
  });
  const send = (body: Fields) => {
    if (own) change.mutate({ params: { sequenceId: own.id }, body: { ...body, version: own.version } });
    else add.mutate({ params: {}, body });
  };
  const { errors } = form.formState;
  return (
    <form
      noValidate
      className="mb-4 flex flex-col gap-4 rounded-xl border-2 border-steel p-4"
      onSubmit={(e) => void form.handleSubmit(send)(e)}
    >
      <TextField
        className="max-w-96"
        label="What it is called"
        placeholder="Spirit, hot water, warm air"
        error={errors.name?.message}
        {...form.register('name')}
      />
      <ol className="flex flex-col divide-y divide-line">
        {rows.fields.map((field, i) => (
          <StepRow
            key={field.id}
            form={form}
            at={i}
            onUp={i > 0 ? () => rows.swap(i, i - 1) : undefined}
            onRemove={rows.fields.length > 1 ? () => rows.remove(i) : undefined}
          />
        ))}
      </ol>
      {errors.steps?.root?.message && <p className="font-semibold text-danger">{errors.steps.root.message}</p>}
      <Button
        className="self-start"
        onClick={() => rows.append(STEP, { focusName: `steps.${rows.fields.length}.what` })}
      >
        <Plus className="size-5" aria-hidden />
        Another step
      </Button>
      <FormFoot busy={add.isPending || change.isPending} onClose={onClose}>
        {own ? 'Save changes' : 'Save the sequence'}
      </FormFoot>
    </form>
  );
}

interface StepProps {
  form: ContractForm<Fields>;
  at: number;
  onUp: (() => void) | undefined;
  onRemove: (() => void) | undefined;
}

function StepRow({ form, at, onUp, onRemove }: StepProps) {
  const errors = form.formState.errors.steps?.[at];
  const of = (name: keyof Fields['steps'][number]) => `steps.${at}.${name}` as const;
  return (
    <li
      aria-label={`Step ${at + 1}`}
      className="grid grid-cols-2 items-start gap-3 py-3 lg:grid-cols-[minmax(0,1fr)_13rem_6rem_6rem_5rem_auto]"
    >
      <TextField
        className="max-lg:col-span-2"
        label={`${at + 1}. What is done`}
        placeholder="Soak and brush"
        error={errors?.what?.message}
        {...form.register(of('what'))}
      />
      <SelectField label="In" {...form.register(of('bath'), { setValueAs: (v: string | null) => v || null })}>
        <option value="">no bath</option>
        {OWN_BATHS.map((b) => (
          <option key={b}>{b}</option>
        ))}
      </SelectField>
      <TextField
        label="Minutes"
        inputMode="numeric"
        placeholder="open"
        error={errors?.minutes?.message}
        {...form.register(of('minutes'), number)}
      />
      <TextField
        label="°C"
        inputMode="numeric"
        placeholder="as it is"
        error={errors?.celsius?.message}
        {...form.register(of('celsius'), number)}
      />
      <TextField
        label="Times"
        inputMode="numeric"
        error={errors?.times?.message}
        {...form.register(of('times'), number)}
      />
      <span className="flex items-end lg:mt-7 lg:items-start">
        <Button variant="plain" aria-label={`Step ${at + 1} up`} disabled={!onUp} onClick={() => onUp?.()}>
          <ArrowUp className="size-5" aria-hidden />
        </Button>
        <Button
          variant="plain"
          aria-label={`Take out step ${at + 1}`}
          disabled={!onRemove}
          onClick={() => onRemove?.()}
        >
          <Trash2 className="size-5" aria-hidden />
        </Button>
      </span>
    </li>
  );
}
