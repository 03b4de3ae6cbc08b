import { useContractForm } from '../../data/useContractForm.ts';
import type { BodyOf, Visit } from '@eclat/contract';
import { movementsRoutes } from '@eclat/contract/movements';
import { dateInWords, isEdtf } from '@eclat/core/history';
import { CARRIER_NAMES, inscribedThings, WRITTEN_HOW, type InscribedThing, type NamedPhoto } from '@eclat/core/record';
import { sentence } from '@eclat/core/units';
import { stageName } from '@eclat/core/workflow';
import { useRef } from 'react';
import { useBook } from '../../data/queries.ts';
import { useCommand } from '../../data/useCommand.ts';
import { say } from '../../data/app-state.ts';
import { Button } from '../../ui/Button.tsx';
import { Choice } from '../../ui/Choice.tsx';
import { FormFoot } from '../../ui/FormFoot.tsx';
import { SelectField, TextArea, TextField, Tick } from '../../ui/Field.tsx';
import { PhotoStrip } from '../../ui/PhotoStrip.tsx';
import { Reading } from './Reading.tsx';

type Fields = Required<BodyOf<typeof movementsRoutes.inscribe>>;
type Things = readonly InscribedThing<{ hash: string; text: string; date: string; kind: string }>[];

interface Props {
  movementId: string;
  /** Of which some show it. */
  photos: readonly NamedPhoto[];
  /** Written by whoever works on it now. */
  ownHand?: { date: string };
  onClose: () => void;
}

const MOST_OFFERED = 20;

export const photosOfVisit = ({ photos }: Visit): NamedPhoto[] =>
  photos.map(({ hash, caption, stage }) => ({ hash, said: caption || stageName(stage) }));

/** What is written on a clock: what it stands on, letter by letter, in which hand, and when, as sure as it is. */
export function Inscribe({ movementId, photos, ownHand, onClose }: Props) {
  const form = useContractForm<Fields>(
    movementsRoutes.inscribe.body,
    {
      ...{ date: ownHand?.date ?? '', text: '', carrier: ownHand ? 'label or paper' : 'back plate', which: '' },
      ...{ place: '', how: '', sameHandAs: null, likely: false, ownHand: ownHand !== undefined, photos: [], keep: '' },
    },
    `inscription.${ownHand ? 'own.' : ''}${movementId}`,
  );
  const write = useCommand(movementsRoutes.inscribe, {
    what: 'Inscription',
    onSent: () => {
      form.forget();
      onClose();
    },
    onDone: () => say('It stands in the book.'),
    onFields: form.refused,
  });
  const things = inscribedThings(useBook(movementId).data?.entries ?? []);
  const { errors } = form.formState;
  const [date, how] = [form.watch('date'), form.watch('how')];
  const set = (fields: Partial<Fields>) => {
    for (const [name, value] of Object.entries(fields))
      form.setValue(name as keyof Fields, value, { shouldDirty: true });
  };
  return (
    <form
      className="mb-5 grid gap-4 rounded-xl border-2 border-steel p-4 sm:grid-cols-2"
      noValidate
      onSubmit={(e) => void form.handleSubmit((body) => write.mutate({ params: { movementId }, body }))(e)}
    >
      <Letters form={form} />
      <WhatItStandsOn form={form} things={things} set={set} />
      <TextField
        label="Where on it"
        placeholder="inside, lower left"
        error={errors.place?.message}
        {...form.register('place')}
      />
      <TextField
        label="Date, as sure as it is"
        placeholder="1894-03-07, 1894, 189X, XXXX"
        error={errors.date?.message}
        hint={
          isEdtf(date)
            ? dateInWords(date)
            : '1894-03-07, 1894-03, 1894, 189X for some year of a decade, XXXX if it cannot be read'
        }
        {...form.register('date')}
      />
      <div className="sm:col-span-2">
        <Choice
          label="How"
          value={how}
          options={WRITTEN_HOW.map((h) => [h, sentence(h)] as const)}
          onChange={(v) => set({ how: v })}
          onClear={() => set({ how: '' })}
        />
      </div>
      <Hand form={form} things={things} />
      <ShownBy form={form} photos={photos} />
      {(errors.keep || form.watch('keep')) && (
        <TextField
          className="sm:col-span-2"
          label="Why it stays"
          autoFocus
          error={errors.keep?.message}
          {...form.register('keep')}
        />
      )}
      <FormFoot className="sm:col-span-2" busy={write.isPending} onClose={onClose}>
        Enter it
      </FormFoot>
    </form>
  );
}

type Form = ReturnType<typeof useContractForm<Fields>>;

