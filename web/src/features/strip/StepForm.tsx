import { useContractForm } from '../../data/useContractForm.ts';
import type { StripStep } from '@eclat/contract';
import { stepFields } from '@eclat/contract/strip';
import { comesOff, HELD_BY, placesFor, REMARKS, trainsLeft, type RemarkId } from '@eclat/core/strip';
import { ListPlus } from 'lucide-react';
import { useEffect, useState } from 'react';
import type { UseFormSetValue } from 'react-hook-form';
import { unlessByFinger } from '../../ui/finger.ts';
import { BigAction } from '../../ui/BigAction.tsx';
import type { z } from 'zod';
import { api } from '../../data/api.ts';
import { useCommand } from '../../data/useCommand.ts';
import { say } from '../../data/app-state.ts';
import { Panel } from '../../ui/Answer.tsx';
import { counted } from '@eclat/core/units';
import { Fold } from '../../ui/Fold.tsx';
import { Button } from '../../ui/Button.tsx';
import { TextField } from '../../ui/Field.tsx';
import { useThisVisit } from '../visit/useThisVisit.ts';
import { Opens } from './Opens.tsx';
import { PhotoPick, stripPhotos } from './PhotoPick.tsx';
import { SpokenRemark } from '../recordings/SpokenRemark.tsx';

export type Fields = z.input<typeof stepFields>;
const LABELS = {
  what: 'What',
  heldBy: 'Held by',
  place: 'Goes where',
  note: 'Remark in words',
  group: 'Belongs to',
  opens: 'Opens',
};
const chip =
  'min-h-11 rounded-full border-2 border-line px-4 font-semibold hover:bg-steel-wash ' +
  'aria-pressed:border-steel aria-pressed:bg-steel aria-pressed:text-steel-ink';

const FORM = 'strip-step';

/** For one hand: press what, what held it, where it goes. The place stays for the next, the rest is empty again. */
export function StepForm({ step, onClose }: { step: StripStep | null; onClose: () => void }) {
  const it = useStepForm(step, onClose);
  const { traits, form, busy, send, heldBy, place, remarks, offered, photos, toggle } = it;
  return (
    <Panel title={step ? 'Correct a step' : 'Comes off now'}>
      <form id={FORM} className="flex flex-col gap-3" noValidate onSubmit={(e) => void form.handleSubmit(send)(e)}>
        <Opens form={form} />
        <BigAction>
          <Button type="submit" form={FORM} variant="main" className="whitespace-nowrap" busy={busy}>
            <ListPlus className="size-5 max-sm:hidden" aria-hidden />
            {step ? 'Save changes' : 'Log it'}
          </Button>
        </BigAction>
        <div>
          <TextField label={LABELS.what} error={form.formState.errors.what?.message} {...form.register('what')} />
          {!step && <UsuallyNext form={form} offered={offered} />}
          {!step && <WholeTrains />}
        </div>
        <Chips
          label={LABELS.heldBy}
          list={HELD_BY}
          value={heldBy ?? ''}
          onPress={(v) => form.setValue('heldBy', heldBy === v ? '' : v, { shouldDirty: true })}
        />
        <div>
          <Chips
            label={LABELS.place}
            list={placesFor(traits)}
            value={place ?? ''}
            onPress={(v) => {
              form.setValue('place', place === v ? '' : v, { shouldDirty: true });
              enterLogs(form);
            }}
          />
        </div>
        <PhotoPick
          photos={photos}
          value={it.photoId ?? null}
          onChange={(id) => form.setValue('photoId', id, { shouldDirty: true })}
        />
        <Fold bare title="Another place, remark, group" says={remarks.length > 0 && counted(remarks.length, 'remark')}>
          <div className="flex flex-col gap-3">
            <TextField label="Another place" {...form.register('place')} />
            <div role="group" aria-label="Mind" className="flex flex-wrap gap-2">
              <span className="w-full font-semibold">Mind</span>
              {REMARKS.map(([id, name]) => (
                <button
                  key={id}
                  type="button"
                  aria-pressed={remarks.includes(id)}
                  className={chip}
                  onClick={() => toggle(id)}
                >
                  {name}
                </button>
              ))}
            </div>
            <Words form={form} />
            <SpokenRemark
              value={form.watch('recordingId') ?? null}
              onChange={(id) => form.setValue('recordingId', id, { shouldDirty: true })}
            />
          </div>
        </Fold>
        {step && (
          <Button variant="plain" className="self-start" onClick={onClose}>
            Close
          </Button>
        )}
      </form>
    </Panel>
  );
}

/** Once its plates are parted a train goes onto its wire in one press, in the order of its arbors. */
function WholeTrains() {
  const visit = useThisVisit();
  const off = visit.strip.steps.filter((s) => s.fate === 'apart').map((s) => s.what);
  const left = trainsLeft(visit.movement.traits, visit.rules.held, off);
  const params = { visitId: visit.id };
  const add = useCommand(api.strip.addTrain, {
    what: 'Train',
    onDone: (_reply, { body }, undo) => say(`All onto the ${body!.place}.`, 'good', undo),
  });
  if (left.length === 0) return null;
  return (
    <div className="mt-2 flex flex-wrap gap-2" role="group" aria-label="A whole train">
      {left.map(({ train, name, parts, wire }) => (
        <Button key={train} busy={add.isPending} onClick={() => add.mutate({ params, body: { train, place: wire } })}>
          <span>
            <span className="capitalize">{name}</span> train onto its wire, {counted(parts.length, 'part')}
          </span>
        </Button>
      ))}
    </div>
  );
}

/** What comes off and where it goes are chosen: from a keyboard the next Enter logs it. */
const enterLogs = (form: ReturnType<typeof useStepForm>['form']) => unlessByFinger(() => form.setFocus('what'));

