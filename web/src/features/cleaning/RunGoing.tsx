import type { CleaningRun } from '@eclat/contract';
import { isLast, mayAgain, tooLongAgain } from '@eclat/core/cleaning';
import clsx from 'clsx';
import { ArrowRight, Check, Repeat2, Undo2 } from 'lucide-react';
import { useRef, useState } from 'react';
import { api } from '../../data/api.ts';
import { useCommand } from '../../data/useCommand.ts';
import { useKept } from '../../data/useDraft.ts';
import { say } from '../../data/app-state.ts';
import { Button } from '../../ui/Button.tsx';
import { countdown, dayTime } from '../../ui/dates.ts';
import { TextField } from '../../ui/Field.tsx';
import { onceItStands, onToTheNext } from '../../ui/finger.ts';
import { FormFoot } from '../../ui/FormFoot.tsx';
import { Warned } from '../../ui/Warned.tsx';
import { useThisVisit } from '../visit/useThisVisit.ts';

/** One basket on its way: the step that runs, large; the next one with its caution before it. */
export function RunGoing({ run, now }: { run: CleaningRun; now: number }) {
  const step = useCommand(api.cleaning.step, { what: 'Step', labels: { step: 'Step' } });
  const here = run.steps[run.step]!;
  const next = run.steps[run.step + 1];
  const left = run.endsAt === null ? null : Date.parse(run.endsAt) - now;
  return (
    <section
      aria-label={`Run: ${run.parts.map((p) => p.name).join(', ') || run.name}`}
      className={clsx(
        'rounded-xl border-2 bg-enamel p-5',
        left !== null && left <= 0 ? 'border-danger' : 'border-steel',
      )}
    >
      <div className="flex flex-wrap items-baseline justify-between gap-x-4">
        <h2 className="text-xl first-letter:uppercase">{run.parts.map((p) => p.name).join(', ') || run.name}</h2>
        <span className="text-sm text-soft">
          {run.name}, begun by {run.by}, {dayTime(run.startedAt)}
        </span>
      </div>
      <div className="mt-3 grid gap-5 lg:grid-cols-[minmax(0,1fr)_18rem]">
        <div className="flex flex-col gap-3">
          {left !== null && (
            <p className={clsx('text-6xl font-bold leading-none tabular-nums', left <= 0 && 'text-danger')}>
              {left <= 0 ? `+${countdown(-left)}` : countdown(left)}
            </p>
          )}
          <p className="text-2xl font-bold">{here.what}</p>
          {here.caution && <Warned text={here.caution} />}
          {next && next.caution !== here.caution && next.caution && <Warned text={next.caution} before={next.what} />}
          <StepButtons step={step} run={run} next={next} left={left} here={here} />
          <EndRun run={run} />
        </div>
        <StepList run={run} />
      </div>
    </section>
  );
}

interface StepButtonsProps {
  step: ReturnType<typeof useCommand<typeof api.cleaning.step>>;
  run: CleaningRun;
  next: CleaningRun['steps'][number] | undefined;
  left: number | null;
  here: CleaningRun['steps'][number];
}

function StepButtons({ step, run, next, left, here }: StepButtonsProps) {
  const visit = useThisVisit();
  const params = { visitId: visit.id, bathId: run.id };
  const [why, setWhy] = useState(false);
  const go = (to: 'next' | 'again' | 'back', reason = '') =>
    step.mutate({ params, body: { to, reason, version: run.version } });
  const once = () => {
    if (tooLongAgain(run, new Date())) setWhy(true);
    else go('again');
  };
  if (why)
    return (
      <OnceMoreWhy
        run={run}
        busy={step.isPending}
        onSay={(reason) => {
          setWhy(false);
          go('again', reason);
        }}
        onClose={() => setWhy(false)}
      />
    );
  return (
    <div className="flex flex-wrap items-center gap-3">
      {run.parts.length === 0 && next?.bath && (
        <p className="text-lg font-semibold">Put together below what goes in.</p>
      )}
      {next && (next.bath === null || run.parts.length > 0) && (
        <Button
          variant={left !== null && left <= 0 ? 'danger' : 'main'}
          data-next
          className="min-h-14 text-lg"
          busy={step.isPending}
          onClick={() => go('next')}
        >
          On to: {next.what}
          <ArrowRight className="size-5" aria-hidden />
        </Button>
      )}
      {mayAgain(run) && (
        <Button busy={step.isPending} onClick={once}>
          <Repeat2 className="size-5" aria-hidden />
          Once more, {here.minutes} min
        </Button>
      )}
      {run.log.length > 0 && (
        <Button variant="plain" busy={step.isPending} onClick={() => go('back')}>
          <Undo2 className="size-5" aria-hidden />
          Back
        </Button>
      )}
    </div>
  );
}

