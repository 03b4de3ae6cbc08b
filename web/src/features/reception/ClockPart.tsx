import { MARK_PLACES } from '@eclat/contract/movements';
import { FAMILIES, type Fitting } from '@eclat/core/movement';
import { counted } from '@eclat/core/units';
import { BookOpen, Plus, Trash2 } from 'lucide-react';
import { useEffect, useState } from 'react';
import { useFieldArray, useFormContext } from 'react-hook-form';
import { useBook, useOwnerClocks } from '../../data/queries.ts';
import { Panel } from '../../ui/Answer.tsx';
import { Button } from '../../ui/Button.tsx';
import { Choice } from '../../ui/Choice.tsx';
import { SelectField, TextField, Tick } from '../../ui/Field.tsx';
import { AsFound } from './AsFound.tsx';
import { CameWithRecord } from './CameWithRecord.tsx';
import { KnownHere, Past } from './KnownHere.tsx';
import { asKnown, asNew, NO_MOVEMENT, type IntakeForm } from './form.ts';

/** Dangers that are asked once at the counter and then shown wherever they matter. */
const ASKED: readonly (readonly [Fitting, string])[] = [
  ['luminous paint', 'Luminous paint'],
  ['mercury pendulum', 'Mercury pendulum'],
  ['dome', 'Glass dome'],
  ['mains cord', 'Mains cord'],
  ['moon work', 'Moon work'],
  ['calendar work', 'Calendar'],
];

export function ClockPart() {
  const { watch, setValue } = useFormContext<IntakeForm>();
  const ownerId = watch('ownerId');
  const clockId = watch('clockId');
  const clocks = useOwnerClocks(ownerId);
  const pickClock = (id: string | undefined) => {
    setValue('clockId', id);
    setValue('clock', id ? undefined : { description: '' });
    setValue('movementId', undefined);
    setValue('record', undefined);
    setValue('movement', id ? undefined : NO_MOVEMENT);
  };
  const known = clocks.data?.find((c) => c.id === clockId);
  return (
    <Panel title="Clock and movement">
      {clocks.data && clocks.data.length > 0 && (
        <ul aria-label="Clocks of this owner" className="mb-4 flex flex-col gap-2">
          {clocks.data.map((c) => (
            <li key={c.id}>
              <button
                type="button"
                aria-pressed={clockId === c.id}
                onClick={() => pickClock(clockId === c.id ? undefined : c.id)}
                className={
                  'flex min-h-12 w-full items-center gap-3 rounded-lg border border-steel px-3 ' +
                  'text-left hover:bg-steel-wash aria-pressed:bg-steel aria-pressed:text-steel-ink'
                }
              >
                <span className="font-bold">{c.description}</span>
                <span className="ml-auto text-sm">{c.movement.code}</span>
              </button>
            </li>
          ))}
        </ul>
      )}
      {known ? <Past movementId={known.movement.id} name={known.movement.name} /> : <NewMovement />}
    </Panel>
  );
}

function NewMovement() {
  const {
    register,
    watch,
    setValue,
    formState: { errors },
  } = useFormContext<IntakeForm>();
  const movementId = watch('movementId');
  const familyId = watch('movement.familyId');
  const fittings = watch('movement.fittings') ?? [];
  const family = FAMILIES.find((f) => f.id === familyId);
  const found = watch('movement.traits') !== undefined;
  // The movement here that a record is of.
  const [ofRecord, setOfRecord] = useState<string | null>(null);
  return (
    <div className="grid gap-4 sm:grid-cols-2">
      <TextField
        className="sm:col-span-2"
        label="The clock"
        placeholder="Slate mantel clock with gilt columns"
        error={errors.clock?.description?.message ?? errors.clock?.message}
        {...register('clock.description')}
      />
      {movementId ? (
        <KnownMovement movementId={movementId} />
      ) : (
        <>
          <CameWithRecord onBook={setOfRecord} />
          <TextField
            className="sm:col-span-2"
            label="The movement"
            placeholder="Round-plate movement, outside count wheel"
            error={errors.movement?.name?.message ?? errors.movement?.message}
            {...register('movement.name')}
          />
          <SelectField
            label="Family"
            error={errors.movement?.familyId?.message}
            hint={family?.special}
            {...register('movement.familyId')}
          >
            <option value="">Choose …</option>
            {FAMILIES.map((f) => (
              <option key={f.id} value={f.id}>
                {f.name}
              </option>
            ))}
          </SelectField>
          <TextField label="Maker’s mark" error={errors.movement?.maker?.message} {...register('movement.maker')} />
          <Marks but={ofRecord} />
          {!found && (
            <fieldset className="sm:col-span-2">
              <legend className="font-semibold">Also here</legend>
              <div className="grid grid-cols-2 gap-x-4 sm:grid-cols-3">
                {ASKED.map(([id, name]) => (
                  <Tick
                    key={id}
                    label={name}
                    checked={fittings.includes(id)}
                    onChange={(e) =>
                      setValue(
                        'movement.fittings',
                        e.target.checked ? [...fittings, id] : fittings.filter((f) => f !== id),
                      )
                    }
                  />
                ))}
              </div>
            </fieldset>
          )}
          <AsFound />
        </>
      )}
    </div>
  );
}

