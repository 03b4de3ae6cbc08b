import { ABSENT, descriptionChanges, FAMILIES, familyById, type Traits } from '@eclat/core/movement';
import { Cog } from 'lucide-react';
import { useState } from 'react';
import { useFormContext } from 'react-hook-form';
import { Button } from '../../ui/Button.tsx';
import { Tick } from '../../ui/Field.tsx';
import { Sheet } from '../../ui/Sheet.tsx';
import { DescriptionEditor } from '../movements/description/DescriptionEditor.tsx';
import { StartFrom } from '../movements/description/StartFrom.tsx';
import { traitsTyped, type IntakeForm } from './form.ts';

/** Where this movement is not as its family has it, it is described as found; what was looked for in vain is said. */
export function AsFound() {
  const { watch, setValue, register } = useFormContext<IntakeForm>();
  const [open, setOpen] = useState(false);
  const familyId = watch('movement.familyId') ?? '';
  const fittings = watch('movement.fittings') ?? [];
  const found = watch('movement.traits') as Traits | undefined;
  const family = FAMILIES.find((f) => f.id === familyId);
  const traits = traitsTyped(familyId, fittings, found);
  const keep = (next: Traits | undefined) => setValue('movement.traits', next as IntakeForm['movement'] & undefined);
  return (
    <div className="flex flex-col gap-3 sm:col-span-2">
      <fieldset>
        <legend className="font-semibold">Looked for, and not there</legend>
        <div className="grid gap-x-4 sm:grid-cols-2">
          {ABSENT.map((what) => (
            <Tick key={what} label={`No ${what}`} value={what} {...register('movement.absent')} />
          ))}
        </div>
      </fieldset>
      {found && family && (
        <p>
          <b>As found:</b> {descriptionChanges(family.traits, found).join('; ') || 'as its family has it'}.
        </p>
      )}
      <div className="flex flex-wrap gap-2">
        <Button onClick={() => setOpen(true)}>
          <Cog className="size-5" aria-hidden />
          {found ? 'Change the description' : 'Describe it as found'}
        </Button>
        {found && (
          <Button variant="plain" onClick={() => keep(undefined)}>
            As usual for its family
          </Button>
        )}
      </div>
      <Sheet
        wide
        open={open}
        onClose={() => setOpen(false)}
        title="The movement as found"
        description="Survey, oil chart, checks and cautions follow from this. It can be changed at any time."
      >
        <div className="flex flex-col gap-5">
          <StartFrom
            familyId={familyId}
            onPick={(from, id) => {
              setValue('movement.familyId', id, { shouldValidate: true });
              keep(from === familyById(id).traits ? undefined : from);
            }}
          />
          {traits && <DescriptionEditor traits={traits} versions={[]} onChange={keep} />}
          <Button variant="main" className="self-start" onClick={() => setOpen(false)}>
            {traits ? 'Use this description' : 'Close'}
          </Button>
        </div>
      </Sheet>
    </div>
  );
}
