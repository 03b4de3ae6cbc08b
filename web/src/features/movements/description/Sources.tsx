import {
  addSource,
  removeSource,
  SOURCE_KINDS,
  sourceName,
  trainName,
  trainsOf,
  type PowerSource,
  type SourceKind,
} from '@eclat/core/movement';
import { Trash2 } from 'lucide-react';
import { Empty } from '../../../ui/Answer.tsx';
import { SelectField, TextField } from '../../../ui/Field.tsx';
import type { Editing } from './DescriptionEditor.tsx';

/** What gives the power, apart from what it drives: one weight may drive two trains. */
export function Sources({ traits, versions, onChange }: Editing) {
  const change = (id: string, part: Partial<PowerSource>) =>
    onChange({ ...traits, sources: traits.sources.map((s) => (s.id === id ? { ...s, ...part } : s)) });
  return (
    <>
      {traits.sources.length === 0 && <Empty>Nothing in it stores or takes power, as described.</Empty>}
      <ul className="flex flex-col gap-3">
        {traits.sources.map((s) => {
          const name = sourceName(traits, s);
          const driven = trainsOf(traits, s).map(trainName);
          return (
            <li
              key={s.id}
              aria-label={`Power: ${name}`}
              className="grid grid-cols-[minmax(0,1fr)_minmax(0,1fr)_3rem] items-start gap-3 border-t border-line pt-3"
            >
              <SelectField
                label="Kind"
                hint={driven.length > 0 ? `drives ${driven.join(' and ')}` : 'drives no train that is described'}
                value={s.kind}
                onChange={(e) => change(s.id, { kind: e.target.value as SourceKind })}
              >
                {SOURCE_KINDS.map((k) => (
                  <option key={k}>{k}</option>
                ))}
              </SelectField>
              <TextField
                label="Called"
                placeholder={name}
                maxLength={40}
                value={s.name}
                onChange={(e) => change(s.id, { name: e.target.value })}
              />
              <button
                type="button"
                aria-label={`Take out the power: ${name}`}
                className="mt-7 grid size-12 place-items-center rounded-lg hover:bg-danger-wash"
                onClick={() => onChange(removeSource(traits, s.id))}
              >
                <Trash2 className="size-5" />
              </button>
            </li>
          );
        })}
      </ul>
      <SelectField
        className="mt-4 sm:max-w-72"
        label="Add a source of power"
        value=""
        onChange={(e) => onChange(addSource(traits, versions, e.target.value as SourceKind))}
      >
        <option value="">Choose …</option>
        {SOURCE_KINDS.map((k) => (
          <option key={k}>{k}</option>
        ))}
      </SelectField>
    </>
  );
}
