import { useContractForm } from '../../data/useContractForm.ts';
import type { ReceivedItem } from '@eclat/contract';
import { receivedFields } from '@eclat/contract/reception';
import { isKey, KEY_FITS } from '@eclat/core/intake';
import { Controller } from 'react-hook-form';
import type { z } from 'zod';
import { api } from '../../data/api.ts';
import { useCommand } from '../../data/useCommand.ts';
import { useKept } from '../../data/useDraft.ts';
import { Button } from '../../ui/Button.tsx';
import { SelectField, TextField } from '../../ui/Field.tsx';
import { LengthField, lengthMm } from '../../ui/LengthField.tsx';
import { useThisVisit } from '../visit/useThisVisit.ts';

export type Fields = z.input<typeof receivedFields>;

export const SQUARE = [1, 8] as const;

export function ThingForm({ thing, onClose }: { thing: ReceivedItem | string; onClose: () => void }) {
  const visit = useThisVisit();
  const known = typeof thing === 'string' ? null : thing;
  const draft = `received.${visit.id}.${known ? `${known.id}.${known.version}` : `new.${thing as string}`}`;
  const form = useContractForm<Fields>(
    receivedFields,
    known ?? {
      what: thing as string,
      count: 1,
      condition: '',
      squareMm: null,
      fits: null,
      photoId: null,
    },
    draft,
  );
  const [square, setSquare, forgetSquare] = useKept(`${draft}.square`, known?.squareMm ? String(known.squareMm) : '');
  const sent = () => {
    form.forget();
    forgetSquare();
    onClose();
  };
  const add = useCommand(api.reception.addReceived, { what: 'Thing received', onSent: sent });
  const change = useCommand(api.reception.changeReceived, {
    what: 'Thing received',
    labels: { what: 'Thing', count: 'How many', condition: 'Condition' },
    onSent: sent,
  });
  const key = isKey(form.watch('what') ?? '');
  const { errors } = form.formState;
  const send = ({ what, count, condition, fits, photoId }: Fields) => {
    const body = {
      what,
      count,
      condition,
      fits: key ? fits || null : null,
      squareMm: key ? lengthMm(square, SQUARE) : null,
      photoId: photoId || null,
    };
    if (known)
      change.mutate({ params: { visitId: visit.id, receivedId: known.id }, body: { ...body, version: known.version } });
    else add.mutate({ params: { visitId: visit.id }, body });
  };
  return (
    <form
      className="mt-3 grid grid-cols-[minmax(0,1fr)_7rem] gap-3 rounded-xl border-2 border-steel p-3"
      noValidate
      onSubmit={(e) => void form.handleSubmit(send)(e)}
    >
      <TextField label="Thing" autoFocus={thing === ''} error={errors.what?.message} {...form.register('what')} />
      <TextField
        label="How many"
        type="number"
        min={1}
        error={errors.count?.message}
        {...form.register('count', { valueAsNumber: true })}
      />
      <TextField
        className="col-span-2"
        label="Condition"
        error={errors.condition?.message}
        {...form.register('condition')}
      />
      {key && <KeyFields square={square} setSquare={setSquare} form={form} />}
      {visit.photos.length > 0 && <PhotoChoice form={form} />}
      <div className="col-span-2 flex gap-3">
        <Button type="submit" variant="main" busy={add.isPending || change.isPending}>
          {known ? 'Save changes' : 'List it'}
        </Button>
        <Button variant="plain" onClick={onClose}>
          Close
        </Button>
      </div>
    </form>
  );
}

export function KeyFields({
  square,
  setSquare,
  form,
}: {
  square: string;
  setSquare: (next: string) => void;
  form: ReturnType<typeof useContractForm<Fields>>;
}) {
  return (
    <>
      <LengthField name="square" label="Square that it fits" value={square} onChange={setSquare} plausible={SQUARE} />
      <SelectField label="On the arbor" {...form.register('fits')}>
        <option value="">–</option>
        {KEY_FITS.map((f) => (
          <option key={f}>{f}</option>
        ))}
      </SelectField>
    </>
  );
}

export function PhotoChoice({ form }: { form: ReturnType<typeof useContractForm<Fields>> }) {
  const visit = useThisVisit();
  return (
    <Controller
      control={form.control}
      name="photoId"
      render={({ field }) => (
        <fieldset className="col-span-2">
          <legend className="font-semibold">Photo</legend>
          <div className="flex gap-2 overflow-x-auto py-1">
            {visit.photos.map((p) => (
              <button
                key={p.id}
                type="button"
                aria-pressed={field.value === p.id}
                aria-label={p.caption || 'Photo'}
                onClick={() => field.onChange(field.value === p.id ? null : p.id)}
                className="shrink-0 rounded-lg border-4 border-transparent aria-pressed:border-steel"
              >
                <img src={`/api/photos/${p.id}/small`} alt="" className="size-16 rounded object-cover" />
              </button>
            ))}
          </div>
        </fieldset>
      )}
    />
  );
}
