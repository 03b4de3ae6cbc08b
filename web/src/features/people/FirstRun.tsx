import { useContractForm } from '../../data/useContractForm.ts';
import { peopleRoutes } from '@eclat/contract/people';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import type { BodyOf } from '@eclat/contract';
import { ownZone } from '@eclat/core/days';
import { useAppState } from '../../data/app-state.ts';
import { call } from '../../data/call.ts';
import { sessionQuery } from '../../data/queries.ts';
import { Button } from '../../ui/Button.tsx';
import { TextField } from '../../ui/Field.tsx';
import { Front } from './Front.tsx';
import { ZoneField } from './ZoneField.tsx';

export default function FirstRun() {
  const queries = useQueryClient();
  const form = useContractForm(peopleRoutes.firstRun.body, {
    shop: '',
    timeZone: ownZone(),
    name: '',
    passphrase: '',
  });
  const found = useMutation({
    mutationFn: (body: BodyOf<typeof peopleRoutes.firstRun>) => call(peopleRoutes.firstRun, { body }),
    onSuccess: (session) => {
      if (session.timeZone) useAppState.getState().set({ zone: session.timeZone });
      queries.setQueryData(sessionQuery.queryKey, session);
    },
    onError: (error) => form.setError('shop', { message: error.message }),
  });
  const { errors } = form.formState;
  return (
    <Front title="A new shop" sub="This makes the first account: the owner of the shop, who adds the others.">
      <form
        className="flex flex-col gap-4"
        onSubmit={(e) => void form.handleSubmit((v) => found.mutate(v))(e)}
        noValidate
      >
        <TextField
          label="Name of the shop"
          autoFocus
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
          hint="At least 10 characters: a few words are best."
          {...form.register('passphrase')}
        />
        <Button type="submit" variant="main" busy={found.isPending}>
          Open the shop
        </Button>
      </form>
    </Front>
  );
}
