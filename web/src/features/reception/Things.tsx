import { useContractForm } from '../../data/useContractForm.ts';
import type { ReceivedItem } from '@eclat/contract';
import { receivedFields } from '@eclat/contract/reception';
import { comesWith, isKey, KEY_FITS } from '@eclat/core/intake';
import { Pencil, Plus, Trash2 } from 'lucide-react';
import { useState } from 'react';
import { Controller } from 'react-hook-form';
import type { z } from 'zod';
import { api } from '../../data/api.ts';
import { useCommand } from '../../data/useCommand.ts';
import { useRemove } from '../../data/useRemove.ts';
import { Empty, Panel } from '../../ui/Answer.tsx';
import { Button } from '../../ui/Button.tsx';
import { SelectField, TextField } from '../../ui/Field.tsx';
import { LengthField, lengthMm } from '../../ui/LengthField.tsx';
import { useThisVisit } from '../visit/useThisVisit.ts';

type Fields = z.input<typeof receivedFields>;
const SQUARE = [1, 8] as const;

/** Each thing must go home again: listed with number, condition and photo, printed on the receipt, ticked at return. */
export function Things() {
  const visit = useThisVisit();
  const [editing, setEditing] = useState<ReceivedItem | string | null>(null);
  const open = !visit.closedAt;
  const usual = comesWith(visit.movement.traits).filter((what) => !visit.received.some((r) => r.what === what));
  return (
    <Panel title="Came with it">
      {visit.received.length === 0 && !editing && (
        <Empty>Nothing is listed yet. What is not listed cannot be asked back.</Empty>
      )}
      <ul className="divide-y divide-line">
        {visit.received.map((r) => (
          <ThingRow key={r.id} received={r} setEditing={setEditing} />
        ))}
      </ul>
      {editing !== null && (
        <ThingForm
          key={typeof editing === 'string' ? editing : editing.id}
          thing={editing}
          onClose={() => setEditing(null)}
        />
      )}
      {open && editing === null && (
        <div className="mt-3 flex flex-wrap gap-2">
          {[...usual, ''].map((what) => (
            <Button key={what} onClick={() => setEditing(what)}>
              <Plus className="size-5" aria-hidden />
              {what || 'Something else'}
            </Button>
          ))}
        </div>
      )}
    </Panel>
  );
}

function ThingRow({
  received: r,
  setEditing,
}: {
  received: ReceivedItem;
  setEditing: (next: string | ReceivedItem | null) => void;
}) {
  const visit = useThisVisit();
  const open = !visit.closedAt;
  const params = { visitId: visit.id };
  const thing = useRemove(api.reception.removeReceived, api.reception.addReceived, 'Thing received');
  return (
    <li className="flex items-center gap-3 py-2">
      {r.photoId ? (
        <img src={`/api/photos/${r.photoId}/small`} alt="" className="size-12 rounded-lg object-cover" />
      ) : (
        <span className="grid size-12 place-items-center rounded-lg bg-sunk text-xl font-bold">{r.count}</span>
      )}
      <span className="min-w-0 flex-1">
        <span className="block text-lg font-bold">
          {r.count > 1 && `${r.count} × `}
          {r.what}
        </span>
        <span className="block text-soft">
          {[r.condition, r.squareMm && `${r.squareMm} mm square`, r.fits].filter(Boolean).join(' · ')}
        </span>
      </span>
      {open && (
        <>
          <button
            type="button"
            aria-label={`Correct: ${r.what}`}
            className="grid size-12 place-items-center rounded-lg hover:bg-steel-wash"
            onClick={() => setEditing(r)}
          >
            <Pencil className="size-5" />
          </button>
          <button
            type="button"
            aria-label={`Take out: ${r.what}`}
            className="grid size-12 place-items-center rounded-lg hover:bg-danger-wash"
            onClick={() =>
              thing(
                { params: { ...params, receivedId: r.id } },
                {
                  params,
                  body: {
                    what: r.what,
                    count: r.count,
                    condition: r.condition,
                    squareMm: r.squareMm,
                    fits: r.fits,
                    photoId: r.photoId,
                  },
                },
              )
            }
          >
            <Trash2 className="size-5" />
          </button>
        </>
      )}
    </li>
  );
}

