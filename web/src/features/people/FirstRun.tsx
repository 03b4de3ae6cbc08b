import { useContractForm } from '../../data/useContractForm.ts';
import { peopleRoutes } from '@eclat/contract/people';
import { useQueryClient } from '@tanstack/react-query';
import { ownZone } from '@eclat/core/days';
import { useAppState } from '../../data/app-state.ts';
import { api } from '../../data/api.ts';
import { sessionQuery } from '../../data/queries.ts';
import { Button } from '../../ui/Button.tsx';
import { TextField } from '../../ui/Field.tsx';
import { Front } from './Front.tsx';
import { useAccountCommand } from './useAccountCommand.ts';
import { ZoneField } from './ZoneField.tsx';

export default function FirstRun() {
  const queries = useQueryClient();
  const form = useContractForm(
    peopleRoutes.firstRun.body,
    { code: '', shop: '', timeZone: ownZone(), name: '', passphrase: '' },
    null,
  );
  const found = useAccountCommand(api.people.firstRun, {
    form,
    onDone: (session) => {
      if (session.timeZone) useAppState.getState().set({ zone: session.timeZone });
      queries.setQueryData(sessionQuery.queryKey, session);
    },
  });
  const { errors } = form.formState;
  return (
    <Front title="A new shop" sub="This makes the first account: the owner of the shop, who adds the others.">
      <form
        className="flex flex-col gap-4"
        onSubmit={(e) => void form.handleSubmit((body) => found.mutate({ params: {}, body }))(e)}
        noValidate
      >
        <TextField
          label="Code"
          autoFocus
          autoComplete="off"
          error={errors.code?.message}
          hint="It stands in the window where Eclat was started."
          {...form.register('code')}
        />
        <TextField
          label="Name of the shop"
          error={errors.shop?.message}
          hint="It stands in the history that your work leaves behind."
          {...form.register('shop')}
        />
        <ZoneField error={errors.timeZone?.message} {...form.register('timeZone')} />
        <TextField
          label="Your name"
          autoComplete="username"
          error={errors.name?.message}
          hint="As you sign your work."
          {...form.register('name')}
        />
        <TextField
          label="Passphrase"
          type="password"
          autoComplete="new-password"
          error={errors.passphrase?.message}
          hint="At least 12 characters: a few words are best."
          {...form.register('passphrase')}
        />
        <Button type="submit" variant="main" busy={found.isPending}>
          Open the shop
        </Button>
      </form>
    </Front>
  );
}
