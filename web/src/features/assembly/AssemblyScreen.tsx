import type { StripStep } from '@eclat/contract';
import { accountOf, backwards, FATES, type Fate, type Step } from '@eclat/core/strip';
import { Check, Undo2 } from 'lucide-react';
import { useState } from 'react';
import { api } from '../../data/api.ts';
import { useCommand } from '../../data/useCommand.ts';
import { Answer, Empty, Panel } from '../../ui/Answer.tsx';
import { Button } from '../../ui/Button.tsx';
import { Choice } from '../../ui/Choice.tsx';
import { dayTime } from '../../ui/dates.ts';
import { TextField, Tick } from '../../ui/Field.tsx';
import { Sheet } from '../../ui/Sheet.tsx';
import { StepWords } from '../strip/StepRow.tsx';
import { Temporary } from '../strip/Temporary.tsx';
import { Checks, leftOf } from './Checks.tsx';
import { Releases } from './Releases.tsx';
import { StageFoot } from '../visit/StageFoot.tsx';
import { useThisVisit } from '../visit/useThisVisit.ts';

/** Together once: the log backwards, ticked off. Nothing may be left over without a word. */
export function AssemblyScreen() {
  const visit = useThisVisit();
  const { steps, phases } = visit.strip;
  const { off, answered, open } = accountOf(steps);
  const unset = phases.filter((p) => p.setAt === null && p.when === 'before the plates close');
  const setUp = visit.power.filter((p) => p.setUpTurns !== null && p.setUpTurns > 0);
  const { failed } = leftOf(visit, 'assemble');
  const first = backwards(steps).find((s) => s.fate === 'apart');
  return (
    <>
      {failed.length > 0 && (
        <Answer tone="danger" title={`Failed: ${failed.map((c) => c.what).join('; ')}`}>
          It comes apart again as far as needed, as a pass of its own; then check it anew.
        </Answer>
      )}
      {unset.length > 0 && (
        <Answer tone="due" title={`Before the plates close: ${unset.map((p) => p.what).join(', ')}`} />
      )}
      {setUp.length > 0 && (
        <Answer
          tone="due"
          title={`Set-up to put back in: ${setUp.map((p) => `${p.train}, ${p.setUpTurns} ${p.setUpTurns === 1 ? 'turn' : 'turns'}`).join('; ')}`}
        >
          By its ratchet, counted; before the chain or spring carries anything.
        </Answer>
      )}
      <NextOn off={off} open={open} first={first} answered={answered} />
      <div className="grid items-start gap-5 xl:grid-cols-[minmax(0,1fr)_24rem]">
        <div className="flex min-w-0 flex-col gap-5">
          <Panel title="The log backwards">
            {off === 0 ? (
              <Empty>What the strip log holds stands here, the last thing off first.</Empty>
            ) : (
              <ol className="flex flex-col divide-y divide-line">
                {backwards(steps)
                  .filter((s) => s.fate === 'apart')
                  .map((s) => (
                    <Row key={s.id} step={s} next={s.id === first?.id} />
                  ))}
              </ol>
            )}
            {answered > 0 && (
              <details className="mt-3" open={open.length === 0}>
                <summary className="min-h-11 cursor-pointer font-semibold">{answered} accounted for</summary>
                <ol className="flex flex-col divide-y divide-line">
                  {steps
                    .filter((s) => s.fate !== 'apart')
                    .map((s) => (
                      <Row key={s.id} step={s} next={false} />
                    ))}
                </ol>
              </details>
            )}
          </Panel>
          <Checks place="assemble" title="Checks as it goes together" />
        </div>
        <div className="flex min-w-0 flex-col gap-5">
          <PhasesToSet />
          <Temporary />
          {visit.movement.traits.strike !== 'none' && <Releases />}
        </div>
      </div>
      <StageFoot
        stage="assemble"
        ready={open.length === 0 && failed.length === 0}
        why={open.length > 0 ? `${open.length} still apart: each needs a word.` : 'A check stands failed.'}
      />
    </>
  );
}

