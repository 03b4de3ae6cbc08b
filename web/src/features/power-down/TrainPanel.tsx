import type { Power, Visit } from '@eclat/contract';
import { TIED } from '@eclat/core/cautions';
import { isWeight, poweredTrains, type Train } from '@eclat/core/movement';
import { held } from '@eclat/core/rules';
import { POWER_STATES } from '@eclat/core/workflow';
import { useState } from 'react';
import { api } from '../../data/api.ts';
import { useCommand } from '../../data/useCommand.ts';
import { say } from '../../data/app-state.ts';
import { Panel } from '../../ui/Answer.tsx';
import { Button } from '../../ui/Button.tsx';
import { Choice } from '../../ui/Choice.tsx';
import { dayTime } from '../../ui/dates.ts';
import { TextField } from '../../ui/Field.tsx';
import { PowerBadge } from '../../ui/PowerBadge.tsx';

const WORDS = {
  unknown: 'Not known',
  wound: 'Wound',
  tied: 'Tied, makeshift',
  contained: 'Contained',
  'let down': 'Let down',
};
const capital = (s: string) => s.charAt(0).toUpperCase() + s.slice(1);
const shown = (turns: number | null) => (turns === null ? '' : String(turns));
const count = (typed: string) => (typed.trim() === '' ? null : Number(typed.replace(',', '.')));
const wrong = (turns: number | null) => turns !== null && !(turns >= 0 && turns <= 60);

/**
 * One train's power: its state, the turns that were let down, and the set-up that must go back in. On its stage, and
 * from any other by its badge.
 */
export function TrainPanel({ visit, power }: { visit: Visit; power: Power }) {
  const train = poweredTrains(visit.movement.traits).find((t) => t.train === power.train);
  const [typed, setTyped] = useState({ turns: shown(power.turns), setUpTurns: shown(power.setUpTurns) });
  const set = useCommand(api.powerDown.set, {
    what: `Power of the ${power.train} train`,
    labels: { state: 'State', turns: 'Turns let down', setUpTurns: 'Turns of set-up', note: 'Note' },
  });
  const weights = train !== undefined && isWeight(train.drive);
  const change = (part: Partial<Pick<Power, 'state' | 'turns' | 'setUpTurns'>>) => {
    const before = { state: power.state, turns: power.turns, setUpTurns: power.setUpTurns, note: power.note };
    const params = { visitId: visit.id, train: power.train };
    set.mutate(
      { params, body: { ...before, ...part, version: power.version } },
      {
        onSuccess: (now) => {
          if (now !== 'kept' && part.state)
            say(
              `${capital(power.train)} train: ${part.state}.`,
              part.state === 'wound' || part.state === 'tied' ? 'danger' : 'good',
              () => set.mutate({ params, body: { ...before, version: now.version } }),
            );
        },
      },
    );
  };
  return (
    <Panel title={`${capital(power.train)} train`} aside={<PowerBadge train={power.train} state={power.state} />}>
      <p className="mb-3 text-soft">
        Drive: {train?.drive ?? 'its own power'}
        {weights && ': “wound” means that the weight still hangs'}.
      </p>
      {train?.drive === 'open spring' && (
        <p className="mb-3">
          By house rule, while it is apart: <b>{held('hold-springs', visit.rules.held).name}</b>. Caught in a clamp or a
          retainer it is contained; held by ties or wire it is tied.
        </p>
      )}
      {power.state === 'tied' && <p className="mb-3 font-semibold text-danger">{TIED}</p>}
      <Choice
        hideLabel
        label={`State of the ${power.train} train`}
        value={power.state}
        disabled={visit.closedAt !== null}
        onChange={(state) => change({ state })}
        options={POWER_STATES.map((s) => [s, WORDS[s]] as const)}
      />
      {!weights && !visit.closedAt && (
        <TurnsForm train={train} typed={typed} change={change} setTyped={setTyped} power={power} />
      )}
      {power.at && (
        <p className="mt-3 text-sm text-soft">
          {power.by}, {dayTime(power.at)}
        </p>
      )}
    </Panel>
  );
}

function TurnsForm({
  train,
  typed,
  change,
  setTyped,
  power,
}: {
  train: Train | undefined;
  typed: { turns: string; setUpTurns: string };
  change: (part: Partial<Pick<Power, 'state' | 'turns' | 'setUpTurns'>>) => void;
  setTyped: (next: { turns: string; setUpTurns: string }) => void;
  power: Power;
}) {
  // A barrel may be preloaded, a fusee always is.
  const setUp = train?.drive === 'fusee spring' || train?.drive === 'barrel spring';
  const [turns, setUpTurns] = [count(typed.turns), count(typed.setUpTurns)];
  const bad = wrong(turns) || wrong(setUpTurns);
  return (
    <form
      className="mt-4 flex flex-wrap items-start gap-3"
      onSubmit={(e) => {
        e.preventDefault();
        if (!bad) change({ turns, setUpTurns });
      }}
    >
      <TextField
        className="w-40"
        label="Turns let down"
        inputMode="decimal"
        value={typed.turns}
        onChange={(e) => setTyped({ ...typed, turns: e.target.value })}
        error={wrong(turns) ? '0 to 60 turns' : undefined}
      />
      {setUp && (
        <TextField
          className="w-40"
          label="Turns of set-up"
          hint="must go back in"
          inputMode="decimal"
          value={typed.setUpTurns}
          onChange={(e) => setTyped({ ...typed, setUpTurns: e.target.value })}
          error={wrong(setUpTurns) ? '0 to 60 turns' : undefined}
        />
      )}
      <Button
        type="submit"
        className="mt-7"
        disabled={bad || (turns === power.turns && setUpTurns === power.setUpTurns)}
      >
        Keep
      </Button>
    </form>
  );
}
