import type { Checked } from '@eclat/contract';
import { isCycle, type Check } from '@eclat/core/checks';
import clsx from 'clsx';
import { Check as Tick, Minus, TriangleAlert, Undo2, X } from 'lucide-react';
import { api } from '../../data/api.ts';
import { useCommand } from '../../data/useCommand.ts';
import { Button } from '../../ui/Button.tsx';
import { ago } from '../../ui/dates.ts';
import { useNow } from '../../ui/useNow.ts';
import { useThisVisit } from '../visit/useThisVisit.ts';
import { DriveThrough } from './Drive.tsx';
import { SetHere } from './SetHere.tsx';
import { useSoon } from './useSoon.ts';
import { Windings } from './Windings.tsx';

export function CheckRow({
  open,
  check: c,
  set,
  setAsking,
}: {
  open: Check[];
  check: Check;
  set: (check: Check, result: Checked['result'], note?: string, detail?: Checked['detail']) => void;
  setAsking: (next: { check: Check; result: 'failed' | 'not applicable' } | null) => void;
}) {
  const visit = useThisVisit();
  const answers = new Map(visit.checks.map((c) => [c.check, c]));
  const remove = useCommand(api.assembly.removeCheck, { what: 'Check' });
  const next = open[0];
  const a = answers.get(c.id);
  const answered = a && a.result !== 'under way';
  return (
    <li
      className={clsx(
        'flex flex-wrap items-center gap-x-4 gap-y-2 py-2',
        c === next && '-mx-3 rounded-lg bg-steel-wash px-3',
      )}
    >
      <Mark result={a?.result} />
      <div className="min-w-0 flex-1 basis-64">
        <p className="text-lg leading-tight font-semibold">
          {c.what}
          {c.before && (
            <span
              className={
                'ml-2 rounded-full border-2 border-brass-fill px-2 text-sm font-semibold ' +
                'whitespace-nowrap text-brass'
              }
            >
              before the plates close
            </span>
          )}
        </p>
        {c.caution && (
          <p className="flex items-start gap-2 text-brass">
            <TriangleAlert className="mt-0.5 size-5 shrink-0" aria-label="Caution" />
            {c.caution}
          </p>
        )}
        {answered ? <Answered answer={a} /> : <p className="text-soft">{c.how}</p>}
        <SetHere check={c} failed={a?.result === 'failed'} />
        {!visit.closedAt && !answered && (isCycle(c.id) || c.id === 'f-flag') && (
          <Counted check={c} kept={a} onKeep={(r, note, detail) => set(c, r, note, detail)} />
        )}
      </div>
      {!visit.closedAt &&
        (answered ? (
          <button
            type="button"
            aria-label={`Take back: ${c.what}`}
            className="grid size-11 place-items-center rounded-lg hover:bg-steel-wash"
            onClick={() => remove.mutate({ params: { visitId: visit.id, check: c.id } })}
          >
            <Undo2 className="size-5" />
          </button>
        ) : (
          <CheckButtons check={c} next={next} set={set} setAsking={setAsking} />
        ))}
    </li>
  );
}

export function CheckButtons({
  check: c,
  next,
  set,
  setAsking,
}: {
  check: Check;
  next: Check | undefined;
  set: (check: Check, result: Checked['result'], note?: string, detail?: Checked['detail']) => void;
  setAsking: (next: { check: Check; result: 'failed' | 'not applicable' } | null) => void;
}) {
  return (
    <span className="flex gap-2">
      <Button variant={c === next ? 'main' : 'quiet'} aria-label={`Passed: ${c.what}`} onClick={() => set(c, 'passed')}>
        <Tick className="size-5" aria-hidden />
        Passed
      </Button>
      <Button aria-label={`Failed: ${c.what}`} onClick={() => setAsking({ check: c, result: 'failed' })}>
        <X className="size-5" aria-hidden />
        Failed
      </Button>
      <Button
        variant="plain"
        aria-label={`Not for this clock: ${c.what}`}
        onClick={() => setAsking({ check: c, result: 'not applicable' })}
      >
        n. a.
      </Button>
    </span>
  );
}

/** Checks that are counted on the way: dial work driven through a whole cycle, windings against the clock. */
export function Counted({
  check,
  kept,
  onKeep,
}: {
  check: Check;
  kept: Checked | undefined;
  onKeep: (result: Checked['result'], note: string, detail: Checked['detail']) => void;
}) {
  const [shown, put] = useSoon(kept, (v) => v && onKeep(v.result, v.note, v.detail));
  const keep = (result: Checked['result'], note: string, detail: NonNullable<Checked['detail']>) =>
    put({ check: check.id, result, note, detail, by: '', at: new Date().toISOString() }, result !== 'under way');
  if (isCycle(check.id))
    return (
      <DriveThrough
        id={check.id}
        kept={shown}
        onKeep={(result, note, drive) => keep(result, note, { ...drive, fouled: [...drive.fouled] })}
      />
    );
  return <Windings kept={shown} onKeep={(result, note, windings) => keep(result, note, { windings })} />;
}

export function Answered({ answer: a }: { answer: Checked }) {
  const now = useNow(60_000);
  return (
    <p className="text-soft">
      <b className={a.result === 'failed' ? 'text-danger' : undefined}>{resultWords(a)}</b>
      {a.note && `: ${a.note}`}. {a.by}, {ago(a.at, now)}.
    </p>
  );
}

export function resultWords(a: Checked) {
  if (a.result === 'passed') return 'Passed';
  if (a.result === 'failed') return 'Failed';
  return 'Not for this clock';
}

export function Mark({ result }: { result: Checked['result'] | undefined }) {
  const look: Record<Checked['result'], string> = {
    'under way': 'border-brass-fill',
    passed: 'border-steel bg-steel text-steel-ink',
    failed: 'border-danger bg-danger text-danger-ink rounded-none',
    'not applicable': 'border-line bg-sunk text-soft',
  };
  return (
    <span
      className={clsx(
        'grid size-9 shrink-0 place-items-center rounded-lg border-2',
        result ? look[result] : 'border-line',
      )}
      aria-hidden
    >
      <ResultSign result={result} />
    </span>
  );
}

export function ResultSign({ result }: { result: Checked['result'] | undefined }) {
  if (result === 'passed') return <Tick className="size-6" />;
  if (result === 'failed') return <X className="size-6" />;
  if (result === 'not applicable') return <Minus className="size-5" />;
  return null;
}
