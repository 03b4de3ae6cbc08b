import type { TestRun } from '@eclat/contract';
import { RUN_STANDS } from '@eclat/contract/test-run';
import { settersOn, type Setter } from '@eclat/core/pendulum';
import { api } from '../../data/api.ts';
import { useCommand } from '../../data/useCommand.ts';
import { useKept } from '../../data/useDraft.ts';
import { say } from '../../data/app-state.ts';
import { Panel } from '../../ui/Answer.tsx';
import { Button } from '../../ui/Button.tsx';
import { Choice } from '../../ui/Choice.tsx';
import { TextField, Tick } from '../../ui/Field.tsx';
import { useThisVisit } from '../visit/useThisVisit.ts';

export type Conditions = NonNullable<TestRun['conditions']>;
export interface TypedConditions {
  stands: Conditions['stands'];
  level: boolean;
  setter: Setter | null;
  length: string;
  pitch: string;
}
export const typedOf = (c: Conditions | null, oscillator: string): TypedConditions => ({
  stands: c?.stands ?? 'on a stand',
  level: c?.level ?? false,
  setter: setterOf(c, oscillator),
  length: c?.lengthMm?.toString() ?? '',
  pitch: c?.pitchMm?.toString() ?? '',
});

function setterOf(c: Conditions | null, oscillator: string) {
  if (c) return c.setter;
  return settersOn(oscillator)[0] ?? null;
}

const number = (text: string) => (text.trim() === '' ? null : Number(text.replace(',', '.')));
const wrong = (text: string, most: number) => {
  const n = number(text);
  return n !== null && !(n > 0 && n <= most) ? `More than nothing, at most ${most} mm.` : undefined;
};
/** Null when a field is wrong. */
export function conditionsOf(t: TypedConditions): Conditions | null {
  if (wrong(t.length, 5000) || wrong(t.pitch, 5)) return null;
  return { stands: t.stands, level: t.level, setter: t.setter, lengthMm: number(t.length), pitchMm: number(t.pitch) };
}

/** How it stands, and what sets it: from these it is said how far to turn. */
export function ConditionFields({
  value,
  onChange,
}: {
  value: TypedConditions;
  onChange: (v: TypedConditions) => void;
}) {
  const setters = settersOn(useThisVisit().movement.traits.oscillator);
  const nut = value.setter === 'rating nut',
    spring = value.setter === 'hairspring';
  return (
    <div className="flex flex-col gap-4">
      <Choice
        label="It stands"
        value={value.stands}
        onChange={(stands) => onChange({ ...value, stands })}
        options={RUN_STANDS.map((s) => [s, s] as const)}
      />
      <Tick
        label="Level, looked at with a level"
        checked={value.level}
        onChange={(e) => onChange({ ...value, level: e.target.checked })}
      />
      <Choice
        label="Its rate is set by"
        value={value.setter ?? 'nothing'}
        onChange={(s) => onChange({ ...value, setter: s === 'nothing' ? null : s })}
        options={[...setters.map((s) => [s, s] as const), ['nothing', 'nothing, or not known'] as const]}
      />
      {(nut || spring) && (
        <div className="flex flex-wrap gap-4">
          <TextField
            className="w-56"
            label={nut ? 'Pendulum length, mm' : 'Acting hairspring, mm'}
            hint="May stay empty: then it is learnt from the first turn."
            inputMode="decimal"
            value={value.length}
            error={wrong(value.length, 5000)}
            onChange={(e) => onChange({ ...value, length: e.target.value })}
          />
          {nut && (
            <TextField
              className="w-56"
              label="Pitch of the nut, mm"
              hint="Ten turns measured, a tenth of it."
              inputMode="decimal"
              value={value.pitch}
              error={wrong(value.pitch, 5)}
              onChange={(e) => onChange({ ...value, pitch: e.target.value })}
            />
          )}
        </div>
      )}
    </div>
  );
}

export function ConditionsPanel({ run }: { run: TestRun }) {
  const visit = useThisVisit();
  const [typed, setTyped] = useKept<TypedConditions | null>(`conditions.${visit.id}`, null);
  const set = useCommand(api.testRun.setConditions, {
    what: 'How it stands',
    onSent: () => setTyped(null),
    onDone: () => say('Kept.'),
  });
  const c = run.conditions;
  const given = typed && conditionsOf(typed);
  return (
    <Panel
      title="How it stands"
      aside={
        !visit.closedAt &&
        !typed && (
          <Button variant="plain" onClick={() => setTyped(typedOf(c, visit.movement.traits.oscillator))}>
            {c ? 'Change' : 'Enter how it stands'}
          </Button>
        )
      }
    >
      {!typed ? (
        <p>
          {run.place}.{' '}
          {c ? (
            <>
              {c.stands}, {c.level ? 'level' : 'level not looked at'};{' '}
              {c.setter ? `set by its ${c.setter}` : 'nothing sets it'}
              {c.lengthMm ? `, ${c.lengthMm} mm` : ''}
              {c.pitchMm ? `, ${c.pitchMm} mm a turn` : ''}.
            </>
          ) : (
            'Stand or case, level, and what sets it were not said.'
          )}
        </p>
      ) : (
        <form
          className="flex flex-col gap-4"
          onSubmit={(e) => {
            e.preventDefault();
            if (given) set.mutate({ params: { visitId: visit.id }, body: given });
          }}
        >
          <ConditionFields value={typed} onChange={setTyped} />
          <div className="flex gap-3">
            <Button type="submit" variant="main" disabled={!given}>
              Save it
            </Button>
            <Button variant="plain" onClick={() => setTyped(null)}>
              Close
            </Button>
          </div>
        </form>
      )}
    </Panel>
  );
}
