import { useContractForm } from '../../data/useContractForm.ts';
import type { Fill } from '@eclat/contract';
import { fillFields } from '@eclat/contract/cleaning';
import { BATHS, dilute } from '@eclat/core/cleaning';
import type { z } from 'zod';
import { api } from '../../data/api.ts';
import { useCommand } from '../../data/useCommand.ts';
import { FormFoot } from '../../ui/FormFoot.tsx';
import { SelectField, TextField } from '../../ui/Field.tsx';

export type Fields = z.input<typeof fillFields>;

export const EMPTY: Fields = {
  bath: 'ammoniated water',
  name: '',
  litres: 3,
  waterParts: 7,
  limitLoads: null,
  limitDays: 30,
  note: '',
};

export const number = {
  setValueAs: (v: string | number | null) => (v === '' || v === null ? null : Number(String(v).replace(',', '.'))),
};

export function FillForm({ fill, onClose }: { fill: Fill | null; onClose: () => void }) {
  const { form, add, correct, errors, mix, send } = useFillForm(fill, onClose);
  return (
    <form
      noValidate
      className="mb-4 grid gap-4 rounded-xl border-2 border-steel p-4 sm:grid-cols-2 lg:grid-cols-3"
      onSubmit={(e) => void form.handleSubmit(send)(e)}
    >
      <TextField
        label="Tank or jar"
        placeholder="Ultrasonic tank"
        error={errors.name?.message}
        {...form.register('name')}
      />
      <SelectField label="Bath" {...form.register('bath')}>
        {BATHS.map((b) => (
          <option key={b}>{b}</option>
        ))}
      </SelectField>
      <TextField
        label="Litres"
        inputMode="decimal"
        error={errors.litres?.message}
        {...form.register('litres', number)}
      />
      <TextField
        label="Parts of water to one"
        inputMode="decimal"
        error={errors.waterParts?.message}
        {...form.register('waterParts', number)}
        hint={
          mix
            ? `${mix.concentrateL.toFixed(2)} l of concentrate and ${mix.waterL.toFixed(2)} l of water.`
            : 'Empty: as it came.'
        }
      />
      <TextField
        label="Change after loads"
        inputMode="numeric"
        error={errors.limitLoads?.message}
        {...form.register('limitLoads', number)}
      />
      <TextField
        label="Change after days"
        inputMode="numeric"
        error={errors.limitDays?.message}
        {...form.register('limitDays', number)}
      />
      <TextField
        className="sm:col-span-2 lg:col-span-3"
        label="Note"
        error={errors.note?.message}
        {...form.register('note')}
      />
      <FormFoot className="sm:col-span-2 lg:col-span-3" busy={add.isPending || correct.isPending} onClose={onClose}>
        {fill ? 'Save changes' : 'It is filled'}
      </FormFoot>
    </form>
  );
}

export function useFillForm(fill: Fill | null, onClose: () => void) {
  const form = useContractForm<Fields>(
    fillFields,
    fill ?? EMPTY,
    `bath.${fill ? `${fill.id}.${fill.version}` : 'new'}`,
  );
  const sent = () => (form.forget(), onClose());
  const add = useCommand(api.cleaning.addFill, { what: 'Bath', onSent: sent });
  const correct = useCommand(api.cleaning.changeFill, {
    what: 'Bath',
    onSent: sent,
    labels: {
      name: 'Tank or jar',
      litres: 'Litres',
      waterParts: 'Parts of water',
      limitLoads: 'Loads',
      limitDays: 'Days',
      note: 'Note',
    },
  });
  const { errors } = form.formState;
  const [litres, parts] = [Number(form.watch('litres')), Number(form.watch('waterParts'))];
  const mix = litres > 0 && litres <= 1000 && parts > 0 && parts <= 1000 ? dilute(litres, parts) : null;
  const send = ({ bath, name, litres: l, waterParts, limitLoads, limitDays, note }: Fields) => {
    const body = { bath, name, litres: l, waterParts, limitLoads, limitDays, note };
    if (fill) correct.mutate({ params: { fillId: fill.id }, body: { ...body, version: fill.version } });
    else add.mutate({ params: {}, body });
  };
  return { form, add, correct, errors, mix, send };
}
