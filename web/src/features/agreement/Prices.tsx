import { useContractForm } from '../../data/useContractForm.ts';
import { prices as schema } from '@eclat/contract/agreement';
import { Coins } from 'lucide-react';
import { useState } from 'react';
import type { z } from 'zod';
import { api } from '../../data/api.ts';
import { useMe } from '../../data/queries.ts';
import { useCommand } from '../../data/useCommand.ts';
import { Button } from '../../ui/Button.tsx';
import { TextField, Tick } from '../../ui/Field.tsx';
import { Sheet } from '../../ui/Sheet.tsx';
import { useThisVisit } from '../visit/useThisVisit.ts';

/** What an hour costs here, set by the owner of the shop. */
export function Prices() {
  const role = useMe()?.role;
  const [open, setOpen] = useState(false);
  if (role !== 'owner-of-shop') return null;
  return (
    <>
      <Button onClick={() => setOpen(true)}>
        <Coins className="size-5" aria-hidden />
        Prices
      </Button>
      {open && <PricesSheet onClose={() => setOpen(false)} />}
    </>
  );
}

function PricesSheet({ onClose }: { onClose: () => void }) {
  const { agreement } = useThisVisit();
  const form = useContractForm<z.input<typeof schema>>(schema, agreement.prices, 'prices');
  const set = useCommand(api.agreement.setPrices, { what: 'Prices', onSent: () => (form.forget(), onClose()) });
  const { errors } = form.formState;
  return (
    <Sheet
      open
      onClose={onClose}
      title="Prices of the shop"
      description="They hold for every estimate that is still open."
    >
      <form
        className="grid gap-4 sm:grid-cols-2"
        noValidate
        onSubmit={(e) => void form.handleSubmit((body) => set.mutate({ params: {}, body }))(e)}
      >
        <TextField
          label="An hour at the bench costs"
          inputMode="decimal"
          error={errors.hourlyRate?.message}
          {...form.register('hourlyRate')}
        />
        <TextField label="Currency" error={errors.currency?.message} {...form.register('currency')} />
        <TextField
          label="Tax, per cent"
          inputMode="decimal"
          error={errors.taxPercent?.message}
          {...form.register('taxPercent')}
        />
        <TextField
          label="Bench hours a week"
          inputMode="decimal"
          error={errors.hoursPerWeek?.message}
          {...form.register('hoursPerWeek', { valueAsNumber: true })}
        />
        <div className="sm:col-span-2">
          <Tick label="Prices include tax" {...form.register('pricesIncludeTax')} />
        </div>
        <Button type="submit" variant="main" className="justify-self-start" busy={set.isPending}>
          Save
        </Button>
      </form>
    </Sheet>
  );
}
