import { useContractForm } from '../../data/useContractForm.ts';
import type { StockItem } from '@eclat/contract';
import { stockFields } from '@eclat/contract/stores';
import { KINDS } from '@eclat/core/stores';
import { useState } from 'react';
import type { z } from 'zod';
import { api } from '../../data/api.ts';
import { useCommand } from '../../data/useCommand.ts';
import { say } from '../../data/app-state.ts';
import { FormFoot } from '../../ui/FormFoot.tsx';
import { SelectField, TextField } from '../../ui/Field.tsx';
import { SizeFields } from './SizeFields.tsx';

type Fields = z.input<typeof stockFields>;
const EMPTY: Fields = {
  kind: 'bush',
  name: '',
  sizes: {},
  minimum: 0,
  price: '',
  supplier: '',
  supplierNo: '',
  shelf: '',
  batch: '',
  note: '',
};
const LABELS = {
  kind: 'Kind',
  name: 'Name',
  minimum: 'Minimum',
  price: 'Price',
  supplier: 'Supplier',
  supplierNo: 'Their number',
  shelf: 'Shelf',
  batch: 'Batch',
  note: 'Note',
};

/** A new thing, or one whose row is put right. */
export function ItemForm({ item, onClose }: { item: StockItem | null; onClose: () => void }) {
  const { form, count, setCount, add, change } = useItemForm(item, onClose);
  const { errors } = form.formState;
  const kind = form.watch('kind');
  const badCount = count !== '' && !/^\d{1,6}$/.test(count);
  return (
    <form
      noValidate
      className="grid grid-cols-1 gap-4 sm:grid-cols-2 lg:grid-cols-3"
      onSubmit={(e) =>
        void form.handleSubmit((body) => {
          if (badCount) return;
          if (item) change.mutate({ params: { itemId: item.id }, body: { ...body, version: item.version } });
          else add.mutate({ params: {}, body: { ...body, onHand: Number(count || 0) } });
        })(e)
      }
    >
      <SelectField label="Kind" {...form.register('kind', { onChange: () => form.setValue('sizes', {}) })}>
        {KINDS.map((k) => (
          <option key={k.id} value={k.id}>
            {k.name}
          </option>
        ))}
      </SelectField>
      <TextField label="Name" error={errors.name?.message} {...form.register('name')} />
      {!item && (
        <TextField
          label="On hand"
          inputMode="numeric"
          value={count}
          onChange={(e) => setCount(e.target.value)}
          error={badCount ? 'A whole number.' : undefined}
        />
      )}
      <SizeFields
        kind={kind}
        value={form.watch('sizes') ?? {}}
        onChange={(s) => {
          form.setValue('sizes', s, { shouldDirty: true });
          form.clearErrors('sizes');
        }}
        errors={errors.sizes as Partial<Record<string, { message?: string }>> | undefined}
      />
      <TextField
        label="Minimum"
        hint="Reorder below this."
        inputMode="numeric"
        error={errors.minimum?.message}
        {...form.register('minimum', { setValueAs: (v: unknown) => (v === '' ? 0 : Number(v)) })}
      />
      <TextField label="Price" inputMode="decimal" error={errors.price?.message} {...form.register('price')} />
      <TextField label="Shelf" error={errors.shelf?.message} {...form.register('shelf')} />
      <TextField label="Supplier" error={errors.supplier?.message} {...form.register('supplier')} />
      <TextField label="Their number" error={errors.supplierNo?.message} {...form.register('supplierNo')} />
      <TextField label="Batch" error={errors.batch?.message} {...form.register('batch')} />
      <TextField label="Note" error={errors.note?.message} {...form.register('note')} />
      <FormFoot className="sm:col-span-2 lg:col-span-3" busy={add.isPending || change.isPending} onClose={onClose}>
        {item ? 'Save changes' : 'Put it in the stores'}
      </FormFoot>
    </form>
  );
}

function useItemForm(item: StockItem | null, onClose: () => void) {
  const start: Fields = item
    ? {
        kind: item.kind,
        name: item.name,
        sizes: item.sizes,
        minimum: item.minimum,
        price: item.price,
        supplier: item.supplier,
        supplierNo: item.supplierNo,
        shelf: item.shelf,
        batch: item.batch,
        note: item.note,
      }
    : EMPTY;
  const form = useContractForm<Fields>(stockFields, start, `store.${item ? `${item.id}.${item.version}` : 'new'}`);
  const [count, setCount] = useState('');
  const onFields = form.refused;
  const sent = () => {
    form.forget();
    onClose();
  };
  const add = useCommand(api.stores.add, {
    what: 'Stores',
    onSent: sent,
    onFields,
    onDone: (i) => say(`${i.name} lies in the stores.`),
  });
  const change = useCommand(api.stores.change, { what: 'Stores', onSent: sent, onFields, labels: LABELS });
  return { form, count, setCount, add, change };
}
