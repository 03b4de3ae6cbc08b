import { peopleRoutes } from '@eclat/contract/people';
import { useQueryClient } from '@tanstack/react-query';
import { api } from '../../data/api.ts';
import { say } from '../../data/app-state.ts';
import { useMe } from '../../data/queries.ts';
import { leave } from '../../data/leave.ts';
import { useContractForm } from '../../data/useContractForm.ts';
import { Panel } from '../../ui/Answer.tsx';
import { Button } from '../../ui/Button.tsx';
import { TextField } from '../../ui/Field.tsx';
import { useAccountCommand } from './useAccountCommand.ts';

/** What is one's own: the passphrase, and where one is signed in. */
export function AccountScreen() {
  const me = useMe();
  const queries = useQueryClient();
  const everywhere = useAccountCommand(api.people.signOutEverywhere, {
    onDone: () => void leave(queries),
  });
  if (!me) return null;
  return (
    <div className="mx-auto grid max-w-5xl gap-6 p-6 md:grid-cols-2">
      <h1 className="text-3xl md:col-span-2">My account</h1>
      <Panel title={`Passphrase of ${me.name}`}>
        <PassphraseForm />
      </Panel>
      <Panel title="Signed in">
        <p className="text-lg">
          A device was lost, or left open somewhere? You are signed out on all of them, on this one too.
        </p>
        <Button
          variant="danger"
          className="mt-4"
          busy={everywhere.isPending}
          onClick={() => everywhere.mutate({ params: {} })}
        >
          Sign out everywhere
        </Button>
      </Panel>
    </div>
  );
}

function PassphraseForm() {
  const form = useContractForm(peopleRoutes.changePassphrase.body, { now: '', passphrase: '' }, null);
  const change = useAccountCommand(api.people.changePassphrase, {
    form,
    onDone: () => {
      form.reset();
      say('Changed. Other devices are signed out.');
    },
  });
  const { errors } = form.formState;
  return (
    <form
      className="flex flex-col gap-4"
      noValidate
      onSubmit={(e) => void form.handleSubmit((body) => change.mutate({ params: {}, body }))(e)}
    >
      <TextField
        label="Passphrase of today"
        type="password"
        autoComplete="current-password"
        error={errors.now?.message}
        {...form.register('now')}
      />
      <TextField
        label="New passphrase"
        type="password"
        autoComplete="new-password"
        hint="At least 12 characters: a few words are best."
        error={errors.passphrase?.message}
        {...form.register('passphrase')}
      />
      <Button type="submit" variant="main" className="self-start" busy={change.isPending}>
        Change it
      </Button>
    </form>
  );
}