/** A known movement mostly comes in the clock that it was in; then case and dial keep their history too. */
function WhichClock({ movementId }: { movementId: string }) {
  const { watch, setValue, getValues } = useFormContext<IntakeForm>();
  const clock = useBook(movementId).data?.clock;
  const chosen = watch('clock.id');
  useEffect(() => {
    if (!clock) return;
    setValue('clock.id', clock.id);
    if (!getValues('clock.description')) setValue('clock.description', clock.description);
  }, [clock, getValues, setValue]);
  if (!clock) return null;
  return (
    <div className="w-full">
      <Choice
        label={`When it was here, it was in: ${clock.description}`}
        value={chosen ? 'same' : 'another'}
        options={[
          ['same', 'In that clock'],
          ['another', 'In another case'],
        ]}
        onChange={(v) => setValue('clock.id', v === 'same' ? clock.id : undefined)}
      />
    </div>
  );
}

function KnownMovement({ movementId }: { movementId: string }) {
  const form = useFormContext<IntakeForm>();
  const record = form.watch('record');
  const refused = form.formState.errors.movement?.history?.message ?? form.formState.errors.record?.message;
  return (
    <div
      className={
        'flex flex-wrap items-center justify-between gap-3 rounded-lg border-2 border-steel ' +
        'bg-steel-wash px-4 py-3 sm:col-span-2'
      }
    >
      <span className="flex items-center gap-3 font-bold">
        <BookOpen aria-hidden />A movement that is known here, with its history
      </span>
      <Button onClick={() => asNew(form)}>Not this one</Button>
      {record && (
        <p className="w-full">
          The record that came with it, {counted(record.history.length, 'entry', 'entries')}, is joined into its book.
        </p>
      )}
      {refused && (
        <p className="w-full font-semibold text-danger" role="alert">
          {refused}
        </p>
      )}
      <WhichClock movementId={movementId} />
      <div className="w-full">
        <Past movementId={movementId} name="" />
      </div>
    </div>
  );
}

/**
 * Numbers and marks, each with its place. One that is known already is shown before a second movement is made by
 * accident.
 */
function Marks({ but }: { but: string | null }) {
  const form = useFormContext<IntakeForm>();
  const {
    register,
    control,
    watch,
    setValue,
    clearErrors,
    formState: { errors },
  } = form;
  const marks = useFieldArray({ control, name: 'movement.marks' });
  const typed = (watch('movement.marks') ?? []).map((m) => m.text).findLast((t) => t.trim().length >= 2) ?? '';
  return (
    <div className="flex flex-col gap-2 sm:col-span-2">
      <span className="font-semibold">Numbers and marks, by place</span>
      {marks.fields.map((field, i) => (
        <div key={field.id} className="grid grid-cols-[1fr_1fr_3rem] items-start gap-2">
          <SelectField label="Place" {...register(`movement.marks.${i}.place`)}>
            {MARK_PLACES.map((p) => (
              <option key={p}>{p}</option>
            ))}
          </SelectField>
          <TextField
            label="Number or mark"
            error={errors.movement?.marks?.[i]?.text?.message}
            {...register(`movement.marks.${i}.text`)}
          />
          <button
            type="button"
            aria-label="Take this mark out"
            className="mt-7 grid size-12 place-items-center rounded-lg hover:bg-danger-wash"
            onClick={() => marks.remove(i)}
          >
            <Trash2 className="size-5" />
          </button>
        </div>
      ))}
      {errors.movement?.marks?.message && <p className="font-semibold text-danger">{errors.movement.marks.message}</p>}
      <KnownHere
        text={typed}
        but={but}
        another={watch('another') ?? false}
        onTake={(id) => asKnown(form, id)}
        onAnother={() => {
          setValue('another', true);
          clearErrors('movement.marks');
        }}
      />
      <Button className="self-start" onClick={() => marks.append({ place: 'back plate', text: '' })}>
        <Plus className="size-5" aria-hidden />
        Add a number or mark
      </Button>
    </div>
  );
}
