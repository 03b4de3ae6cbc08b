import type { SubAssembly } from '@eclat/contract';
import { unitFields } from '@eclat/contract/sub-assemblies';
import { stageName, unitStage, USUAL_UNITS, type StageStateId, type UnitStage } from '@eclat/core/workflow';
import { counted, sentence } from '@eclat/core/units';
import clsx from 'clsx';
import { useState } from 'react';
import type { z } from 'zod';
import { api } from '../../data/api.ts';
import { useCommand } from '../../data/useCommand.ts';
import { useKept } from '../../data/useDraft.ts';
import { useContractForm } from '../../data/useContractForm.ts';
import { useTakeOut } from '../../data/useTakeOut.ts';
import { Answer, Panel } from '../../ui/Answer.tsx';
import { Button } from '../../ui/Button.tsx';
import { dayTime } from '../../ui/dates.ts';
import { TextField } from '../../ui/Field.tsx';
import { useThisVisit } from '../visit/useThisVisit.ts';
import { RunItself } from './RunItself.tsx';

/** What goes at its own pace beside the movement, each with its stages; the visit stands where the last does. */
export function SubAssembliesScreen() {
  const visit = useThisVisit();
  const open = visit.units.filter((u) => unitStage(u) !== null);
  return (
    <>
      {visit.units.length === 0 ? (
        <Answer tone="info" title="All of it goes with the movement">
          Print work, an alarm, a platform: what goes at its own pace gets stages of its own here.
        </Answer>
      ) : (
        <Answer
          tone={open.length === 0 ? 'good' : 'info'}
          title={open.length === 0 ? 'All of them are ready' : open.map(standsWords).join('; ')}
        />
      )}
      {visit.units.map((u) => (
        <OneUnit key={u.id} unit={u} />
      ))}
      {!visit.closedAt && <Add />}
    </>
  );
}

const standsWords = (u: SubAssembly): string =>
  u.runs.some((r) => r.endedAt === null)
    ? `${sentence(u.name)} runs by itself`
    : `${sentence(u.name)}: ${stageName(unitStage(u)!).toLowerCase()} is next`;

function OneUnit({ unit }: { unit: SubAssembly }) {
  const visit = useThisVisit();
  const out = useTakeOut(api.subAssemblies.remove, sentence(unit.name));
  const apart = visit.strip.steps.filter((s) => s.group === unit.name && s.fate === 'apart').length;
  const params = { visitId: visit.id };
  const [pressed, setPressed] = useState(false);
  return (
    <Panel
      title={sentence(unit.name)}
      aside={
        !visit.closedAt && (
          <Button variant="plain" onClick={() => out({ params: { ...params, unitId: unit.id } })}>
            Goes with the movement
          </Button>
        )
      }
    >
      <StagesOf unit={unit} />
      {apart > 0 && <p className="mb-3">{counted(apart, 'thing')} of it apart, by the strip log.</p>}
      {!visit.closedAt && unitStage(unit) === 'run' && <RunItself unit={unit} takesFocus={pressed} />}
      {!visit.closedAt && <Next unit={unit} onPress={() => setPressed(true)} />}
      <ul className="mt-3 text-sm text-soft">
        {unit.runs
          .filter((r) => r.endedAt !== null)
          .map((r) => (
            <li key={r.id}>
              Ran, driven by: {r.driven}. {r.found && `${r.found} `}
              {r.good ? 'As it should.' : 'Not right yet.'} ({r.by}, {dayTime(r.at)} to {dayTime(r.endedAt!)})
            </li>
          ))}
        {unit.stages
          .filter((s) => s.at !== null && s.state !== 'open')
          .map((s) => (
            <li key={s.stage}>
              {stageName(s.stage)}: {s.state}
              {s.why && `, ${s.why}`} ({s.by}, {dayTime(s.at!)})
            </li>
          ))}
      </ul>
    </Panel>
  );
}