/** So many are offered at first. */
const FIRST = 6;

/** What usually comes off next: the first few, all of it with one press, or what goes with what is typed. */
function UsuallyNext({ form, offered }: { form: ReturnType<typeof useStepForm>['form']; offered: readonly string[] }) {
  const [all, setAll] = useState(false);
  const typed = form.watch('what').trim().toLowerCase();
  const fitting = offered.filter((w) => w.toLowerCase().includes(typed));
  // What was pressed, or typed to its end, is no search.
  const searching = typed !== '' && fitting.length > 0 && !offered.some((w) => w.toLowerCase() === typed);
  const list = searching ? fitting : offered;
  const shown = all || searching ? list : list.slice(0, FIRST);
  return (
    <div className="mt-2 flex flex-wrap gap-2" role="group" aria-label="Usually next">
      {shown.map((w) => (
        <button
          key={w}
          type="button"
          className={chip}
          onClick={() => {
            form.setValue('what', w, { shouldDirty: true, shouldValidate: true });
            enterLogs(form);
          }}
        >
          {w}
        </button>
      ))}
      {shown.length < list.length && (
        <button type="button" className={`${chip} border-dashed`} onClick={() => setAll(true)}>
          {list.length - shown.length} more
        </button>
      )}
    </div>
  );
}

/** A remark in words, and what it belongs to: a group, or a sub-assembly that goes by itself. */
function Words({ form }: { form: ReturnType<typeof useStepForm>['form'] }) {
  const units = useThisVisit().units.map((u) => u.name);
  return (
    <>
      {units.length > 0 && (
        <Chips
          label="Part of"
          list={units}
          value={form.watch('group') ?? ''}
          onPress={(v) => form.setValue('group', form.getValues('group') === v ? '' : v, { shouldDirty: true })}
        />
      )}
      <div className="grid gap-4 sm:grid-cols-2">
        <TextField label={LABELS.note} {...form.register('note')} />
        <TextField label={LABELS.group} placeholder="strike levers" {...form.register('group')} />
      </div>
    </>
  );
}

/** The photos a step may be given. One that was taken since the last step is of this one. */
function usePhotosOf(step: StripStep | null, setValue: UseFormSetValue<Fields>) {
  const visit = useThisVisit();
  const { steps } = visit.strip;
  const photos = stripPhotos(visit);
  const newest = photos[0];
  const since = steps.at(-1)?.at ?? '';
  const itsOwn = newest !== undefined && newest.at > since && !steps.some((s) => s.photoId === newest.id);
  const newestId = itsOwn && !step ? newest.id : null;
  useEffect(() => {
    if (newestId) setValue('photoId', newestId, { shouldDirty: true });
  }, [newestId, setValue]);
  return photos;
}

function useStepForm(step: StripStep | null, onClose: () => void) {
  const visit = useThisVisit();
  const { traits } = visit.movement;
  const { steps } = visit.strip;
  const lastPlace = steps.at(-1)?.place ?? '';
  const fresh: Fields = {
    what: '',
    heldBy: '',
    place: lastPlace,
    remarks: [],
    note: '',
    group: '',
    photoId: null,
    recordingId: null,
    opens: null,
    overrideReason: '',
  };
  const form = useContractForm<Fields>(
    stepFields,
    step ?? fresh,
    `step.${visit.id}.${step ? `${step.id}.${step.version}` : 'new'}`,
  );
  const add = useCommand(api.strip.addStep, {
    what: 'Step',
    onFields: form.refused,
    onSent: () => {
      enterLogs(form);
      form.taken({ ...fresh, place: form.getValues('place') ?? '' });
    },
    onDone: (s, _sent, undo) => say(`${s.what}: ${s.place || 'logged'}.`, 'good', undo),
  });
  const change = useCommand(api.strip.changeStep, {
    what: 'Step',
    labels: LABELS,
    onFields: form.refused,
    onSent: () => {
      form.forget();
      onClose();
    },
  });
  const send = (f: Fields) => {
    const { what, heldBy, place, remarks, note, group, photoId, recordingId, opens, overrideReason } = f;
    const body = { what, heldBy, place, remarks, note, group, photoId, recordingId, opens, overrideReason };
    if (step)
      change.mutate({ params: { visitId: visit.id, stepId: step.id }, body: { ...body, version: step.version } });
    else add.mutate({ params: { visitId: visit.id }, body });
  };
  const [heldBy, place, remarks, photoId] = [
    form.watch('heldBy'),
    form.watch('place'),
    form.watch('remarks') ?? [],
    form.watch('photoId'),
  ];
  const offered = comesOff(traits, visit.rules.held).filter(
    (w) => !steps.some((s) => s.what === w && s.fate === 'apart'),
  );
  const photos = usePhotosOf(step, form.setValue);
  const toggle = (id: RemarkId) =>
    form.setValue('remarks', remarks.includes(id) ? remarks.filter((r) => r !== id) : [...remarks, id], {
      shouldDirty: true,
    });
  return {
    traits,
    form,
    busy: add.isPending || change.isPending,
    send,
    heldBy,
    place,
    remarks,
    photoId,
    offered,
    photos,
    toggle,
  };
}

function Chips({
  label,
  list,
  value,
  onPress,
}: {
  label: string;
  list: readonly string[];
  value: string;
  onPress: (v: string) => void;
}) {
  return (
    <div role="group" aria-label={label} className="flex flex-wrap gap-2">
      <span className="w-full font-semibold">{label}</span>
      {list.map((v) => (
        <button key={v} type="button" aria-pressed={value === v} className={chip} onClick={() => onPress(v)}>
          {v}
        </button>
      ))}
    </div>
  );
}
