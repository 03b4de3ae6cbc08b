import type { Owner } from '@eclat/contract';
import { UserRound } from 'lucide-react';
import { useFormContext } from 'react-hook-form';
import { useOwners } from '../../data/queries.ts';
import { Panel } from '../../ui/Answer.tsx';
import { Button } from '../../ui/Button.tsx';
import { TextArea, TextField } from '../../ui/Field.tsx';
import { NO_MOVEMENT, type IntakeForm } from './form.ts';

/** The name to show for an owner that was picked, over a reload too. */
export const keepKnownName = (shown: string): void => sessionStorage.setItem('eclat.intake.owner', shown);

/** A returning owner is offered while the name or the phone is typed. */
export function OwnerPart() {
  const {
    register,
    watch,
    setValue,
    formState: { errors },
  } = useFormContext<IntakeForm>();
  const known = watch('ownerId');
  const found = useOwners(searchedFor(watch('owner.name') ?? '', watch('owner.phone') ?? ''));
  const pick = (id: string, shown: string) => {
    setValue('ownerId', id);
    setValue('owner', undefined);
    keepKnownName(shown);
  };
  const own = (is: boolean) => {
    setValue('ownStock', is);
    setValue('owner', is ? undefined : { name: '', phone: '', email: '', address: '' });
  };
  if (watch('ownStock')) return <ShopsOwn onOwner={() => own(false)} />;
  if (known)
    return (
      <Panel title="Owner">
        <div
          className={
            'flex flex-wrap items-center justify-between gap-3 rounded-lg border-2 border-steel ' +
            'bg-steel-wash px-4 py-3'
          }
        >
          <span className="flex items-center gap-3 text-xl font-bold">
            <UserRound aria-hidden />
            {sessionStorage.getItem('eclat.intake.owner') ?? 'A known owner'}
          </span>
          <Button
            onClick={() => {
              setValue('ownerId', undefined);
              setValue('clockId', undefined);
              setValue('owner', { name: '', phone: '', email: '', address: '' });
              setValue('clock', { description: '' });
              setValue('movement', NO_MOVEMENT);
            }}
          >
            Somebody else
          </Button>
        </div>
        <p className="mt-2 text-soft">Known here. Choose the clock, or take a new one in for them.</p>
      </Panel>
    );
  return (
    <Panel title="Owner">
      <div className="grid gap-4 sm:grid-cols-2">
        <TextField
          label="Name"
          error={errors.owner?.name?.message ?? errors.owner?.message}
          {...register('owner.name')}
        />
        <TextField label="Phone" inputMode="tel" error={errors.owner?.phone?.message} {...register('owner.phone')} />
        <KnownOwners found={found.data?.items ?? []} onPick={pick} />
        <TextField label="E-mail" type="email" error={errors.owner?.email?.message} {...register('owner.email')} />
        <TextArea label="Address" rows={2} error={errors.owner?.address?.message} {...register('owner.address')} />
        <div className="sm:col-span-2">
          <Button variant="plain" onClick={() => own(true)}>
            The shop’s own: no owner
          </Button>
        </div>
      </div>
    </Panel>
  );
}

/** The shop's own clock: nobody is asked. */
function ShopsOwn({ onOwner }: { onOwner: () => void }) {
  return (
    <Panel title="Owner">
      <div className="flex flex-wrap items-center justify-between gap-3">
        <span className="text-xl font-bold">The shop’s own</span>
        <Button onClick={onOwner}>It is an owner’s</Button>
      </div>
      <p className="mt-2 text-soft">Nobody is asked for a word, and nothing goes home.</p>
    </Panel>
  );
}

function KnownOwners({ found, onPick }: { found: readonly Owner[]; onPick: (id: string, shown: string) => void }) {
  if (found.length === 0) return null;
  return (
    <ul aria-label="Known owners" className="flex flex-col gap-2 sm:col-span-2">
      {found.slice(0, 4).map((o) => (
        <li key={o.id}>
          <button
            type="button"
            onClick={() => onPick(o.id, o.name)}
            className={
              'flex min-h-12 w-full flex-wrap items-center gap-x-4 rounded-lg border ' +
              'border-steel px-3 text-left hover:bg-steel-wash'
            }
          >
            <UserRound className="size-5 text-steel" aria-hidden />
            <span className="font-bold">{o.name}</span>
            <span className="text-soft">{o.phone}</span>
            <span className="ml-auto font-semibold text-steel">This owner</span>
          </button>
        </li>
      ))}
    </ul>
  );
}

function searchedFor(name: string, phone: string) {
  if (name.length > 1) return name;
  if (phone.length > 3) return phone;
  return '';
}
