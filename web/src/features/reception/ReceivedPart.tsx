import { comesWith } from '@eclat/core/intake';
import { Plus, Trash2 } from 'lucide-react';
import { useFieldArray, useFormContext } from 'react-hook-form';
import { Panel } from '../../ui/Answer.tsx';
import { Button } from '../../ui/Button.tsx';
import { TextField } from '../../ui/Field.tsx';
import { traitsTyped, type IntakeForm } from './form.ts';

const ANY = ['Pendulum', 'Key', 'Weights, left and right', 'Dome', 'Bag of loose trim'];

/** Each thing must go home again. */
export function ReceivedPart() {
  const {
    register,
    control,
    watch,
    formState: { errors },
  } = useFormContext<IntakeForm>();
  const traits = traitsTyped(watch('movement.familyId'), watch('movement.fittings') ?? [], watch('movement.traits'));
  const listed = (watch('received') ?? []).map((r) => r.what);
  const usual = (traits ? comesWith(traits) : ANY).filter((w) => !listed.includes(w));
  const items = useFieldArray({ control, name: 'received' });
  return (
    <Panel title="What came with it">
      <div className="flex flex-col gap-3">
        {items.fields.map((field, i) => (
          <div key={field.id} className="grid grid-cols-[1fr_5rem_1fr_3rem] items-start gap-2">
            <TextField label="Thing" error={errors.received?.[i]?.what?.message} {...register(`received.${i}.what`)} />
            <TextField
              label="Count"
              type="number"
              min={1}
              error={errors.received?.[i]?.count?.message}
              {...register(`received.${i}.count`, { valueAsNumber: true })}
            />
            <TextField label="Condition, size" {...register(`received.${i}.condition`)} />
            <button
              type="button"
              aria-label="Take this thing out"
              className="mt-7 grid size-12 place-items-center rounded-lg hover:bg-danger-wash"
              onClick={() => items.remove(i)}
            >
              <Trash2 className="size-5" />
            </button>
          </div>
        ))}
        <div className="flex flex-wrap gap-2">
          {usual.map((what) => (
            <Button key={what} onClick={() => items.append({ what, count: 1, condition: '' })}>
              <Plus className="size-5" aria-hidden />
              {what}
            </Button>
          ))}
          <Button onClick={() => items.append({ what: '', count: 1, condition: '' })}>
            <Plus className="size-5" aria-hidden />
            Something else
          </Button>
        </div>
      </div>
    </Panel>
  );
}
