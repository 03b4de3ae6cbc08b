import type { StockItem } from '@eclat/contract';
import { donorMovement } from '@eclat/contract/stores';
import { FAMILIES } from '@eclat/core/movement';
import { Link } from 'react-router';
import type { z } from 'zod';
import { api } from '../../data/api.ts';
import { say } from '../../data/app-state.ts';
import { useCommand } from '../../data/useCommand.ts';
import { useContractForm } from '../../data/useContractForm.ts';
import { Button } from '../../ui/Button.tsx';
import { SelectField, TextField } from '../../ui/Field.tsx';

type Fields = z.input<typeof donorMovement>;

/** A donor whose movement has a book gives parts with their history; a case or a box of parts needs none. */
export function DonorBook({ item }: { item: StockItem }) {
  const form = useContractForm<Fields>(donorMovement, { name: item.name, familyId: '', maker: '' }, `donor.${item.id}`);
  const open = useCommand(api.stores.openBook, {
    what: 'Book',
    onSent: form.forget,
    onFields: form.refused,
    onDone: (i) => say(`${i.movementCode}: its book is open.`),
  });
  const { errors } = form.formState;
  if (item.movementId)
    return (
      <p className="text-lg">
        What it gives is written into its book:{' '}
        <Link className="font-semibold text-steel underline" to={`/movements/${item.movementId}`}>
          {item.movementCode}
        </Link>
      </p>
    );
  return (
    <form
      className="grid gap-4 sm:grid-cols-2"
      noValidate
      onSubmit={(e) =>
        void form.handleSubmit((body) => open.mutate({ params: { itemId: item.id }, body: donorMovement.parse(body) }))(
          e,
        )
      }
    >
      <p className="sm:col-span-2">
        <b>Has it a movement?</b> With a book of its own it gives parts to other movements, and the book says so.
      </p>
      <TextField label="What the movement is called" error={errors.name?.message} {...form.register('name')} />
      <SelectField label="Family" error={errors.familyId?.message} {...form.register('familyId')}>
        <option value="">choose</option>
        {FAMILIES.map((f) => (
          <option key={f.id} value={f.id}>
            {f.name}
          </option>
        ))}
      </SelectField>
      <TextField label="Maker" error={errors.maker?.message} {...form.register('maker')} />
      <div className="flex items-end">
        <Button type="submit" busy={open.isPending}>
          Open a book
        </Button>
      </div>
    </form>
  );
}
