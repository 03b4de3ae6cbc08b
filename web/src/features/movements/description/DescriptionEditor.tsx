import { Fold } from '../../../ui/Fold.tsx';
import {
  CONSTRUCTIONS,
  ESCAPEMENTS,
  FITTINGS,
  LOCKS_AT,
  OSCILLATORS,
  STRIKES,
  type Fitting,
  type Traits,
} from '@eclat/core/movement';
import { SelectField, TextField, Tick } from '../../../ui/Field.tsx';
import { Panel } from '../../../ui/Answer.tsx';
import { Sources } from './Sources.tsx';
import { Trains } from './Trains.tsx';

export interface Editing {
  traits: Traits;
  /** Every description that the movement had. */
  versions: readonly Traits[];
  onChange: (next: Traits) => void;
}

const ONE_OF = [
  ['oscillator', 'What keeps time', OSCILLATORS],
  ['escapement', 'Escapement', ESCAPEMENTS],
  ['strike', 'Strike is counted by', STRIKES],
  ['construction', 'Held together by', CONSTRUCTIONS],
] as const;

const HOURS_A_DAY = 24;

/** The movement as found: what gives it power, its trains arbor by arbor, and all that is not a train. */
export function DescriptionEditor(editing: Editing) {
  const { traits, onChange } = editing;
  return (
    <div className="flex flex-col gap-5">
      <Panel title="Power">
        <Sources {...editing} />
      </Panel>
      <Panel title="Trains">
        <Trains {...editing} />
      </Panel>
      <Panel title="Escapement and strike">
        <div className="grid gap-4 sm:grid-cols-2">
          {ONE_OF.map(([field, label, all]) => (
            <SelectField
              key={field}
              label={label}
              value={traits[field]}
              onChange={(e) => onChange({ ...traits, [field]: e.target.value })}
            >
              {all.map((one) => (
                <option key={one}>{one}</option>
              ))}
            </SelectField>
          ))}
          {traits.strike !== 'none' && <LocksAt traits={traits} onChange={onChange} />}
          <WindDays traits={traits} onChange={onChange} />
        </div>
      </Panel>
      <Fold title="What it has" says={traits.fittings.join(', ')}>
        <div className="grid grid-cols-2 gap-x-4 sm:grid-cols-3 lg:grid-cols-4">
          {FITTINGS.map((f) => (
            <Tick
              key={f}
              label={f}
              checked={traits.fittings.includes(f)}
              onChange={(e) => onChange({ ...traits, fittings: toggled(traits.fittings, f, e.target.checked) })}
            />
          ))}
        </div>
      </Fold>
    </div>
  );
}

const toggled = (all: readonly Fitting[], one: Fitting, on: boolean): Fitting[] =>
  on ? [...all, one] : all.filter((f) => f !== one);

/** What holds the strike still at lock: by it the lock is judged. */
function LocksAt({ traits, onChange }: Pick<Editing, 'traits' | 'onChange'>) {
  const { locksAt, ...rest } = traits;
  return (
    <SelectField
      label="The strike locks at the"
      value={locksAt ?? ''}
      onChange={(e) => {
        const at = LOCKS_AT.find((x) => x === e.target.value);
        onChange(at ? { ...rest, locksAt: at } : rest);
      }}
    >
      <option value="">not looked at</option>
      {LOCKS_AT.map((one) => (
        <option key={one}>{one}</option>
      ))}
    </SelectField>
  );
}

/** Read on a clock in days; kept in hours, since thirty hours is a name. */
function WindDays({ traits, onChange }: Pick<Editing, 'traits' | 'onChange'>) {
  const { windHours, ...rest } = traits;
  return (
    <TextField
      label="A full wind lasts, hours"
      type="number"
      min={1}
      hint={windHours ? `${Math.round((windHours / HOURS_A_DAY) * 10) / 10} days` : 'empty: nothing is wound'}
      value={windHours ?? ''}
      onChange={(e) => onChange(e.target.value === '' ? rest : { ...rest, windHours: Number(e.target.value) })}
    />
  );
}
