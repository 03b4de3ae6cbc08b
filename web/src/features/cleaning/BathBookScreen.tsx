import { FillForm } from './FillForm.tsx';
import { OwnSequences } from './OwnSequences.tsx';
import type { Fill } from '@eclat/contract';
import { fillPast } from '@eclat/core/cleaning';
import { byCount, counted } from '@eclat/core/units';
import { Droplets, Pencil } from 'lucide-react';
import { useState } from 'react';
import { api } from '../../data/api.ts';
import { useBaths } from '../../data/queries.ts';
import { useCommand } from '../../data/useCommand.ts';
import { say } from '../../data/app-state.ts';
import { Answer, Empty, Failed, Loading, Panel } from '../../ui/Answer.tsx';
import { Button } from '../../ui/Button.tsx';
import { day } from '../../ui/dates.ts';
import { useNow } from '../../ui/useNow.ts';

/** Every tank and jar: when it was filled and how, what went through it, and when it is to be changed. */
export function BathBookScreen() {
  const { data, error } = useBaths();
  const now = useNow(60_000);
  const [editing, setEditing] = useState<Fill | 'new' | null>(null);
  if (error && !data) return <Failed error={error} />;
  if (!data) return <Loading what="the bath book" />;
  const inUse = data.filter((f) => f.changedAt === null);
  const before = data.filter((f) => f.changedAt !== null);
  return (
    <div className="mx-auto flex max-w-5xl flex-col gap-5 px-4 py-5 md:px-6">
      <h1 className="text-3xl">Bath book</h1>
      <BathAnswer inUse={inUse} now={now} />
      <Panel
        title="In use"
        aside={
          editing !== 'new' && (
            <Button variant="main" onClick={() => setEditing('new')}>
              <Droplets className="size-5" aria-hidden />
              Fill one
            </Button>
          )
        }
      >
        {editing === 'new' && <FillForm fill={null} onClose={() => setEditing(null)} />}
        {inUse.length === 0 ? (
          editing !== 'new' && <Empty>Each tank or jar is listed here with what went through it.</Empty>
        ) : (
          <ul className="flex flex-col divide-y divide-line">
            {inUse.map((f) =>
              editing === f ? (
                <li key={f.id}>
                  <FillForm fill={f} onClose={() => setEditing(null)} />
                </li>
              ) : (
                <InUse key={f.id} fill={f} now={now} onEdit={() => setEditing(f)} />
              ),
            )}
          </ul>
        )}
      </Panel>
      <OwnSequences />
      {before.length > 0 && (
        <Panel title="Changed">
          <ul className="flex flex-col divide-y divide-line">
            {before.map((f) => (
              <li key={f.id} className="flex flex-wrap gap-x-4 py-2">
                <b>{f.name}</b>
                <span>{f.bath}</span>
                <span className="text-soft">
                  {day(f.filledAt)} to {day(f.changedAt!)}, {counted(f.loads, 'load')}, {f.minutes} min.
                  {` Poured away by ${f.changedBy}.`}
                </span>
              </li>
            ))}
          </ul>
        </Panel>
      )}
    </div>
  );
}

function BathAnswer({ inUse, now }: { inUse: Fill[]; now: number }) {
  const past = inUse.filter((f) => fillPast(f, now));
  if (inUse.length === 0)
    return (
      <Answer tone="info" title="Nothing is filled">
        A run that names its bath counts it as a load.
      </Answer>
    );
  if (past.length > 0) return <Answer tone="due" title={`To be changed: ${past.map((f) => f.name).join(', ')}`} />;
  return <Answer tone="good" title={`${inUse.length} in use, none past its rule`} />;
}

function InUse({ fill, now, onEdit }: { fill: Fill; now: number; onEdit: () => void }) {
  const undo = useCommand(api.cleaning.setChanged, { what: 'Bath' });
  const change = useCommand(api.cleaning.setChanged, {
    what: 'Bath',
    onDone: (f) =>
      say(`${f.name} is poured away.`, 'good', () =>
        undo.mutate({ params: { fillId: f.id }, body: { changed: false } }),
      ),
  });
  const past = fillPast(fill, now);
  return (
    <li className="flex flex-wrap items-center gap-x-5 gap-y-2 py-3">
      <span className="w-28 text-center">
        <b className="block text-3xl leading-none">{fill.loads}</b>
        <span className="text-sm text-soft">
          {byCount(fill.loads, 'load', 'loads')}
          {fill.limitLoads !== null && ` of ${fill.limitLoads}`}
        </span>
      </span>
      <span className="min-w-60 flex-1">
        <b className="block text-lg">{fill.name}</b>
        <span className="block first-letter:uppercase">
          {fill.bath}, {fill.litres} l{fill.waterParts !== null && `, 1 part to ${fill.waterParts} of water`}
        </span>
        <span className="block text-sm text-soft">
          Filled {day(fill.filledAt)} by {fill.by}; {(fill.minutes / 60).toFixed(1)} h in use
          {fill.limitDays !== null && `; to be changed after ${fill.limitDays} days`}
          {fill.note && `. ${fill.note}`}
        </span>
        {past && <span className="block font-bold text-brass">Past its rule: {past}</span>}
      </span>
      <Button aria-label={`Correct ${fill.name}`} onClick={onEdit}>
        <Pencil className="size-5" aria-hidden />
      </Button>
      <Button
        variant={past ? 'main' : 'quiet'}
        busy={change.isPending}
        onClick={() => change.mutate({ params: { fillId: fill.id }, body: { changed: true } })}
      >
        Poured away
      </Button>
    </li>
  );
}