function StagesOf({ unit }: { unit: SubAssembly }) {
  const stage = unitStage(unit);
  return (
    <ol className="mb-4 flex flex-wrap gap-2" aria-label={`Stages of the ${unit.name}`}>
      {unit.stages.map((s) => (
        <li
          key={s.stage}
          className={clsx(
            'rounded-full border px-3 py-1 font-semibold',
            s.state === 'open' && s.stage !== stage && 'border-line text-soft',
            s.stage === stage && 'border-brass-fill bg-brass-wash text-brass',
            s.state === 'done' && 'border-good text-good',
            (s.state === 'left' || s.state === 'not in this job') && 'border-line text-soft line-through',
          )}
        >
          {stageName(s.stage)}
          <span className="sr-only">: {s.state}</span>
        </li>
      ))}
    </ol>
  );
}

/** One press says that its stage is done; it may be left, or taken up again. */
function Next({ unit, onPress }: { unit: SubAssembly; onPress: () => void }) {
  const visit = useThisVisit();
  const [leaving, setLeaving] = useState(false);
  const stage = unitStage(unit);
  const last = unit.stages.findLast((s) => s.state !== 'open');
  const set = useCommand(api.subAssemblies.setStage, { what: sentence(unit.name), onSent: () => setLeaving(false) });
  const send = (of: UnitStage, state: StageStateId, why = '') => {
    onPress();
    set.mutate({ params: { visitId: visit.id, unitId: unit.id, stage: of }, body: { state, why } });
  };
  return (
    <>
      <div className="flex flex-wrap items-start gap-3">
        {stage && stage !== 'run' && (
          <Button variant="main" busy={set.isPending} onClick={() => send(stage, 'done')}>
            {stageName(stage)} is done
          </Button>
        )}
        {stage && !leaving && (
          <Button onClick={() => setLeaving(true)}>{stageName(stage)} does not belong, or is left</Button>
        )}
        {last && (
          <Button variant="plain" onClick={() => send(last.stage, 'open')}>
            Take {stageName(last.stage).toLowerCase()} up again
          </Button>
        )}
      </div>
      {stage && leaving && <Leave unit={unit} stage={stage} onSay={(state, why) => send(stage, state, why)} />}
    </>
  );
}

function Leave({
  unit,
  stage,
  onSay,
}: {
  unit: SubAssembly;
  stage: UnitStage;
  onSay: (state: StageStateId, why: string) => void;
}) {
  const visit = useThisVisit();
  const [why, setWhy, forget] = useKept(`leave.${visit.id}.${unit.id}.${stage}`, '');
  const empty = why.trim() === '';
  const say = (state: StageStateId) => {
    forget();
    onSay(state, why);
  };
  return (
    <form
      className="mt-3 flex flex-wrap items-end gap-3"
      onSubmit={(e) => {
        e.preventDefault();
        if (!empty) say('left');
      }}
    >
      <TextField
        className="min-w-64 flex-1"
        label={`Why ${stageName(stage).toLowerCase()} is left`}
        autoFocus
        value={why}
        onChange={(e) => setWhy(e.target.value)}
      />
      <Button type="submit" variant="main" disabled={empty}>
        Left as far as agreed
      </Button>
      <Button disabled={empty} onClick={() => say('not in this job')}>
        Not in this job
      </Button>
    </form>
  );
}

function Add() {
  const visit = useThisVisit();
  const form = useContractForm<z.input<typeof unitFields>>(unitFields, { name: '' }, `unit.${visit.id}`);
  const add = useCommand(api.subAssemblies.add, {
    what: 'Sub-assembly',
    onSent: () => form.taken({ name: '' }),
    onFields: form.refused,
  });
  const send = (name: string) => add.mutate({ params: { visitId: visit.id }, body: { name } });
  return (
    <Panel title="Let something go by itself">
      <div className="mb-3 flex flex-wrap gap-2">
        {USUAL_UNITS.filter((u) => !visit.units.some((x) => x.name === u)).map((u) => (
          <Button key={u} onClick={() => send(u)}>
            {u}
          </Button>
        ))}
      </div>
      <form
        className="flex items-start gap-3"
        noValidate
        onSubmit={(e) => void form.handleSubmit(({ name }) => send(name))(e)}
      >
        <TextField
          className="min-w-0 flex-1"
          label="Another"
          placeholder="what it is called"
          error={form.formState.errors.name?.message}
          {...form.register('name')}
        />
        <Button type="submit" className="mt-7" busy={add.isPending}>
          Add
        </Button>
      </form>
    </Panel>
  );
}
