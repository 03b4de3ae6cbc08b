import { useContractForm } from '../../data/useContractForm.ts';
import { peopleRoutes } from '@eclat/contract/people';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { counted } from '@eclat/core/units';
import { useEffect, useState } from 'react';
import { useAppState } from '../../data/app-state.ts';
import { call } from '../../data/call.ts';
import { loadUnsent } from '../../data/outbox.ts';
import { keepSession, sessionQuery } from '../../data/queries.ts';
import { Button } from '../../ui/Button.tsx';
import { TextField, Tick } from '../../ui/Field.tsx';
import { Front } from './Front.tsx';

/** Who has changes on this device that are sent when they sign in. */
function WaitingHere() {
  const unsent = useAppState((s) => s.unsent);
  useEffect(() => void loadUnsent(), []);
  const people = [...new Set(unsent.map((u) => u.by ?? 'somebody'))];
  if (people.length === 0) return null;
  return (
    <p className="rounded-lg bg-brass-wash p-3 text-brass">
      {counted(unsent.length, 'change')} of {people.join(', ')} on this device: sent after signing in.
    </p>
  );
}

export default function SignIn({ shop, demo }: { shop: string; demo: boolean }) {
  const queries = useQueryClient();
  const [tour, setTour] = useState(false);
  const form = useContractForm(peopleRoutes.signIn.body, { name: '', passphrase: '' }, null);
  const signIn = useMutation({
    mutationFn: (body: { name: string; passphrase: string }) => call(peopleRoutes.signIn, { body }),
    onSuccess: (session) => {
      keepSession(session);
      if (tour) useAppState.getState().set({ tour: 0 });
      queries.setQueryData(sessionQuery.queryKey, session);
      void queries.invalidateQueries();
    },
    onError: (error) => form.refused([{ path: 'passphrase', message: error.message }]),
  });
  const { errors } = form.formState;
  return (
    <Front title={shop} sub="Sign in to go to your bench.">
      <form
        className="flex flex-col gap-4"
        onSubmit={(e) => void form.handleSubmit((v) => signIn.mutate(v))(e)}
        noValidate
      >
        <TextField
          label="Name"
          autoFocus
          autoComplete="username"
          error={errors.name?.message}
          {...form.register('name')}
        />
        <TextField
          label="Passphrase"
          type="password"
          autoComplete="current-password"
          error={errors.passphrase?.message}
          {...form.register('passphrase')}
        />
        <Button type="submit" variant="main" busy={signIn.isPending}>
          Sign in
        </Button>
        <WaitingHere />
        {demo && (
          <>
            <Tick
              label="Begin with the first hour, step by step"
              checked={tour}
              onChange={(e) => setTour(e.target.checked)}
            />
            <p className="rounded-lg bg-sunk p-3 text-sm text-soft">
              This is the demo shop. Its people and their passphrase are printed in the window where it was started.
            </p>
          </>
        )}
      </form>
    </Front>
  );
}