interface WhyProps {
  run: CleaningRun;
  busy: boolean;
  onSay: (reason: string) => void;
  onClose: () => void;
}

/** Longer than its strictest part stands: a departure, with a reason that is kept. */
function OnceMoreWhy({ run, busy, onSay, onClose }: WhyProps) {
  const [reason, setReason] = useKept(`bath.${run.id}.again`, '');
  const over = tooLongAgain(run, new Date());
  return (
    <form
      className="flex flex-wrap items-end gap-3"
      onSubmit={(e) => {
        e.preventDefault();
        if (reason.trim() === '') return;
        onSay(reason.trim());
        setReason('');
      }}
    >
      <TextField
        className="min-w-60 flex-1 basis-full"
        label="Once more, with a reason that is kept"
        hint={over && `${over.minutes} min in all; ${over.part}, ${over.material}, stands ${over.limitMin}.`}
        maxLength={300}
        value={reason}
        onChange={(e) => setReason(e.target.value)}
      />
      <FormFoot busy={busy} onClose={onClose}>
        Once more
      </FormFoot>
    </form>
  );
}

function EndRun({ run }: { run: CleaningRun }) {
  const visit = useThisVisit();
  const params = { visitId: visit.id, bathId: run.id };
  const [after, setAfter, forget] = useKept(`bath.${run.id}.after`, '');
  const [ending, setEnding] = useState(false);
  const field = useRef<HTMLInputElement>(null);
  const stop = useCommand(api.cleaning.stop, {
    what: 'Parts out of the bath',
    onSent: forget,
    onDone: () => {
      say('The run is over.');
      onToTheNext();
    },
  });
  const last = isLast(run);
  if (last || ending)
    return (
      <form
        className="flex flex-wrap items-end gap-3"
        onSubmit={(e) => {
          e.preventDefault();
          stop.mutate({ params, body: { after } });
        }}
      >
        <TextField
          className="min-w-60 flex-1"
          label="What it looks like now"
          placeholder="even and clean, one green spot left"
          ref={field}
          value={after}
          onChange={(e) => setAfter(e.target.value)}
        />
        <Button type="submit" variant={last ? 'main' : 'quiet'} busy={stop.isPending}>
          {last ? 'Parts are out' : 'End it here'}
        </Button>
      </form>
    );
  return (
    <button
      type="button"
      className="min-h-11 self-start font-semibold text-steel underline"
      onClick={() => {
        setEnding(true);
        onceItStands(() => field.current?.focus());
      }}
    >
      {run.parts.length > 0 ? 'The parts are out, it ends here' : 'It ends here'}
    </button>
  );
}

function StepList({ run }: { run: CleaningRun }) {
  return (
    <ol className="flex flex-col gap-1">
      {run.steps.map((s, i) => (
        <li
          key={i}
          aria-current={i === run.step ? 'step' : undefined}
          className={clsx(
            'flex items-start gap-3 rounded-lg px-2 py-1',
            i === run.step ? 'bg-steel-wash font-bold' : i < run.step && 'text-soft',
          )}
        >
          <span
            className={clsx(
              'mt-0.5 grid size-6 shrink-0 place-items-center rounded-full text-sm',
              i < run.step ? 'bg-steel text-steel-ink' : 'border border-line',
            )}
          >
            {i < run.step ? <Check className="size-4" aria-label="done" /> : i + 1}
          </span>
          <span className="min-w-0 flex-1">{s.what}</span>
          {s.minutes !== null && (
            <span className="shrink-0 text-soft">
              {s.minutes >= 120 ? `${Math.round(s.minutes / 60)} h` : `${s.minutes} min`}
            </span>
          )}
        </li>
      ))}
    </ol>
  );
}
