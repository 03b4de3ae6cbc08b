import { RUN_EVENTS } from '@eclat/contract/test-run';
import type { TestRun } from '@eclat/contract';
import { SETTERS, settersOn, type Setter } from '@eclat/core/pendulum';
import { useState } from 'react';
import { api } from '../../data/api.ts';
import { useCommand } from '../../data/useCommand.ts';
import { useKept } from '../../data/useDraft.ts';
import { say, serverNow } from '../../data/app-state.ts';
import { Panel } from '../../ui/Answer.tsx';
import { Button } from '../../ui/Button.tsx';
import { Choice } from '../../ui/Choice.tsx';
import { TextField } from '../../ui/Field.tsx';
import { useThisVisit } from '../visit/useThisVisit.ts';

const EMPTY = { note: '', amount: '', way: 'up' as 'up' | 'down', where: '', shown: '' };

/** What happened to a clock on test: an adjustment with how far, a stop with where and what the hands showed. */
export function LogEvent({ run }: { run: TestRun }) {
  const visit = useThisVisit();
  const [kind, setKind] = useKept<(typeof RUN_EVENTS)[number] | ''>(`event.${visit.id}.kind`, '');
  const [t, setT] = useKept(`event.${visit.id}`, EMPTY);
  const [setter, setSetter] = useState<Setter | null>(run.conditions?.setter ?? null);
  const log = useCommand(api.testRun.addEvent, {
    what: 'Event',
    onSent: () => {
      setKind('');
      setT(EMPTY);
    },
    onDone: () => say('Logged.'),
  });
  const n = Number(t.amount.replace(',', '.'));
  const bad = t.amount.trim() !== '' && !(n >= 0 && n <= 1000);
  const detail = () => {
    if (kind === 'adjusted' && setter && t.amount.trim() !== '') return { setter, amount: t.way === 'up' ? n : -n };
    if (kind === 'stopped' && (t.where || t.shown))
      return { ...(t.where && { where: t.where }), ...(t.shown && { shown: t.shown }) };
    return null;
  };
  return (
    <Panel title="What happened to it">
      <form
        className="flex flex-col gap-3"
        onSubmit={(e) => {
          e.preventDefault();
          if (kind && !bad)
            log.mutate({
              params: { visitId: visit.id },
              body: { kind, note: t.note, happenedAt: new Date(serverNow()).toISOString(), detail: detail() },
            });
        }}
      >
        <Choice
          hideLabel
          label="Event"
          value={kind}
          onChange={setKind}
          onClear={() => setKind('')}
          options={RUN_EVENTS.map((k) => [k, k] as const)}
        />
        {kind === 'adjusted' && <Adjusted setter={setter} setSetter={setSetter} typed={t} setT={setT} bad={bad} />}
        {kind === 'stopped' && <Stopped typed={t} setT={setT} />}
        {kind && <WhenAndWhy kind={kind} typed={t} setT={setT} log={log} />}
      </form>
    </Panel>
  );
}

function Adjusted({
  setter,
  setSetter,
  typed: t,
  setT,
  bad,
}: {
  setter: Setter | null;
  setSetter: (next: Setter | null) => void;
  typed: typeof EMPTY;
  setT: (next: typeof EMPTY) => void;
  bad: boolean;
}) {
  const visit = useThisVisit();
  return (
    <>
      <Choice
        label="What was set"
        value={setter ?? ''}
        onChange={setSetter}
        onClear={() => setSetter(null)}
        options={settersOn(visit.movement.traits.oscillator).map((s) => [s, s] as const)}
      />
      {setter && (
        <>
          <Choice
            hideLabel
            label="Which way"
            value={t.way}
            onChange={(way) => setT({ ...t, way })}
            options={
              [
                ['up', `${SETTERS[setter].up}, to gain`],
                ['down', `${SETTERS[setter].down}, to lose`],
              ] as const
            }
          />
          <TextField
            label={`How far, ${SETTERS[setter].unit}`}
            inputMode="decimal"
            value={t.amount}
            error={bad ? 'A number from 0 to 1000.' : undefined}
            onChange={(e) => setT({ ...t, amount: e.target.value })}
          />
        </>
      )}
    </>
  );
}

function Stopped({ typed: t, setT }: { typed: typeof EMPTY; setT: (next: typeof EMPTY) => void }) {
  return (
    <>
      <TextField
        label="What the hands showed"
        placeholder="10:12"
        value={t.shown}
        maxLength={20}
        onChange={(e) => setT({ ...t, shown: e.target.value })}
      />
      <TextField
        label="Where it stood"
        placeholder="at warning, before the hour"
        value={t.where}
        maxLength={120}
        onChange={(e) => setT({ ...t, where: e.target.value })}
      />
    </>
  );
}

function WhenAndWhy({
  kind,
  typed: t,
  setT,
  log,
}: {
  kind: 'wound' | 'set' | 'stopped' | 'adjusted' | 'moved';
  typed: typeof EMPTY;
  setT: (next: typeof EMPTY) => void;
  log: ReturnType<typeof useCommand<typeof api.testRun.addEvent>>;
}) {
  return (
    <>
      <TextField
        label={kind === 'wound' ? 'Remark' : 'In words'}
        value={t.note}
        maxLength={200}
        onChange={(e) => setT({ ...t, note: e.target.value })}
      />
      <p className="text-sm text-soft">
        {kind === 'wound' ? 'The rate line goes on.' : 'The rate line starts again from now.'}
      </p>
      <Button type="submit" variant="main" busy={log.isPending}>
        Log it
      </Button>
    </>
  );
}
