import type { Part } from '@eclat/contract';
import { OLD_PART_FATES, PART_SOURCES, partCorrection } from '@eclat/contract/fitting';
import type { z } from 'zod';
import { api } from '../../data/api.ts';
import { say } from '../../data/app-state.ts';
import { useCommand } from '../../data/useCommand.ts';
import { useContractForm } from '../../data/useContractForm.ts';
import { SelectField, TextField } from '../../ui/Field.tsx';
import { FormFoot } from '../../ui/FormFoot.tsx';
import { Sheet } from '../../ui/Sheet.tsx';
import { SizeFields } from '../stores/SizeFields.tsx';
import { useThisVisit } from '../visit/useThisVisit.ts';

type Fields = z.input<typeof partCorrection>;

/** What was entered wrong of a part is put right where it stands; the part stays in. */
export function CorrectPart({ part, onClose }: { part: Part; onClose: () => void }) {
  const visit = useThisVisit();
  const { what, sizes, size, why, oldPart, cost, source } = part;
  const form = useContractForm<Fields>(
    partCorrection,
    { what, sizes, size, why, oldPart, cost, source },
    `part.${part.id}`,
  );
  const params = { visitId: visit.id, partId: part.id };
  const set = useCommand(api.fitting.setPart, {
    what: 'Part',
    onSent: form.forget,
    onFields: form.refused,
    onDone: (_reply, _sent, undo) => {
      say(`${form.getValues('what')}: corrected.`, 'good', undo);
      onClose();
    },
  });
  const { errors } = form.formState;
  // What left the shelf or its donor has its size and where it came from there.
  const linked = part.stockId !== null || part.donorId !== null;
  return (
    <Sheet open title={`Correct the part, ${part.what}`} onClose={onClose}>
      <form
        className="flex flex-col gap-4"
        noValidate
        onSubmit={(e) => void form.handleSubmit((body) => set.mutate({ params, body }))(e)}
      >
        <TextField label="What was fitted" error={errors.what?.message} {...form.register('what')} />
        {!part.stockId && (
          <SizeFields
            kind={part.kind}
            value={form.watch('sizes') ?? {}}
            onChange={(s) => form.setValue('sizes', s, { shouldDirty: true })}
            errors={errors.sizes as Partial<Record<string, { message?: string }>> | undefined}
          />
        )}
        <TextField label="Other dimensions" error={errors.size?.message} {...form.register('size')} />
        <TextField label="Cost of one" inputMode="decimal" error={errors.cost?.message} {...form.register('cost')} />
        <TextField label="Why" error={errors.why?.message} {...form.register('why')} />
        {!linked && (
          <SelectField label="Where it came from" error={errors.source?.message} {...form.register('source')}>
            {PART_SOURCES.filter((s) => s !== 'from stock' && s !== 'donor movement').map((s) => (
              <option key={s}>{s}</option>
            ))}
          </SelectField>
        )}
        <SelectField label="What became of the old part" {...form.register('oldPart')}>
          {OLD_PART_FATES.map((s) => (
            <option key={s}>{s}</option>
          ))}
        </SelectField>
        <FormFoot busy={set.isPending} onClose={onClose}>
          Save
        </FormFoot>
      </form>
    </Sheet>
  );
}
