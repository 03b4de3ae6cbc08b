import type { WantedThing } from '@eclat/contract';
import { wantedStepFields } from '@eclat/contract/reception';
import { NEXT_STEPS, STEP_ASKS, type WantedStep } from '@eclat/core/stores';
import { Pencil, Undo2 } from 'lucide-react';
import { useState } from 'react';
import type { z } from 'zod';
import { api } from '../../data/api.ts';
import { useWanted } from '../../data/queries.ts';
import { say } from '../../data/app-state.ts';
import { useCommand } from '../../data/useCommand.ts';
import { useContractForm } from '../../data/useContractForm.ts';
import { Button } from '../../ui/Button.tsx';
import { TextField } from '../../ui/Field.tsx';
import { FormFoot } from '../../ui/FormFoot.tsx';
import { useThisVisit } from '../visit/useThisVisit.ts';
import { Matches } from './Matches.tsx';
import { WantedForm } from './WantedForm.tsx';
import { stepWords } from './wanted-words.ts';

/** Of these a few words are worth their while; the others are one press. */
const IN_WORDS: readonly WantedStep[] = ['looked for', 'ordered', 'arrived faulty', 'made here', 'guessed'];

/** A missing thing and its thread: what was done about it, what may be it, what comes next. */
export function WantedRow({ thing }: { thing: WantedThing }) {
  const visit = useThisVisit();
  const [asking, setAsking] = useState<WantedStep | 'correct' | null>(null);
  const { add, back } = useSteps(thing);
  const matches = useWanted().data?.find((w) => w.id === thing.id)?.matches ?? [];
  const last = thing.steps.at(-1);
  const open = visit.closedAt === null;
  const press = (step: WantedStep) => (IN_WORDS.includes(step) ? setAsking(step) : add({ step }));
  return (
    <li className="flex flex-col gap-2 py-2">
      <div className="flex items-start gap-2">
        <p className="min-w-0 flex-1">
          <span className="text-lg font-bold">{thing.what}</span>
          {thing.ended && <b className="ml-2 text-good">{thing.ended}</b>}
          {thing.evidence && <span className="block text-soft">{thing.evidence}</span>}
          {thing.would && <span className="block text-soft">Would fit: {thing.would}</span>}
          {thing.steps.map((s) => (
            <span key={s.id} className="block">
              {stepWords(s)}
            </span>
          ))}
        </p>
        {open && (
          <Button variant="plain" aria-label={`Correct: ${thing.what}`} onClick={() => setAsking('correct')}>
            <Pencil className="size-5" aria-hidden />
          </Button>
        )}
        {open && last && (
          <Button variant="plain" aria-label={`Take back: ${thing.what}, ${last.step}`} onClick={() => back(last.id)}>
            <Undo2 className="size-5" aria-hidden />
          </Button>
        )}
      </div>
      {thing.ended === null && <Matches matches={matches} />}
      {open && asking === null && (
        <div className="flex flex-wrap gap-2" role="group" aria-label={`${thing.what}: next`}>
          {NEXT_STEPS[last?.step ?? 'nothing'].map((s) => (
            <Button key={s} onClick={() => press(s)}>
              <span className="first-letter:uppercase">{s}</span>
            </Button>
          ))}
        </div>
      )}
      {asking === 'correct' && <WantedForm thing={thing} begins={thing} onClose={() => setAsking(null)} />}
      {asking !== null && asking !== 'correct' && (
        <StepForm key={asking} thing={thing} step={asking} onClose={() => setAsking(null)} />
      )}
    </li>
  );
}

type Fields = z.input<typeof wantedStepFields>;

/** Logs a step and takes the last one back, each with a way back. */
function useSteps(thing: WantedThing) {
  const params = { visitId: useThisVisit().id, wantedId: thing.id };
  const remove = useCommand(api.reception.removeWantedStep, { what: 'Step' });
  const log = useCommand(api.reception.addWantedStep, {
    what: 'Step',
    onDone: ({ steps }, _sent, undo) => {
      const last = steps.at(-1);
      if (last) say(`${thing.what}: ${last.step}.`, 'good', undo);
    },
  });
  const back = (stepId: string) => remove.mutate({ params: { ...params, stepId } });
  const add = (body: Fields) => log.mutate({ params, body });
  return { add, back };
}

function StepForm({ thing, step, onClose }: { thing: WantedThing; step: WantedStep; onClose: () => void }) {
  const visit = useThisVisit();
  const form = useContractForm<Fields>(
    wantedStepFields,
    { step, note: '', from: '', price: '', expectedOn: null },
    `wanted.${visit.id}.${thing.id}.${step}`,
  );
  const add = useCommand(api.reception.addWantedStep, {
    what: 'Step',
    onFields: form.refused,
    onSent: () => {
      form.forget();
      onClose();
    },
    onDone: (_reply, _sent, undo) => say(`${thing.what}: ${step}.`, 'good', undo),
  });
  const params = { visitId: visit.id, wantedId: thing.id };
  const { errors } = form.formState;
  const asks = STEP_ASKS[step];
  return (
    <form
      className="flex flex-wrap items-end gap-3 rounded-xl border-2 border-steel p-3"
      noValidate
      onSubmit={(e) => void form.handleSubmit((body) => add.mutate({ params, body: wantedStepFields.parse(body) }))(e)}
    >
      {step === 'ordered' ? (
        <>
          <TextField
            className="min-w-48 flex-1"
            label="From whom"
            error={errors.from?.message}
            {...form.register('from')}
          />
          <TextField
            className="w-32"
            label="Price"
            inputMode="decimal"
            error={errors.price?.message}
            {...form.register('price')}
          />
          <TextField
            className="w-48"
            label="Expected"
            type="date"
            error={errors.expectedOn?.message}
            {...form.register('expectedOn', { setValueAs: (v: string | null) => v || null })}
          />
        </>
      ) : (
        <TextField
          className="min-w-56 flex-1"
          label={asks?.message ?? NOTE[step] ?? 'In words'}
          error={errors.note?.message}
          {...form.register('note')}
        />
      )}
      <FormFoot busy={add.isPending} onClose={onClose}>
        <span className="first-letter:uppercase">{step}</span>
      </FormFoot>
    </form>
  );
}

const NOTE: Partial<Record<WantedStep, string>> = {
  'looked for': 'Where it was looked for',
  'made here': 'Of what, after what',
};