/** The transcription; doubt is marked by a press, and shown as it will be read. */
function Letters({ form }: { form: Form }) {
  const box = useRef<HTMLTextAreaElement | null>(null);
  const { ref, ...registered } = form.register('text');
  const text = form.watch('text');
  const mark = (marked: (selected: string) => string) => {
    const area = box.current;
    if (!area) return;
    const { selectionStart: from, selectionEnd: to } = area;
    const put = marked(text.slice(from, to));
    form.setValue('text', text.slice(0, from) + put + text.slice(to), { shouldDirty: true });
    // Behind what was put there; within the brackets where there is something to type yet.
    const at = put === '[?]' ? from + 1 : from + put.length;
    requestAnimationFrame(() => {
      area.focus();
      area.setSelectionRange(at, at);
    });
  };
  return (
    <div className="flex flex-col gap-2 sm:col-span-2">
      <TextArea
        label="What is written there, letter by letter"
        rows={2}
        autoFocus
        error={form.formState.errors.text?.message}
        {...registered}
        ref={(el) => {
          ref(el);
          box.current = el;
        }}
      />
      <div className="flex flex-wrap items-center gap-2">
        <Button onClick={() => mark((said) => `[${said}?]`)} title="Select the letters first, or type them after">
          Doubtful
        </Button>
        <Button onClick={() => mark(() => '[…]')}>Unreadable</Button>
        {text.includes('[') && (
          <p className="min-w-0 text-lg italic">
            <Reading text={text} />
          </p>
        )}
      </div>
    </div>
  );
}

function WhatItStandsOn({ form, things, set }: { form: Form; things: Things; set: (fields: Partial<Fields>) => void }) {
  const named = things.filter((t) => t.which !== '');
  const [carrier, which] = [form.watch('carrier'), form.watch('which')];
  return (
    <>
      <SelectField label="On what" error={form.formState.errors.carrier?.message} {...form.register('carrier')}>
        {CARRIER_NAMES.map((c) => (
          <option key={c} value={c}>
            {sentence(c)}
          </option>
        ))}
      </SelectField>
      <TextField
        label={carrier === 'something else' ? 'What it is' : 'Which one, if there are several'}
        error={form.formState.errors.which?.message}
        {...form.register('which')}
      />
      {named.length > 0 && (
        <div className="sm:col-span-2">
          <Choice
            label="Or one that is written on already"
            value={named.find((t) => t.carrier === carrier && t.which === which)?.title ?? ''}
            options={named.map((t) => [t.title, sentence(t.title)] as const)}
            onChange={(title) => {
              const thing = named.find((t) => t.title === title)!;
              set({ carrier: thing.carrier as Fields['carrier'], which: thing.which });
            }}
          />
        </div>
      )}
    </>
  );
}

function ShownBy({ form, photos }: { form: Form; photos: readonly NamedPhoto[] }) {
  const chosen = form.watch('photos');
  const refused = form.formState.errors.photos?.message;
  const toggle = (hash: string) =>
    form.setValue('photos', chosen.includes(hash) ? chosen.filter((h) => h !== hash) : [...chosen, hash], {
      shouldDirty: true,
    });
  return (
    <div className="min-w-0 sm:col-span-2">
      <PhotoStrip
        legend="Photos that show it"
        photos={photos.slice(-MOST_OFFERED).map((p) => ({ key: p.hash, said: p.said }))}
        chosen={chosen}
        onToggle={toggle}
      />
      {refused && <p className="text-sm font-semibold text-danger">{refused}</p>}
    </div>
  );
}

const SHORT = 40;

/** Hands are told apart through the whole book: one repairer may have written on a plate and on the board. */
function Hand({ form, things }: { form: Form; things: Things }) {
  const hands = new Map(things.flatMap((t) => t.lines).map((l) => [l.hand, l]));
  const known = [...hands.values()].sort((a, b) => a.hand.length - b.hand.length || (a.hand < b.hand ? -1 : 1));
  const same = form.watch('sameHandAs');
  return (
    <>
      {known.length > 0 && (
        <SelectField
          label="Handwriting"
          error={form.formState.errors.sameHandAs?.message}
          value={same ?? ''}
          onChange={(e) => form.setValue('sameHandAs', e.target.value || null, { shouldDirty: true })}
        >
          <option value="">Not seen before</option>
          {known.map(({ hand, entry }) => (
            <option key={hand} value={entry.hash}>
              {`Hand ${hand}: ${entry.text.slice(0, SHORT)}, ${dateInWords(entry.date)}`}
            </option>
          ))}
        </SelectField>
      )}
      <div className="flex flex-col justify-end">
        {same !== null && <Tick label="Likely the same handwriting, not sure" {...form.register('likely')} />}
        <Tick label="I wrote this myself" {...form.register('ownHand')} />
      </div>
    </>
  );
}
