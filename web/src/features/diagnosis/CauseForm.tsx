import { useContractForm } from '../../data/useContractForm.ts';
import { ownCauseFields } from '@eclat/contract/diagnosis';
import { LEVELS, SYMPTOM_IDS, SYMPTOMS, type SymptomId } from '@eclat/core/faults';
import { FITTINGS, OSCILLATORS, PURPOSES } from '@eclat/core/movement';
import type { z } from 'zod';
import { api } from '../../data/api.ts';
import { useCommand } from '../../data/useCommand.ts';
import { FormFoot } from '../../ui/FormFoot.tsx';
import { Choice } from '../../ui/Choice.tsx';
import { SelectField, TextField, Tick } from '../../ui/Field.tsx';

export const GRADES = { H: 'mostly', M: 'often', L: 'sometimes' } as const;

export type Fields = z.input<typeof ownCauseFields>;

export function CauseForm({ onClose }: { onClose: () => void }) {
  const form = useContractForm<Fields>(
    ownCauseFields,
    {
      name: '',
      prior: 'usual',
      oscillators: [],
      fittings: [],
      trains: [],
      shows: {},
      look: { what: '', minutes: 5, level: 0 },
      remedy: '',
    },
    'cause',
  );
  const add = useCommand(api.diagnosis.addCause, {
    what: 'Cause',
    onSent: () => (form.forget(), onClose()),
    onFields: form.refused,
  });
  const { errors } = form.formState;
  return (
    <form
      className="mb-4 grid gap-4 rounded-xl border-2 border-steel p-4 sm:grid-cols-2"
      noValidate
      onSubmit={(e) => void form.handleSubmit((body) => add.mutate({ params: {}, body }))(e)}
    >
      <TextField label="What it is called" error={errors.name?.message} {...form.register('name')} />
      <SelectField label="How often a clock that comes in has it" {...form.register('prior')}>
        <option value="common">commonly</option>
        <option value="usual">usually not, but known</option>
        <option value="rare">rarely</option>
      </SelectField>
      <TextField label="How to look for it" error={errors.look?.what?.message} {...form.register('look.what')} />
      <div className="grid grid-cols-[6rem_minmax(0,1fr)] gap-3">
        <TextField
          label="Minutes"
          type="number"
          error={errors.look?.minutes?.message}
          {...form.register('look.minutes', { valueAsNumber: true })}
        />
        <SelectField
          label="Taken down to"
          {...form.register('look.level', { setValueAs: (v: string | number) => Number(v) })}
        >
          {LEVELS.map((l, i) => (
            <option key={l} value={i}>
              {l}
            </option>
          ))}
        </SelectField>
      </div>
      <TextField className="sm:col-span-2" label="Remedy" error={errors.remedy?.message} {...form.register('remedy')} />
      <ShowsAs form={form} />
      <OnlyWith form={form} />
      <FormFoot className="sm:col-span-2" busy={add.isPending} onClose={onClose}>
        Add it
      </FormFoot>
    </form>
  );
}

export function ShowsAs({ form }: { form: ReturnType<typeof useContractForm<Fields>> }) {
  const { errors } = form.formState;
  const shows = form.watch('shows');
  return (
    <fieldset className="sm:col-span-2">
      <legend className="font-semibold">It shows as</legend>
      {errors.shows && (
        <p className="text-sm font-semibold text-danger">
          {String(errors.shows.message ?? 'At least one symptom that it shows.')}
        </p>
      )}
      <div className="grid gap-2 lg:grid-cols-2">
        {(Object.keys(shows) as SymptomId[]).map((s) => (
          <div key={s} className="flex flex-wrap items-center justify-between gap-2">
            <span>{SYMPTOMS[s]}</span>
            <Choice
              hideLabel
              label={SYMPTOMS[s]}
              value={shows[s] ?? ''}
              options={(['H', 'M', 'L'] as const).map((g) => [g, GRADES[g]] as const)}
              onChange={(g) => form.setValue('shows', { ...shows, [s]: g })}
              onClear={() => {
                const { [s]: _, ...rest } = shows;
                form.setValue('shows', rest);
              }}
            />
          </div>
        ))}
      </div>
      <SelectField
        className="mt-2"
        label="Add a symptom"
        value=""
        onChange={(e) => form.setValue('shows', { ...shows, [e.target.value]: 'M' })}
      >
        <option value="">Choose …</option>
        {SYMPTOM_IDS.filter((s) => !(s in shows)).map((s) => (
          <option key={s} value={s}>
            {SYMPTOMS[s]}
          </option>
        ))}
      </SelectField>
    </fieldset>
  );
}

export function OnlyWith({ form }: { form: ReturnType<typeof useContractForm<Fields>> }) {
  return (
    <fieldset className="sm:col-span-2">
      <legend className="font-semibold">Only clocks with</legend>
      <div className="flex flex-wrap gap-x-6">
        {OSCILLATORS.map((o) => (
          <Tick key={o} label={o} value={o} {...form.register('oscillators')} />
        ))}
        {PURPOSES.slice(1).map((t) => (
          <Tick key={t} label={`a ${t} train`} value={t} {...form.register('trains')} />
        ))}
      </div>
      <details>
        <summary className="min-h-11 cursor-pointer">… and fittings</summary>
        <div className="flex flex-wrap gap-x-6">
          {FITTINGS.map((f) => (
            <Tick key={f} label={f} value={f} {...form.register('fittings')} />
          ))}
        </div>
      </details>
    </fieldset>
  );
}
