import type { Power, Visit } from '@eclat/contract';
import { TIED } from '@eclat/core/cautions';
import { isWeight } from '@eclat/core/movement';
import { held } from '@eclat/core/rules';
import { counted, sentence } from '@eclat/core/units';
import { POWER_STATES } from '@eclat/core/workflow';
import { useState } from 'react';
import { api } from '../../data/api.ts';
import { answerOf, useCommand } from '../../data/useCommand.ts';
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
/** What is worked towards comes first. */
const SAFE_FIRST = POWER_STATES.toReversed();

/** So many of what was said are shown, the newest first. */
const SHOWN = 4;
const eventWords = ({ state, turns, note, by, at }: Omit<Power['earlier'][number], 'setUpTurns'>): string =>
  [
    turns === null ? WORDS[state] : `${WORDS[state]}, ${counted(turns, 'turn')}`,
    note.replace(/\.$/, ''),
    [by, dayTime(at)].filter(Boolean).join(', '),
  ]
    .filter(Boolean)
    .join('. ');
const shown = (turns: number | null) => (turns === null ? '' : String(turns));
const count = (typed: string) => (typed.trim() === '' ? null : Number(typed.replace(',', '.')));
const wrong = (turns: number | null) => turns !== null && !(turns >= 0 && turns <= 60);

/**
 * One source of power: its state, the turns that were let down, and the set-up that must go back in. On its stage, and
 * from any other by its badge.
 */
export function SourcePanel({ visit, power }: { visit: Visit; power: Power }) {
  const [typed, setTyped] = useState({ turns: shown(power.turns), setUpTurns: shown(power.setUpTurns) });
  const set = useCommand(api.powerDown.set, {
    what: `Power of the ${power.name}`,
    labels: { state: 'State', turns: 'Turns let down', setUpTurns: 'Turns of set-up', note: 'Note' },
  });
  const weights = isWeight(power.kind);
  const change = (part: Partial<Pick<Power, 'state' | 'turns' | 'setUpTurns'>>) => {
    const before = { state: power.state, turns: power.turns, setUpTurns: power.setUpTurns, note: power.note };
    const params = { visitId: visit.id, source: power.source };
    set.mutate(
      { params, body: { ...before, ...part, version: power.version } },
      {
        onSuccess: (reply) => {
          const now = answerOf(reply);
          if (now && part.state)
            say(
              `${sentence(power.name)}: ${part.state}.`,
              part.state === 'wound' || part.state === 'tied' ? 'danger' : 'good',
              () => set.mutate({ params, body: { ...before, version: now.version } }),
            );
        },
      },
    );
  };
  return (
    <Panel title={sentence(power.name)} aside={<PowerBadge label={power.label} state={power.state} />}>
      {power.state === 'tied' && <p className="mb-3 font-semibold text-danger">{TIED}</p>}
      <Choice
        hideLabel
        label={`State of the ${power.name}`}
        value={power.state}
        disabled={visit.closedAt !== null}
        onChange={(state) => change({ state })}
        options={SAFE_FIRST.map((s) => [s, WORDS[s]] as const)}
      />
      <p className="mt-2 text-sm text-soft">
        {sentence(power.kind)}
        {weights && ': “wound” means that the weight still hangs'}.
      </p>
      {power.kind === 'open spring' && (
        <p className="text-sm text-soft">
          By house rule, while it is apart: <b>{held('hold-springs', visit.rules.held).name}</b>. Caught in a clamp or a
          retainer it is contained; held by ties or wire it is tied.
        </p>
      )}
      {!weights && !visit.closedAt && <TurnsForm typed={typed} change={change} setTyped={setTyped} power={power} />}
      {power.at && (
        <ul className="mt-3 text-sm text-soft" aria-label={`What was said of the ${power.name}`}>
          {[{ ...power, at: power.at }, ...power.earlier].slice(0, SHOWN).map((e, i) => (
            <li key={e.at + String(i)}>{eventWords(e)}</li>
          ))}
        </ul>
      )}
    </Panel>
  );
}

function TurnsForm({
  typed,
  change,
  setTyped,
  power,
}: {
  typed: { turns: string; setUpTurns: string };
  change: (part: Partial<Pick<Power, 'state' | 'turns' | 'setUpTurns'>>) => void;
  setTyped: (next: { turns: string; setUpTurns: string }) => void;
  power: Power;
}) {
  // A barrel may be preloaded, a fusee always is.
  const setUp = power.kind === 'fusee spring' || power.kind === 'barrel spring';
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
        Save
      </Button>
    </form>
  );
}
