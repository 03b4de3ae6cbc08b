import {
  addTrain,
  ARBOR_CLASSES,
  driveBy,
  insertArbor,
  PURPOSES,
  removeTrain,
  sourceName,
  trainName,
  type Arbor,
  type ArborClass,
  type Train,
} from '@eclat/core/movement';
import { counted, sentence } from '@eclat/core/units';
import { Plus, Trash2 } from 'lucide-react';
import { Button } from '../../../ui/Button.tsx';
import { SelectField, TextField } from '../../../ui/Field.tsx';
import type { Editing } from './DescriptionEditor.tsx';

/** Each train: what drives it, and its arbors from the power to the fast end. */
export function Trains(editing: Editing) {
  const { traits, versions, onChange } = editing;
  return (
    <>
      <ul className="flex flex-col gap-3">
        {traits.trains.map((t) => (
          <li key={t.id} aria-label={`${trainName(t)} train`} className="border-t border-line pt-3">
            <OneTrain train={t} {...editing} />
          </li>
        ))}
      </ul>
      <div className="mt-4 flex flex-wrap gap-2">
        {PURPOSES.map((p) => (
          <Button key={p} onClick={() => onChange(addTrain(traits, versions, p))}>
            <Plus className="size-5" aria-hidden />
            {p}
          </Button>
        ))}
      </div>
      <p className="mt-2 text-sm text-soft">A train is added with its usual arbors: correct them as found.</p>
    </>
  );
}

function OneTrain({ train, traits, versions, onChange }: Editing & { train: Train }) {
  const name = trainName(train);
  const change = (part: Partial<Train>) =>
    onChange({ ...traits, trains: traits.trains.map((t) => (t.id === train.id ? { ...t, ...part } : t)) });
  const changeArbor = (id: string, part: Partial<Arbor>) =>
    change({ arbors: train.arbors.map((a) => (a.id === id ? { ...a, ...part } : a)) });
  return (
    <>
      <div className="grid grid-cols-[minmax(0,1fr)_minmax(0,1fr)_3rem] items-start gap-3">
        <TextField
          label={`${sentence(name)} train`}
          placeholder={train.purpose}
          maxLength={40}
          value={train.name}
          onChange={(e) => change({ name: e.target.value })}
        />
        <SelectField
          label="Driven by"
          value={train.source ?? ''}
          onChange={(e) => onChange(driveBy(traits, train.id, e.target.value === '' ? null : e.target.value))}
        >
          {traits.sources.map((s) => (
            <option key={s.id} value={s.id}>
              {sourceName(traits, s)}: {s.kind}
            </option>
          ))}
          <option value="">nothing of its own</option>
        </SelectField>
        <button
          type="button"
          aria-label={`Take out the ${name} train`}
          disabled={traits.trains.length === 1}
          className="mt-7 grid size-12 place-items-center rounded-lg hover:bg-danger-wash disabled:opacity-40"
          onClick={() => onChange(removeTrain(traits, train.id))}
        >
          <Trash2 className="size-5" />
        </button>
      </div>
      <details className="mt-2">
        <summary className="min-h-11 cursor-pointer py-2">
          <b>{counted(train.arbors.length, 'arbor')}</b>{' '}
          <span className="text-soft">{train.arbors.map((a) => a.name).join(', ')}</span>
        </summary>
        <ol className="flex flex-col gap-2">
          {train.arbors.map((a, at) => (
            <ArborRow
              key={a.id}
              arbor={a}
              onChange={(part) => changeArbor(a.id, part)}
              onInsert={() => onChange(insertArbor(traits, versions, train.id, at))}
              onRemove={() => change({ arbors: train.arbors.filter((x) => x.id !== a.id) })}
            />
          ))}
        </ol>
        {train.arbors.length === 0 && (
          <Button onClick={() => onChange(insertArbor(traits, versions, train.id, -1))}>Add an arbor</Button>
        )}
      </details>
    </>
  );
}

const cell = 'min-h-12 w-full rounded-lg border border-line bg-enamel px-3 text-lg';

function ArborRow({
  arbor,
  onChange,
  onInsert,
  onRemove,
}: {
  arbor: Arbor;
  onChange: (part: Partial<Arbor>) => void;
  onInsert: () => void;
  onRemove: () => void;
}) {
  return (
    <li className="grid grid-cols-[2.5rem_minmax(0,2fr)_minmax(0,1fr)_3rem_3rem] items-center gap-2">
      <b className="text-steel">{arbor.id}</b>
      <input
        aria-label={`Name of ${arbor.id}`}
        className={cell}
        maxLength={60}
        value={arbor.name}
        onChange={(e) => onChange({ name: e.target.value })}
      />
      <select
        aria-label={`Place of ${arbor.id} in the train`}
        className={cell}
        value={arbor.class}
        onChange={(e) => onChange({ class: e.target.value as ArborClass })}
      >
        {ARBOR_CLASSES.map((c) => (
          <option key={c}>{c}</option>
        ))}
      </select>
      <button
        type="button"
        aria-label={`Add an arbor after ${arbor.id}`}
        className="grid size-12 place-items-center rounded-lg hover:bg-steel-wash"
        onClick={onInsert}
      >
        <Plus className="size-5" />
      </button>
      <button
        type="button"
        aria-label={`Take out ${arbor.id}`}
        className="grid size-12 place-items-center rounded-lg hover:bg-danger-wash"
        onClick={onRemove}
      >
        <Trash2 className="size-5" />
      </button>
    </li>
  );
}
