import type { BodyOf } from '@eclat/contract';
import { settingFields } from '@eclat/contract/assembly';
import type { Check } from '@eclat/core/checks';
import { Undo2 } from 'lucide-react';
import { useId } from 'react';
import { api } from '../../data/api.ts';
import { say } from '../../data/app-state.ts';
import { useCommand } from '../../data/useCommand.ts';
import { useContractForm } from '../../data/useContractForm.ts';
import { useTakeOut } from '../../data/useTakeOut.ts';
import { Button } from '../../ui/Button.tsx';
import { ago } from '../../ui/dates.ts';
import { TextField } from '../../ui/Field.tsx';
import { useNow } from '../../ui/useNow.ts';
import { useThisVisit } from '../visit/useThisVisit.ts';

type Fields = BodyOf<typeof api.assembly.addSetting>;
const EMPTY: Fields = { what: '', way: '', amount: '' };

/** What was moved after the check failed, try after try; and while it stands failed, the next one. */
export function SetHere({ check, failed }: { check: Check; failed: boolean }) {
  const visit = useThisVisit();
  const now = useNow(60_000);
  const tries = visit.settings.filter((s) => s.check === check.id);
  const before = visit.earlierChecks.filter((c) => c.check === check.id);
  const remove = useTakeOut(api.assembly.removeSetting, 'Setting');
  const params = { visitId: visit.id, check: check.id };
  return (
    <>
      {before.length > 0 && (
        <p className="text-sm text-soft">
          Before: {before.map((b) => `${b.result}${b.note && `, ${b.note}`} (${ago(b.at, now)})`).join('; ')}.
        </p>
      )}
      {tries.length > 0 && (
        <ol aria-label={`Set here: ${check.what}`} className="flex flex-col">
          {tries.map(({ id, what, way, amount, by, at }, i) => (
            <li key={id} className="flex items-center gap-2">
              <span>
                <b>Try {i + 1}</b>: {[what, way, amount].filter(Boolean).join(', ')}. {by}, {ago(at, now)}.
              </span>
              {!visit.closedAt && i === tries.length - 1 && (
                <Button
                  variant="plain"
                  aria-label={`Take back try ${i + 1}: ${check.what}`}
                  onClick={() => remove({ params: { ...params, settingId: id } })}
                >
                  <Undo2 className="size-5" aria-hidden />
                </Button>
              )}
            </li>
          ))}
        </ol>
      )}
      {failed && !visit.closedAt && <SettingForm check={check} />}
    </>
  );
}

function SettingForm({ check }: { check: Check }) {
  const visit = useThisVisit();
  const ways = useId();
  const form = useContractForm<Fields>(settingFields, EMPTY, `set-here.${visit.id}.${check.id}`);
  const add = useCommand(api.assembly.addSetting, {
    what: 'Set here',
    onSent: () => form.taken(EMPTY),
    onDone: () => say('Set. Check it again.'),
  });
  return (
    <form
      className="mt-2 grid items-end gap-2 sm:grid-cols-[minmax(0,2fr)_minmax(0,1fr)_minmax(0,1fr)_auto]"
      noValidate
      onSubmit={(e) =>
        void form.handleSubmit((body) => add.mutate({ params: { visitId: visit.id, check: check.id }, body }))(e)
      }
    >
      <TextField label="What was moved" error={form.formState.errors.what?.message} {...form.register('what')} />
      <TextField label="Which way" list={ways} {...form.register('way')} />
      <datalist id={ways}>
        {['in', 'out', 'up', 'down', 'left', 'right', 'looser', 'tighter'].map((w) => (
          <option key={w} value={w} />
        ))}
      </datalist>
      <TextField label="How much" {...form.register('amount')} />
      <Button type="submit" busy={add.isPending}>
        Set here
      </Button>
    </form>
  );
}
