import { Fold } from '../../ui/Fold.tsx';
import { shopTaskDone, shopTaskFields } from '@eclat/contract/shop-work';
import type { ShopTask } from '@eclat/contract';
import { KINDS, type KindId } from '@eclat/core/stores';
import { useQuery } from '@tanstack/react-query';
import clsx from 'clsx';
import { useState } from 'react';
import { Link } from 'react-router';
import type { z } from 'zod';
import { api } from '../../data/api.ts';
import { fetched } from '../../data/fetched.ts';
import { useCommand } from '../../data/useCommand.ts';
import { useKept } from '../../data/useDraft.ts';
import { useContractForm } from '../../data/useContractForm.ts';
import { Button } from '../../ui/Button.tsx';
import { countdown, dayTime } from '../../ui/dates.ts';
import { SelectField, TextField } from '../../ui/Field.tsx';
import { FormFoot } from '../../ui/FormFoot.tsx';
import { useNow } from '../../ui/useNow.ts';

export const useShopWork = () => useQuery(fetched(api.shopWork.list)).data ?? [];

/**
 * Work that no visit waits for: a part reconditioned for the stores, a second soak after the clock went home.
 * @param visitId of the visit that is on screen: only its own; absent: all of the shop
 */
export function ShopWork({ visitId, open = false }: { visitId?: string; open?: boolean }) {
  const data = useShopWork();
  const [adding, setAdding] = useState(false);
  const mine = data.filter((t) => visitId === undefined || t.visitId === visitId);
  const ended = mine.filter((t) => t.endedAt !== null);
  return (
    <Fold
      title="Work that goes on by itself"
      says={mine.length > ended.length && mine.length - ended.length}
      open={open || adding}
      aside={!adding && <Button onClick={() => setAdding(true)}>Begin such work</Button>}
    >
      {adding && <Begin visitId={visitId ?? null} onClose={() => setAdding(false)} />}
      <ul className="divide-y divide-line">
        {mine
          .filter((t) => t.endedAt === null)
          .map((t) => (
            <Task key={t.id} task={t} />
          ))}
      </ul>
      {mine.length === 0 && !adding && (
        <p className="text-soft">
          An old part reconditioned for the stores, a second soak: no signature waits for it, and it ends in the stores.
        </p>
      )}
      {ended.length > 0 && (
        <details className="mt-3">
          <summary className="min-h-11 cursor-pointer font-semibold">Ended: {ended.length}</summary>
          <ul className="text-sm">
            {ended.map((t) => (
              <li key={t.id} className="py-1">
                <b>{t.thing}</b>: {t.ended}{' '}
                <span className="text-soft">
                  {t.endedBy}, {dayTime(t.endedAt!)}
                </span>
              </li>
            ))}
          </ul>
        </details>
      )}
    </Fold>
  );
}

function Begin({ visitId, onClose }: { visitId: string | null; onClose: () => void }) {
  const form = useContractForm<z.input<typeof shopTaskFields>>(
    shopTaskFields,
    { thing: '', next: '', waitHours: 0, visitId },
    `shop-work.${visitId ?? 'shop'}`,
  );
  const add = useCommand(api.shopWork.add, {
    what: 'Work of the shop',
    onSent: () => {
      form.forget();
      onClose();
    },
  });
  const { errors } = form.formState;
  return (
    <form
      className="mb-4 grid items-start gap-3 sm:grid-cols-2"
      noValidate
      onSubmit={(e) => void form.handleSubmit((body) => add.mutate({ params: {}, body }))(e)}
    >
      <TextField
        label="What it is"
        placeholder="Old rotor, sealed"
        error={errors.thing?.message}
        {...form.register('thing')}
      />
      <TextField label="What comes next" placeholder="Take it out of its soak" {...form.register('next')} />
      <TextField
        label="After so many hours"
        type="number"
        error={errors.waitHours?.message}
        {...form.register('waitHours', { valueAsNumber: true })}
      />
      <FormFoot className="sm:mt-7" busy={add.isPending} onClose={onClose}>
        Begin it
      </FormFoot>
    </form>
  );
}