function NextOn({
  off,
  open,
  first,
  answered,
}: {
  off: number;
  open: Step[];
  first: StripStep | undefined;
  answered: number;
}) {
  if (off === 0) return <Answer tone="info" title="Nothing is logged as taken off" />;
  if (open.length === 0)
    return (
      <Answer tone="good" title="Everything that came off has its word">
        {off} of {off} accounted for.
      </Answer>
    );
  return (
    <Answer tone="info" title={`Next on: ${first!.what}`}>
      {first!.place && (
        <>
          It is in <b>{first!.place}</b>.{' '}
        </>
      )}
      {answered} of {off} accounted for.
    </Answer>
  );
}

function Row({ step: s, next }: { step: StripStep; next: boolean }) {
  const visit = useThisVisit();
  const [asking, setAsking] = useState(false);
  const set = useCommand(api.strip.setFate, { what: s.what });
  const say = (fate: Fate, note = '') =>
    set.mutate({ params: { visitId: visit.id, stepId: s.id }, body: { fate, note } });
  return (
    <li
      aria-current={next ? 'step' : undefined}
      className={`flex flex-wrap items-center gap-3 py-2 ${next ? '-mx-3 rounded-lg bg-steel-wash px-3' : ''}`}
    >
      {s.photoId && (
        <img
          src={`/api/photos/${s.photoId}/medium`}
          alt=""
          className={`${next ? 'size-32' : 'size-14'} shrink-0 rounded-lg object-cover`}
        />
      )}
      <StepWords step={s} />
      {!visit.closedAt &&
        (s.fate === 'apart' ? (
          <span className="flex gap-2">
            <Button
              variant={next ? 'main' : 'quiet'}
              aria-label={`On again: ${s.what}`}
              onClick={() => say('on again')}
            >
              <Check className="size-5" aria-hidden />
              On again
            </Button>
            <Button variant="plain" aria-label={`Something else: ${s.what}`} onClick={() => setAsking(true)}>
              Else …
            </Button>
          </span>
        ) : (
          <button
            type="button"
            aria-label={`Take back: ${s.what}`}
            className="grid size-11 place-items-center rounded-lg hover:bg-steel-wash"
            onClick={() => say('apart')}
          >
            <Undo2 className="size-5" />
          </button>
        ))}
      {asking && (
        <Else
          what={s.what}
          onClose={() => setAsking(false)}
          onSay={(fate, note) => {
            say(fate, note);
            setAsking(false);
          }}
        />
      )}
    </li>
  );
}

const OTHERS = FATES.filter((f) => f !== 'apart' && f !== 'on again');

function Else({
  what,
  onClose,
  onSay,
}: {
  what: string;
  onClose: () => void;
  onSay: (fate: Fate, note: string) => void;
}) {
  const [fate, setFate] = useState<Fate>('replaced');
  const [note, setNote] = useState('');
  const needed = fate === 'replaced' || fate === 'lost or damaged here';
  return (
    <Sheet
      open
      onClose={onClose}
      title={`${what} does not go on again`}
      description="Its own place in the account: nothing is left over without a word."
    >
      <form
        className="flex flex-col gap-4"
        onSubmit={(e) => {
          e.preventDefault();
          onSay(fate, note);
        }}
      >
        <Choice
          label="What became of it"
          value={fate}
          onChange={setFate}
          options={OTHERS.map((f) => [f, f] as const)}
        />
        <TextField
          label={fate === 'replaced' ? 'By what' : 'In words'}
          value={note}
          onChange={(e) => setNote(e.target.value)}
        />
        <Button type="submit" variant="main" className="self-start" disabled={needed && note.trim() === ''}>
          Keep it so
        </Button>
      </form>
    </Sheet>
  );
}

function PhasesToSet() {
  const visit = useThisVisit();
  const set = useCommand(api.strip.setPhase, { what: 'Phase' });
  const { phases } = visit.strip;
  return (
    <Panel title="Phases to set">
      {phases.length === 0 ? (
        <p className="text-soft">None were noted at the strip.</p>
      ) : (
        phases.map((p) => (
          <div key={p.id} className="border-t border-line first:border-t-0">
            <Tick
              label={p.what}
              checked={p.setAt !== null}
              disabled={visit.closedAt !== null}
              onChange={(e) =>
                set.mutate({ params: { visitId: visit.id, phaseId: p.id }, body: { set: e.target.checked } })
              }
            />
            <p className="-mt-2 pb-2 pl-9 text-soft">
              {p.how} {p.when}
              {p.setAt && `; ${p.setBy}, ${dayTime(p.setAt)}`}
            </p>
          </div>
        ))
      )}
    </Panel>
  );
}
