import type { SubAssembly } from '@eclat/contract';
import { unitRunFields } from '@eclat/contract/sub-assemblies';
import { DRIVEN_BY } from '@eclat/core/workflow';
import { sentence } from '@eclat/core/units';
import { useState } from 'react';
import type { z } from 'zod';
import { api } from '../../data/api.ts';
import { useCommand } from '../../data/useCommand.ts';
import { useKept } from '../../data/useDraft.ts';
import { useContractForm } from '../../data/useContractForm.ts';
import { Button } from '../../ui/Button.tsx';
import { dayTime } from '../../ui/dates.ts';
import { TextField } from '../../ui/Field.tsx';
import { useThisVisit } from '../visit/useThisVisit.ts';

/**
 * A sub-assembly is tried before it goes back: one press says what drives it, one how it went.
 * @param takesFocus it came by a press here, whose button is gone: the next press is where the last one was
 */
export function RunItself({ unit, takesFocus }: { unit: SubAssembly; takesFocus: boolean }) {
  const [started, setStarted] = useState(false);
  const now = unit.runs.find((r) => r.endedAt === null);
  return now ? (
    <Running unit={unit} run={now} takesFocus={started} />
  ) : (
    <Start unit={unit} takesFocus={takesFocus} onStart={() => setStarted(true)} />
  );
}

function Start({ unit, takesFocus, onStart }: { unit: SubAssembly; takesFocus: boolean; onStart: () => void }) {
  const visit = useThisVisit();
  const form = useContractForm<z.input<typeof unitRunFields>>(unitRunFields, { driven: '' }, `unit-run.${unit.id}`);
  const start = useCommand(api.subAssemblies.startRun, {
    what: sentence(unit.name),
    onSent: () => (form.forget(), form.reset()),
  });
  const send = (driven: string) => {
    onStart();
    start.mutate({ params: { visitId: visit.id, unitId: unit.id }, body: { driven } });
  };
  return (
    <div className="mb-3 flex flex-wrap items-end gap-3">
      <p className="w-full text-lg">Run it by itself, driven by:</p>
      {DRIVEN_BY.map((d, i) => (
        <Button key={d} autoFocus={takesFocus && i === 0} busy={start.isPending} onClick={() => send(d)}>
          {d}
        </Button>
      ))}
      <form
        className="flex min-w-64 flex-1 items-start gap-3"
        noValidate
        onSubmit={(e) => void form.handleSubmit(({ driven }) => send(driven))(e)}
      >
        <TextField
          className="flex-1"
          label="Something else"
          error={form.formState.errors.driven?.message}
          {...form.register('driven')}
        />
        <Button type="submit" className="mt-7">
          Runs
        </Button>
      </form>
    </div>
  );
}

function Running({
  unit,
  run,
  takesFocus,
}: {
  unit: SubAssembly;
  run: SubAssembly['runs'][number];
  takesFocus: boolean;
}) {
  const visit = useThisVisit();
  const [found, setFound, forget] = useKept(`unit-run.${run.id}`, '');
  const end = useCommand(api.subAssemblies.endRun, { what: sentence(unit.name), onSent: forget });
  const say = (good: boolean) =>
    end.mutate({ params: { visitId: visit.id, unitId: unit.id, runId: run.id }, body: { found, good } });
  return (
    <form
      className="mb-3 flex flex-col gap-3"
      onSubmit={(e) => {
        e.preventDefault();
        say(true);
      }}
    >
      <p className="text-lg">
        <b>It runs, driven by: {run.driven}.</b> <span className="text-soft">Since {dayTime(run.at)}</span>
      </p>
      <TextField label="What it showed" value={found} onChange={(e) => setFound(e.target.value)} />
      <div className="flex flex-wrap gap-3">
        <Button type="submit" variant="main" autoFocus={takesFocus} busy={end.isPending}>
          As it should: run is done
        </Button>
        <Button onClick={() => say(false)}>Not right yet</Button>
      </div>
      {run.driven !== 'by hand' && (
        <p className="text-sm text-soft">It stays wound when the run ends: take its power off before it is opened.</p>
      )}
    </form>
  );
}