function ThingForm({ thing, onClose }: { thing: ReceivedItem | string; onClose: () => void }) {
  const visit = useThisVisit();
  const known = typeof thing === 'string' ? null : thing;
  const form = useContractForm<Fields>(
    receivedFields,
    known ?? {
      what: thing as string,
      count: 1,
      condition: '',
      squareMm: null,
      fits: null,
      photoId: null,
    },
  );
  const [square, setSquare] = useState(known?.squareMm ? String(known.squareMm) : '');
  const add = useCommand(api.reception.addReceived, { what: 'Thing received', onSent: onClose });
  const change = useCommand(api.reception.changeReceived, {
    what: 'Thing received',
    labels: { what: 'Thing', count: 'How many', condition: 'Condition' },
    onSent: onClose,
  });
  const key = isKey(form.watch('what') ?? '');
  const { errors } = form.formState;
  const send = ({ what, count, condition, fits, photoId }: Fields) => {
    const body = {
      what,
      count,
      condition,
      fits: key ? fits || null : null,
      squareMm: key ? lengthMm(square, SQUARE) : null,
      photoId: photoId || null,
    };
    if (known)
      change.mutate({ params: { visitId: visit.id, receivedId: known.id }, body: { ...body, version: known.version } });
    else add.mutate({ params: { visitId: visit.id }, body });
  };
  return (
    <form
      className="mt-3 grid grid-cols-[minmax(0,1fr)_7rem] gap-3 rounded-xl border-2 border-steel p-3"
      noValidate
      onSubmit={(e) => void form.handleSubmit(send)(e)}
    >
      <TextField label="Thing" autoFocus={thing === ''} error={errors.what?.message} {...form.register('what')} />
      <TextField
        label="How many"
        type="number"
        min={1}
        error={errors.count?.message}
        {...form.register('count', { valueAsNumber: true })}
      />
      <TextField
        className="col-span-2"
        label="Condition"
        error={errors.condition?.message}
        {...form.register('condition')}
      />
      {key && <KeyFields square={square} setSquare={setSquare} form={form} />}
      {visit.photos.length > 0 && <PhotoChoice form={form} />}
      <div className="col-span-2 flex gap-3">
        <Button type="submit" variant="main" busy={add.isPending || change.isPending}>
          {known ? 'Keep changes' : 'List it'}
        </Button>
        <Button variant="plain" onClick={onClose}>
          Close
        </Button>
      </div>
    </form>
  );
}

function KeyFields({
  square,
  setSquare,
  form,
}: {
  square: string;
  setSquare: (next: string) => void;
  form: ReturnType<typeof useContractForm<Fields>>;
}) {
  return (
    <>
      <LengthField name="square" label="Square that it fits" value={square} onChange={setSquare} plausible={SQUARE} />
      <SelectField label="On the arbor" {...form.register('fits')}>
        <option value="">–</option>
        {KEY_FITS.map((f) => (
          <option key={f}>{f}</option>
        ))}
      </SelectField>
    </>
  );
}

function PhotoChoice({ form }: { form: ReturnType<typeof useContractForm<Fields>> }) {
  const visit = useThisVisit();
  return (
    <Controller
      control={form.control}
      name="photoId"
      render={({ field }) => (
        <fieldset className="col-span-2">
          <legend className="font-semibold">Photo</legend>
          <div className="flex gap-2 overflow-x-auto py-1">
            {visit.photos.map((p) => (
              <button
                key={p.id}
                type="button"
                aria-pressed={field.value === p.id}
                aria-label={p.caption || 'Photo'}
                onClick={() => field.onChange(field.value === p.id ? null : p.id)}
                className="shrink-0 rounded-lg border-4 border-transparent aria-pressed:border-steel"
              >
                <img src={`/api/photos/${p.id}/small`} alt="" className="size-16 rounded object-cover" />
              </button>
            ))}
          </div>
        </fieldset>
      )}
    />
  );
}
