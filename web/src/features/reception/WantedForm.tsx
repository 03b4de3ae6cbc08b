import type { WantedThing } from '@eclat/contract';
import { wantedFields } from '@eclat/contract/reception';
import type { z } from 'zod';
import { api } from '../../data/api.ts';
import { useCommand } from '../../data/useCommand.ts';
import { useContractForm } from '../../data/useContractForm.ts';
import { TextField } from '../../ui/Field.tsx';
import { FormFoot } from '../../ui/FormFoot.tsx';
import { useThisVisit } from '../visit/useThisVisit.ts';

type Fields = z.input<typeof wantedFields>;

/** What is missing, how one knows, and what would do for it. @param thing one to correct; null: a new one */
export function WantedForm({
  thing,
  begins,
  onClose,
}: {
  thing: WantedThing | null;
  begins: Fields;
  onClose: () => void;
}) {
  const visit = useThisVisit();
  const form = useContractForm<Fields>(wantedFields, begins, `wanted.${visit.id}.${thing?.id ?? `new.${begins.what}`}`);
  const sent = () => {
    form.forget();
    onClose();
  };
  const add = useCommand(api.reception.addWanted, { what: 'Wanted', onSent: sent, onFields: form.refused });
  const change = useCommand(api.reception.changeWanted, { what: 'Wanted', onSent: sent, onFields: form.refused });
  const params = { visitId: visit.id };
  const { errors } = form.formState;
  const send = ({ what, evidence, would }: Fields) =>
    thing
      ? change.mutate({ params: { ...params, wantedId: thing.id }, body: { what, evidence, would } })
      : add.mutate({ params, body: { what, evidence, would } });
  return (
    <form
      className="mt-3 grid gap-3 rounded-xl border-2 border-steel p-3"
      noValidate
      onSubmit={(e) => void form.handleSubmit(send)(e)}
    >
      <TextField label="What is missing" error={errors.what?.message} {...form.register('what')} />
      <TextField label="Evidence for it" error={errors.evidence?.message} {...form.register('evidence')} />
      <TextField
        label="What would fit"
        hint="Commas part the ways. It is looked for in the stores."
        placeholder="alarm mechanism, alarm train"
        error={errors.would?.message}
        {...form.register('would')}
      />
      <FormFoot busy={add.isPending || change.isPending} onClose={onClose}>
        {thing ? 'Save changes' : 'Put it on the list'}
      </FormFoot>
    </form>
  );
}
