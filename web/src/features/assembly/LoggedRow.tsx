import type { StripStep } from '@eclat/contract';
import { FATES, type Fate } from '@eclat/core/strip';
import clsx from 'clsx';
import { Check, Undo2 } from 'lucide-react';
import { useState } from 'react';
import { api } from '../../data/api.ts';
import { useCommand } from '../../data/useCommand.ts';
import { useKept } from '../../data/useDraft.ts';
import { Button } from '../../ui/Button.tsx';
import { Choice } from '../../ui/Choice.tsx';
import { onToTheNext } from '../../ui/finger.ts';
import { TextField } from '../../ui/Field.tsx';
import { Sheet } from '../../ui/Sheet.tsx';
import { StepWords } from '../strip/StepRow.tsx';
import { useThisVisit } from '../visit/useThisVisit.ts';

export function Row({ step: s, next }: { step: StripStep; next: boolean }) {
  const visit = useThisVisit();
  const [asking, setAsking] = useState(false);
  // In hand is the next thing, as the row of this one is gone.
  const set = useCommand(api.strip.setFate, { what: s.what, onDone: onToTheNext });
  const say = (fate: Fate, note = '') =>
    set.mutate({ params: { visitId: visit.id, stepId: s.id }, body: { fate, note } });
  return (
    <li
      // It leaves with the press, not with the answer: nothing moves under the next press.
      hidden={s.fate === 'apart' && set.isPending}
      aria-current={next ? 'step' : undefined}
      className={clsx(
        'flex flex-wrap items-center gap-3 py-2 [&[hidden]]:hidden',
        next && '-mx-3 rounded-lg bg-steel-wash px-3',
      )}
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
              data-next={next || undefined}
              aria-label={`On again: ${s.what}`}
              onClick={() => say('on again')}
            >
              <Check className="size-5" aria-hidden />
              On again
            </Button>
            <Button variant="plain" aria-label={`Not fitted: ${s.what}`} onClick={() => setAsking(true)}>
              Not fitted
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
          step={s}
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

export const OTHERS = FATES.filter((f) => f !== 'apart' && f !== 'on again');

export function Else({
  step,
  onClose,
  onSay,
}: {
  step: StripStep;
  onClose: () => void;
  onSay: (fate: Fate, note: string) => void;
}) {
  const [fate, setFate] = useState<Fate>('replaced');
  const [note, setNote, forget] = useKept(`fate.${step.id}`, '');
  const needed = fate === 'replaced' || fate === 'lost or damaged here';
  return (
    <Sheet
      open
      onClose={onClose}
      title={`${step.what} does not go on again`}
      description="Say what became of it: nothing is left over."
    >
      <form
        className="flex flex-col gap-4"
        onSubmit={(e) => {
          e.preventDefault();
          forget();
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
          Save it
        </Button>
      </form>
    </Sheet>
  );
}
