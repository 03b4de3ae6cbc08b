import { useContractForm } from '../../data/useContractForm.ts';
import { peopleRoutes, ROLES } from '@eclat/contract/people';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { api } from '../../data/api.ts';
import { call, Refusal } from '../../data/call.ts';
import { afterCommand } from '../../data/refresh.ts';
import { usePeople } from '../../data/queries.ts';
import { say } from '../../data/app-state.ts';
import { Failed, Loading, Panel } from '../../ui/Answer.tsx';
import { Button } from '../../ui/Button.tsx';
import { SelectField, TextField } from '../../ui/Field.tsx';
import { ShopPanel } from './ShopPanel.tsx';

/** Who works here. Adding is the owner-of-shop's; the server holds to that too. */
export function PeopleScreen() {
  const people = usePeople();
  const queries = useQueryClient();
  const form = useContractForm(peopleRoutes.add.body, { name: '', role: 'technician' as const, passphrase: '' });
  const add = useMutation({
    mutationFn: (body: Parameters<typeof form.reset>[0] & object) => call(peopleRoutes.add, { body: body as never }),
    onSuccess: (p) => {
      form.reset();
      say(`${p.name} can sign in now.`);
      afterCommand(queries, api.people.add, {}, p);
    },
    onError: (error) =>
      form.setError('name', {
        message: error instanceof Refusal ? (error.problem.fields?.[0]?.message ?? error.message) : error.message,
      }),
  });
  if (people.error) return <Failed error={people.error} />;
  if (!people.data) return <Loading what="the people" />;
  const { errors } = form.formState;
  return (
    <div className="mx-auto grid max-w-5xl gap-6 p-6 md:grid-cols-2">
      <Panel title="People of the shop">
        <ul className="divide-y divide-line">
          {people.data.map((p) => (
            <li key={p.id} className="flex min-h-12 items-center justify-between gap-4">
              <span className="text-lg font-semibold">{p.name}</span>
              <span className="text-soft">{p.role.replaceAll('-', ' ')}</span>
            </li>
          ))}
        </ul>
      </Panel>
      <ShopPanel />
      <Panel title="Add a person">
        <form
          className="flex flex-col gap-4"
          onSubmit={(e) => void form.handleSubmit((v) => add.mutate(v))(e)}
          noValidate
        >
          <TextField label="Name" error={errors.name?.message} {...form.register('name')} />
          <SelectField label="Role" {...form.register('role')}>
            {ROLES.map((r) => (
              <option key={r} value={r}>
                {r.replaceAll('-', ' ')}
              </option>
            ))}
          </SelectField>
          <TextField
            label="Passphrase"
            type="password"
            autoComplete="new-password"
            error={errors.passphrase?.message}
            {...form.register('passphrase')}
          />
          <Button type="submit" variant="main" busy={add.isPending}>
            Add
          </Button>
        </form>
      </Panel>
    </div>
  );
}
