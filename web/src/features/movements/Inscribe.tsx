import { useContractForm } from '../../data/useContractForm.ts';
import type { BodyOf } from '@eclat/contract';
import { movementsRoutes } from '@eclat/contract/movements';
import { dateInWords, isEdtf } from '@eclat/core/history';
import { useCommand } from '../../data/useCommand.ts';
import { say } from '../../data/app-state.ts';
import { FormFoot } from '../../ui/FormFoot.tsx';
import { TextArea, TextField } from '../../ui/Field.tsx';

/** What earlier repairers scratched or pencilled is service history: a date as sure as it can be read. */
export function Inscribe({ movementId, onClose }: { movementId: string; onClose: () => void }) {
  const form = useContractForm<BodyOf<typeof movementsRoutes.inscribe>>(
    movementsRoutes.inscribe.body,
    { date: '', text: '', place: '', keep: '' },
    `inscription.${movementId}`,
  );
  const write = useCommand(movementsRoutes.inscribe, {
    what: 'Inscription',
    onSent: () => {
      form.forget();
      onClose();
    },
    onDone: () => say('It stands in the book.'),
    onFields: form.refused,
  });
  const { errors } = form.formState;
  const date = form.watch('date');
  return (
    <form
      className="mb-5 grid gap-4 rounded-xl border-2 border-steel p-4 sm:grid-cols-2"
      noValidate
      onSubmit={(e) => void form.handleSubmit((body) => write.mutate({ params: { movementId }, body }))(e)}
    >
      <TextArea
        className="sm:col-span-2"
        label="What is written there, letter by letter"
        rows={2}
        autoFocus
        error={errors.text?.message}
        {...form.register('text')}
      />
      <TextField
        label="Where"
        placeholder="inside of the back plate"
        error={errors.place?.message}
        {...form.register('place')}
      />
      <TextField
        label="Date, as sure as it is"
        placeholder="1894-03-07, 1894, 189X, XXXX"
        error={errors.date?.message}
        hint={
          isEdtf(date)
            ? dateInWords(date)
            : '1894-03-07, 1894-03, 1894, 189X for some year of a decade, XXXX if it cannot be read'
        }
        {...form.register('date')}
      />
      {(errors.keep || form.watch('keep')) && (
        <TextField
          className="sm:col-span-2"
          label="Why it stays"
          autoFocus
          error={errors.keep?.message}
          {...form.register('keep')}
        />
      )}
      <FormFoot className="sm:col-span-2" busy={write.isPending} onClose={onClose}>
        Enter it
      </FormFoot>
    </form>
  );
}
