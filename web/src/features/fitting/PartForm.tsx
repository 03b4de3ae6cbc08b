import { useContractForm } from '../../data/useContractForm.ts';
import { newPart, OLD_PART_FATES, PART_SOURCES, type part } from '@eclat/contract/fitting';
import { fittedAt, KINDS, kindOf, sizeWords } from '@eclat/core/stores';
import type { z } from 'zod';
import { api } from '../../data/api.ts';
import { useStores } from '../../data/queries.ts';
import { useCommand } from '../../data/useCommand.ts';
import { say } from '../../data/app-state.ts';
import { SizeFields } from '../stores/SizeFields.tsx';
import { Button } from '../../ui/Button.tsx';
import { SelectField, TextField } from '../../ui/Field.tsx';
import { UnderPower } from '../power-down/UnderPower.tsx';
import { useThisVisit } from '../visit/useThisVisit.ts';
import { DonorField } from './DonorField.tsx';

/** As it is typed: each way that a part can have come keeps its own answer until it is sent. */
type Fields = Omit<z.input<typeof part>, 'id' | 'by' | 'at' | 'donorCode'>;
const EMPTY: Fields = {
  what: '',
  kind: 'suspension',
  sizes: {},
  why: '',
  source: 'new',
  size: '',
  oldPart: 'returned to the owner',
  quantity: 1,
  cost: '',
  stockId: null,
  donorId: null,
};

/** What was fitted, measured; where it came from; what became of the old one. */
export function PartForm() {
  const it = usePartForm();
  const { visit, form, add, errors, kind, source, stockId, sizes, onShelf, set, take } = it;
  return (
    <form
      className="mt-4 grid grid-cols-1 gap-4 border-t border-line pt-4 sm:grid-cols-2 xl:grid-cols-3"
      noValidate
      onSubmit={(e) =>
        void form.handleSubmit((body) => add.mutate({ params: { visitId: visit.id }, body: newPart.parse(body) }))(e)
      }
    >
      <TextField
        label="What was fitted"
        placeholder="Suspension spring"
        error={errors.what?.message}
        {...form.register('what')}
      />
      <KindAndSource it={it} />
      <div className="empty:hidden sm:col-span-2 xl:col-span-3">
        <UnderPower opens={fittedAt(kind)} entered />
      </div>
      {source === 'from stock' && (
        <SelectField
          label="Which one of the stores"
          className="sm:col-span-2 xl:col-span-3"
          error={errors.stockId?.message}
          value={stockId ?? ''}
          onChange={(e) => take(e.target.value)}
          hint={onShelf.length === 0 ? 'Nothing of this kind lies in the stores.' : 'It is taken off its shelf.'}
        >
          <option value="">choose</option>
          {onShelf.map((i) => (
            <option key={i.id} value={i.id}>
              {[i.name, sizeWords(i.kind, i.sizes)].filter(Boolean).join(', ')} ({i.onHand} there)
            </option>
          ))}
        </SelectField>
      )}
      {source === 'donor movement' && (
        <DonorField error={errors.donorId?.message} own={visit.movement.id} onPick={(id) => set('donorId', id)} />
      )}
      <SizeFields
        kind={kind}
        value={sizes ?? {}}
        onChange={(s) => {
          form.setValue('sizes', s, { shouldDirty: true });
          form.clearErrors('size');
        }}
        errors={errors.sizes as Partial<Record<string, { message?: string }>> | undefined}
      />
      <TextField
        label="Other dimensions"
        hint={source === 'made here' ? 'So that the next shop can make it again.' : undefined}
        error={errors.size?.message}
        {...form.register('size')}
      />
      <TextField
        label="How many"
        inputMode="numeric"
        error={errors.quantity?.message}
        {...form.register('quantity', { setValueAs: (v: unknown) => Number(v) })}
      />
      <TextField label="Cost of one" inputMode="decimal" error={errors.cost?.message} {...form.register('cost')} />
      <TextField label="Why" error={errors.why?.message} {...form.register('why')} />
      <SelectField label="What became of the old part" {...form.register('oldPart')}>
        {OLD_PART_FATES.map((s) => (
          <option key={s}>{s}</option>
        ))}
      </SelectField>
      <div className="flex items-end">
        <Button type="submit" variant="main" busy={add.isPending}>
          Enter the part
        </Button>
      </div>
    </form>
  );
}

function KindAndSource({ it }: { it: ReturnType<typeof usePartForm> }) {
  const { form, set } = it;
  return (
    <>
      <SelectField
        label="Kind"
        error={it.errors.kind?.message}
        {...form.register('kind', {
          onChange: () => {
            form.setValue('sizes', {});
            set('stockId', null);
          },
        })}
      >
        {KINDS.filter((k) => !['bush', 'product', 'donor'].includes(k.id)).map((k) => (
          <option key={k.id} value={k.id}>
            {k.name}
          </option>
        ))}
      </SelectField>
      <SelectField
        label="Where it came from"
        {...form.register('source', {
          onChange: () => {
            set('stockId', null);
            set('donorId', null);
          },
        })}
      >
        {PART_SOURCES.map((s) => (
          <option key={s}>{s}</option>
        ))}
      </SelectField>
    </>
  );
}

function usePartForm() {
  const visit = useThisVisit();
  const stores = useStores().data ?? [];
  const form = useContractForm<Fields>(newPart, EMPTY, `part.${visit.id}`);
  const add = useCommand(api.fitting.addPart, {
    what: 'Part fitted',
    onSent: () => form.taken(EMPTY),
    onDone: () => say('Part entered.'),
    onFields: form.refused,
  });
  const { errors } = form.formState;
  const { kind = 'other', source, stockId, sizes } = form.watch();
  const onShelf = stores.filter((i) => i.kept && i.kind === kind);
  const set = (name: 'stockId' | 'donorId', value: string | null) => {
    form.setValue(name, value, { shouldDirty: true });
    form.clearErrors(name);
  };
  const take = (id: string) => {
    set('stockId', id || null);
    const item = stores.find((i) => i.id === id);
    if (!item) return;
    form.setValue('sizes', item.sizes);
    form.setValue('cost', item.price);
    if (!form.getValues('what'))
      form.setValue('what', kindOf(item.kind).name === item.name ? item.name : item.name.split(',')[0]!);
  };
  return { visit, form, add, errors, kind, source, stockId, sizes, onShelf, set, take };
}