function Task({ task }: { task: ShopTask }) {
  const now = useNow();
  const [doing, setDoing] = useState<'step' | 'end' | null>(null);
  const left = task.waitEndsAt === null ? null : Date.parse(task.waitEndsAt) - now;
  const due = left !== null && left <= 0;
  return (
    <li className="py-3">
      <div className="flex flex-wrap items-center gap-x-4 gap-y-2">
        <div className="min-w-52 flex-1">
          <b className="text-lg">{task.thing}</b>
          {task.claim && (
            <Link className="ml-2 text-sm font-semibold text-steel underline" to={`/visits/${task.visitId}`}>
              {task.claim}
            </Link>
          )}
          <p className={clsx(due && 'font-semibold text-brass')}>
            {task.next || 'Nothing said of what comes next'}
            {left !== null && (due ? ': now' : `: in ${countdown(left)}`)}
          </p>
        </div>
        <Button variant={due ? 'main' : 'quiet'} onClick={() => setDoing(doing === 'step' ? null : 'step')}>
          Done, and next
        </Button>
        <Button onClick={() => setDoing(doing === 'end' ? null : 'end')}>End it</Button>
      </div>
      {task.log.length > 0 && (
        <p className="text-sm text-soft">{task.log.map((l) => `${l.did} (${l.by}, ${dayTime(l.at)})`).join('; ')}</p>
      )}
      {doing === 'step' && <Step task={task} onClose={() => setDoing(null)} />}
      {doing === 'end' && <End task={task} onClose={() => setDoing(null)} />}
    </li>
  );
}

function Step({ task, onClose }: { task: ShopTask; onClose: () => void }) {
  const form = useContractForm<z.input<typeof shopTaskDone>>(
    shopTaskDone,
    { did: task.next, next: '', waitHours: 0 },
    `shop-work.${task.id}`,
  );
  const log = useCommand(api.shopWork.log, { what: task.thing, onSent: () => (form.forget(), onClose()) });
  const { errors } = form.formState;
  return (
    <form
      className="mt-3 grid items-start gap-3 sm:grid-cols-3"
      noValidate
      onSubmit={(e) =>
        void form.handleSubmit((body) =>
          log.mutate({ params: { taskId: task.id }, body: { ...body, version: task.version } }),
        )(e)
      }
    >
      <TextField label="What was done" autoFocus error={errors.did?.message} {...form.register('did')} />
      <TextField label="What comes next" {...form.register('next')} />
      <TextField
        label="After so many hours"
        type="number"
        error={errors.waitHours?.message}
        {...form.register('waitHours', { valueAsNumber: true })}
      />
      <FormFoot className="sm:col-span-3" busy={log.isPending} onClose={onClose}>
        Save
      </FormFoot>
    </form>
  );
}

function End({ task, onClose }: { task: ShopTask; onClose: () => void }) {
  const [name, setName, forgetName] = useKept(`shop-work.${task.id}.name`, task.thing);
  const [kind, setKind] = useState<KindId>('other');
  const [why, setWhy, forgetWhy] = useKept(`shop-work.${task.id}.why`, '');
  const end = useCommand(api.shopWork.end, {
    what: task.thing,
    onSent: () => (forgetName(), forgetWhy(), onClose()),
  });
  const send = (how: { kind: KindId; name: string } | { why: string }) =>
    end.mutate({ params: { taskId: task.id }, body: { end: how, version: task.version } });
  return (
    <div className="mt-3 grid items-start gap-3 sm:grid-cols-[1fr_1fr_auto]">
      <TextField label="In the stores it is called" value={name} onChange={(e) => setName(e.target.value)} />
      <SelectField label="Kind" value={kind} onChange={(e) => setKind(e.target.value as KindId)}>
        {KINDS.map((k) => (
          <option key={k.id} value={k.id}>
            {k.name}
          </option>
        ))}
      </SelectField>
      <Button
        variant="main"
        className="sm:mt-7"
        disabled={name.trim() === ''}
        busy={end.isPending}
        onClick={() => send({ kind, name })}
      >
        Into the stores
      </Button>
      <TextField
        className="sm:col-span-2"
        label="Or why it came to nothing"
        value={why}
        onChange={(e) => setWhy(e.target.value)}
      />
      <Button className="sm:mt-7" disabled={why.trim() === ''} onClick={() => send({ why })}>
        Give it up
      </Button>
    </div>
  );
}
