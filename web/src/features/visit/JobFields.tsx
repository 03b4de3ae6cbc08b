import { SHAPES, TERMS } from '@eclat/core/workflow';
import type { Trial } from '@eclat/core/workflow';
import { useFormContext } from 'react-hook-form';
import { Choice } from '../../ui/Choice.tsx';
import { TextField } from '../../ui/Field.tsx';

/** What is agreed, as it is typed. */
export interface JobTyped {
  shape?: (typeof SHAPES)[number]['id'] | undefined;
  terms?: (typeof TERMS)[number]['id'] | undefined;
  trial?: Partial<Trial> | null | undefined;
}

/** The shape of the job, its terms, and what a trial is for. Part of a form that holds these fields. */
export function JobFields() {
  const {
    watch,
    setValue,
    register,
    formState: { errors },
  } = useFormContext<JobTyped>();
  const shape = watch('shape');
  const terms = watch('terms');
  const trial = errors.trial as Partial<Record<keyof Trial, { message?: string }>> | undefined;
  return (
    <>
      <div>
        <Choice
          label="What kind of job"
          value={shape ?? ''}
          options={SHAPES.map((s) => [s.id, s.name])}
          onChange={(v) => setValue('shape', v, { shouldDirty: true })}
        />
        <p className="mt-1 text-soft">{SHAPES.find((s) => s.id === shape)?.does}</p>
      </div>
      <div>
        <Choice
          label="Terms"
          value={terms ?? ''}
          options={TERMS.map((t) => [t.id, t.name])}
          onChange={(v) => {
            setValue('terms', v, { shouldDirty: true });
            setValue('trial', v === 'trial' ? { expected: '', reviewOn: '' } : null, { shouldDirty: true });
          }}
        />
        <p className="mt-1 text-soft">{TERMS.find((t) => t.id === terms)?.says}</p>
      </div>
      {terms === 'trial' && (
        <div className="grid gap-4 sm:grid-cols-[minmax(0,1fr)_12rem]">
          <TextField
            label="What is expected"
            placeholder="Strikes right for two weeks"
            error={trial?.expected?.message}
            {...register('trial.expected')}
          />
          <TextField
            label="Look again on"
            type="date"
            error={trial?.reviewOn?.message}
            {...register('trial.reviewOn')}
          />
        </div>
      )}
    </>
  );
}
