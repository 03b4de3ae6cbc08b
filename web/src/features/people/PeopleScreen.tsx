import { useContractForm } from '../../data/useContractForm.ts';
import { peopleRoutes, ROLES } from '@eclat/contract/people';
import { useQuery } from '@tanstack/react-query';
import { api } from '../../data/api.ts';
import { fetched } from '../../data/fetched.ts';
import { say } from '../../data/app-state.ts';
import { Failed, Loading, Panel } from '../../ui/Answer.tsx';
import { Button } from '../../ui/Button.tsx';
import { SelectField, TextField } from '../../ui/Field.tsx';
import { AccountRow, roleName } from './AccountRow.tsx';
import { useAccountCommand } from './useAccountCommand.ts';
import { Contacts } from '../exchange/Contacts.tsx';
import { KeysPanel } from './KeysPanel.tsx';
import { ShopPanel } from './ShopPanel.tsx';

/** Who works here. Adding is the owner-of-shop's; the server holds to that too. */
export function PeopleScreen() {
  const people = useQuery(fetched(api.people.accounts));
  const form = useContractForm(peopleRoutes.add.body, { name: '', role: 'technician' as const, passphrase: '' }, null);
  const add = useAccountCommand(api.people.add, {
    form,
    onDone: (p) => {
      form.reset();
      say(`${p.name} can sign in now.`);
    },
  });
  if (people.error) return <Failed error={people.error} />;
  if (!people.data) return <Loading what="the people" />;
  const { errors } = form.formState;
  return (
    <div className="mx-auto grid max-w-5xl gap-6 p-6 md:grid-cols-2">
      <h1 className="text-3xl md:col-span-2">People of the shop</h1>
      <div className="flex flex-col gap-6">
        <Panel>
          <ul className="divide-y divide-line">
            {people.data.map((p) => (
              <AccountRow key={p.id} account={p} />
            ))}
          </ul>
        </Panel>
        <Contacts />
      </div>
      <div className="flex flex-col gap-6">
        <Panel title="Add a person">
          <form
            className="flex flex-col gap-4"
            onSubmit={(e) => void form.handleSubmit((body) => add.mutate({ params: {}, body }))(e)}
            noValidate
          >
            <TextField label="Name" error={errors.name?.message} {...form.register('name')} />
            <SelectField label="Role" {...form.register('role')}>
              {ROLES.map((r) => (
                <option key={r} value={r}>
                  {roleName(r)}
                </option>
              ))}
            </SelectField>
            <TextField
              label="Passphrase"
              type="password"
              autoComplete="new-password"
              hint="At least 12 characters: a few words are best."
              error={errors.passphrase?.message}
              {...form.register('passphrase')}
            />
            <Button type="submit" variant="main" busy={add.isPending}>
              Add
            </Button>
          </form>
        </Panel>
        <ShopPanel />
        <KeysPanel />
      </div>
    </div>
  );
}
