import type { Account, Role } from '@eclat/contract';
import { peopleRoutes, ROLES } from '@eclat/contract/people';
import { useState } from 'react';
import { api } from '../../data/api.ts';
import { say } from '../../data/app-state.ts';
import { useContractForm } from '../../data/useContractForm.ts';
import { Button } from '../../ui/Button.tsx';
import { ago } from '../../ui/dates.ts';
import { TextField } from '../../ui/Field.tsx';
import { Sheet } from '../../ui/Sheet.tsx';
import { useNow } from '../../ui/useNow.ts';
import { useAccountCommand } from './useAccountCommand.ts';

/** One account, for the owner of the shop: what they may do, whether they come in, and with what. */
export function AccountRow({ account }: { account: Account }) {
  const now = useNow(60_000);
  const [giving, setGiving] = useState(false);
  const role = useAccountCommand(api.people.setRole, { onDone: (p) => say(`${p.name} is ${roleName(p.role)} now.`) });
  const active = useAccountCommand(api.people.setActive, {
    onDone: (p) => say(account.active ? `${p.name} is locked out.` : `${p.name} can sign in again.`),
  });
  const params = { personId: account.id };
  return (
    <li className="flex flex-col gap-2 py-3">
      <div className="flex items-center justify-between gap-4">
        <div>
          <span className="text-lg font-semibold">{account.name}</span>
          <span className="block text-sm text-soft">{lastSeen(account, now)}</span>
        </div>
        <select
          aria-label={`Role of ${account.name}`}
          className="min-h-12 rounded-lg border border-line bg-enamel px-3 text-lg"
          value={account.role}
          onChange={(e) => role.mutate({ params, body: { role: e.target.value as Role } })}
        >
          {ROLES.map((r) => (
            <option key={r} value={r}>
              {roleName(r)}
            </option>
          ))}
        </select>
      </div>
      <div className="flex flex-wrap gap-2">
        <Button onClick={() => setGiving(true)} aria-label={`New passphrase for ${account.name}`}>
          New passphrase
        </Button>
        <Button
          busy={active.isPending}
          aria-label={`${account.active ? 'Lock out' : 'Let in again'}: ${account.name}`}
          onClick={() => active.mutate({ params, body: { active: !account.active } })}
        >
          {account.active ? 'Lock out' : 'Let in again'}
        </Button>
      </div>
      {giving && <NewPassphrase account={account} onClose={() => setGiving(false)} />}
    </li>
  );
}

export const roleName = (role: Role): string => role.replaceAll('-', ' ');

function lastSeen({ active, seenAt }: Account, now: number): string {
  if (!active) return 'locked out';
  return seenAt ? `seen ${ago(seenAt, now)}` : 'not signed in anywhere';
}

function NewPassphrase({ account, onClose }: { account: Account; onClose: () => void }) {
  const form = useContractForm(peopleRoutes.resetPassphrase.body, { passphrase: '' }, null);
  const give = useAccountCommand(api.people.resetPassphrase, {
    form,
    onDone: (p) => {
      onClose();
      say(`${p.name} signs in with the new passphrase; the one before opens nothing.`);
    },
  });
  return (
    <Sheet
      open
      onClose={onClose}
      title={`New passphrase for ${account.name}`}
      description="They are signed out everywhere, and may change it under their name."
    >
      <form
        className="flex flex-col gap-4"
        noValidate
        onSubmit={(e) => void form.handleSubmit((body) => give.mutate({ params: { personId: account.id }, body }))(e)}
      >
        <TextField
          label="Passphrase"
          autoComplete="off"
          autoFocus
          hint="At least 12 characters: a few words are best."
          error={form.formState.errors.passphrase?.message}
          {...form.register('passphrase')}
        />
        <Button type="submit" variant="main" className="self-start" busy={give.isPending}>
          Give it
        </Button>
      </form>
    </Sheet>
  );
}
