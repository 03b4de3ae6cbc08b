import { Fold } from '../../ui/Fold.tsx';
import { standRunFields } from '@eclat/contract/assembly';
import { CAUTIONS } from '@eclat/core/cautions';
import { drivenBy, isMains } from '@eclat/core/movement';
import { useState } from 'react';
import type { z } from 'zod';
import { api } from '../../data/api.ts';
import { useCommand } from '../../data/useCommand.ts';
import { useContractForm } from '../../data/useContractForm.ts';
import { Button } from '../../ui/Button.tsx';
import { dayTime } from '../../ui/dates.ts';
import { TextField } from '../../ui/Field.tsx';
import { useThisVisit } from '../visit/useThisVisit.ts';

const OFTEN = ['dial and hands', 'case', 'dial side', 'strike work'] as const;

/** A run with parts off, declared: wound is then how it should be, until it is ended or the power is taken off. */
export function StandRuns() {
  const visit = useThisVisit();
  const now = visit.standRuns.find((r) => r.endedAt === null);
  const before = visit.standRuns.filter((r) => r.endedAt !== null).toReversed();
  if (visit.closedAt && before.length === 0) return null;
  return (
    <Fold title="Run it with parts off" says={now && `going, off: ${now.off}`} open={now !== undefined}>
      {now ? <Running id={now.id} off={now.off} since={now.at} watched={now.watched} /> : <Start />}
      {before.length > 0 && (
        <ul className="mt-4 flex flex-col gap-1 border-t border-line pt-3 text-sm">
          {before.map((r) => (
            <li key={r.id}>
              <b>Off: {r.off}.</b> {[r.watched, r.found].filter(Boolean).join(' ')}{' '}
              <span className="text-soft">
                {r.by}, {dayTime(r.at)} to {dayTime(r.endedAt!)}
              </span>
            </li>
          ))}
        </ul>
      )}
    </Fold>
  );
}

function Start() {
  const visit = useThisVisit();
  const form = useContractForm<z.input<typeof standRunFields>>(
    standRunFields,
    { off: '', watched: '' },
    `stand-run.${visit.id}`,
  );
  const start = useCommand(api.assembly.startStandRun, { what: 'Run with parts off', onSent: form.forget });
  const mains = drivenBy(visit.movement.traits, isMains);
  if (visit.closedAt) return null;
  return (
    <form
      className="flex flex-col gap-3"
      noValidate
      onSubmit={(e) =>
        void form.handleSubmit((body) =>
          start.mutate({ params: { visitId: visit.id }, body }, { onSuccess: () => form.reset() }),
        )(e)
      }
    >
      {mains && (
        <p className="rounded-lg bg-brass-wash px-3 py-2">
          {CAUTIONS.find((c) => c.id === 'mains')!.text} Live parts are guarded before it is plugged in.
        </p>
      )}
      <TextField
        label="What is off"
        placeholder="dial and hands"
        error={form.formState.errors.off?.message}
        {...form.register('off')}
      />
      <div className="flex flex-wrap gap-2">
        {OFTEN.map((o) => (
          <Button key={o} onClick={() => form.setValue('off', o, { shouldValidate: true })}>
            {o}
          </Button>
        ))}
      </div>
      <TextField
        label="What is watched"
        placeholder="beat, and the strike for two days"
        {...form.register('watched')}
      />
      <Button type="submit" variant="main" className="self-start" busy={start.isPending}>
        Wound and going
      </Button>
    </form>
  );
}

function Running({ id, off, since, watched }: { id: string; off: string; since: string; watched: string }) {
  const visit = useThisVisit();
  const [found, setFound] = useState('');
  const end = useCommand(api.assembly.endStandRun, { what: 'Run with parts off' });
  return (
    <form
      className="flex flex-col gap-3"
      onSubmit={(e) => {
        e.preventDefault();
        end.mutate({ params: { visitId: visit.id, runId: id }, body: { found } });
      }}
    >
      <p className="text-lg">
        <b>Going, off: {off}.</b> {watched} <span className="text-soft">Since {dayTime(since)}</span>
      </p>
      <TextField label="What it showed" value={found} onChange={(e) => setFound(e.target.value)} />
      <Button type="submit" variant="main" className="self-start" busy={end.isPending}>
        End the run
      </Button>
      <p className="text-sm text-soft">It stays wound until it is let down: take the power off before it is opened.</p>
    </form>
  );
}
