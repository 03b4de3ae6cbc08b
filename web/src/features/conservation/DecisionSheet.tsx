import type { ConservationDecision } from '@eclat/contract';
import { decisionFields } from '@eclat/contract/conservation';
import { asksOwner, DECIDED_FOR, UNDONE, USUAL_WAYS, type Way } from '@eclat/core/conservation';
import { Plus, Trash2 } from 'lucide-react';
import { useRef, useState, type ReactNode } from 'react';
import { useFieldArray } from 'react-hook-form';
import type { z } from 'zod';
import { api } from '../../data/api.ts';
import { useCommand } from '../../data/useCommand.ts';
import { useContractForm } from '../../data/useContractForm.ts';
import { Button } from '../../ui/Button.tsx';
import { Chip } from '../../ui/Chip.tsx';
import { Choice } from '../../ui/Choice.tsx';
import { TextField, Tick } from '../../ui/Field.tsx';
import { FormFoot } from '../../ui/FormFoot.tsx';
import { Sheet } from '../../ui/Sheet.tsx';
import { useThisVisit } from '../visit/useThisVisit.ts';

type Fields = z.input<typeof decisionFields>;

const NEW: Fields = {
  about: '',
  of: 'case, dial, glass',
  ways: [{ ...USUAL_WAYS[0]!, chosen: false, why: '' }],
  agreed: false,
};
const LABELS = { about: 'What it is about', of: 'Of', ways: 'Ways', agreed: 'The owner agreed' };

/** The ways that could be taken with an old thing, each with whether it can be undone, and the one that is chosen. */
export function DecisionSheet({ decision, onClose }: { decision: ConservationDecision | null; onClose: () => void }) {
  const it = useDecisionForm(decision, onClose);
  const { form, errors, ways, save, busy } = it;
  return (
    <Sheet
      open
      wide
      onClose={onClose}
      title={decision ? decision.about : 'Kept or changed'}
      description="Every way that was thought of, the gentlest too. It is signed with the visit."
    >
      <form noValidate className="flex flex-col gap-4" onSubmit={(e) => void form.handleSubmit(save)(e)}>
        <About it={it} />
        <ol className="flex flex-col gap-3" aria-label="Ways">
          {ways.fields.map((f, i) => (
            <WayFields key={f.id} it={it} at={i} />
          ))}
        </ol>
        {errors.ways?.root && <p className="font-semibold text-danger">{errors.ways.root.message}</p>}
        {errors.ways?.message && <p className="font-semibold text-danger">{errors.ways.message}</p>}
        <Usual it={it} />
        <FormFoot busy={busy} onClose={onClose}>
          Save the decision
        </FormFoot>
      </form>
    </Sheet>
  );
}

function useDecisionForm(decision: ConservationDecision | null, onClose: () => void) {
  const visit = useThisVisit();
  const start: Fields = decision
    ? { about: decision.about, of: decision.of, ways: decision.ways, agreed: decision.agreed }
    : NEW;
  const name = `conservation.${decision ? `${decision.id}.${decision.version}` : visit.id}`;
  const form = useContractForm<Fields>(decisionFields, start, name);
  const sent = () => {
    form.forget();
    onClose();
  };
  const add = useCommand(api.conservation.add, { what: 'Decision', onSent: sent });
  const change = useCommand(api.conservation.change, { what: 'Decision', onSent: sent, labels: LABELS });
  const save = (body: Fields) => {
    const params = { visitId: visit.id };
    if (!decision) add.mutate({ params, body });
    else
      change.mutate({ params: { ...params, decisionId: decision.id }, body: { ...body, version: decision.version } });
  };
  const typed = form.watch('ways').map((w): Way => ({ ...w, chosen: w.chosen ?? false, why: w.why ?? '' }));
  const ways = useFieldArray({ control: form.control, name: 'ways' });
  // A press that takes its own button away leaves the hand at what comes next.
  const [fresh, setFresh] = useState<number | null>(null);
  const another = useRef<HTMLButtonElement>(null);
  const busy = add.isPending || change.isPending;
  return { visit, form, errors: form.formState.errors, ways, typed, save, busy, fresh, setFresh, another };
}
type It = { it: ReturnType<typeof useDecisionForm> };

/** What it is about; what must not be disturbed is offered. */
function About({ it: { visit, form, errors } }: It) {
  const had = new Set(visit.conservation.map((d) => d.about));
  const offered = [...new Set(visit.findings.filter((f) => f.doNotDisturb).map((f) => `${f.place}: ${f.seen}`))]
    .map((words) => words.slice(0, 120))
    .filter((words) => !had.has(words));
  return (
    <div>
      <TextField
        label="What it is about"
        placeholder="Paint of the dial"
        error={errors.about?.message}
        {...form.register('about')}
      />
      <div className="mt-2">
        <Choice
          inline
          dense
          label="Of"
          value={form.watch('of') ?? DECIDED_FOR[0]}
          options={DECIDED_FOR.map((d) => [d, d] as const)}
          onChange={(of) => form.setValue('of', of, { shouldDirty: true })}
        />
      </div>
      {offered.length > 0 && (
        <Chips label="Not to be disturbed">
          {offered.map((words) => (
            <Chip
              key={words}
              onPress={() => form.setValue('about', words, { shouldDirty: true, shouldValidate: true })}
            >
              {words}
            </Chip>
          ))}
        </Chips>
      )}
    </div>
  );
}

const Chips = ({ label, children }: { label: string; children: ReactNode }) => (
  <div className="mt-2 flex flex-wrap gap-2" role="group" aria-label={label}>
    {children}
  </div>
);

function WayFields({ it: { form, ways, typed, errors, fresh, another }, at }: It & { at: number }) {
  const way = typed[at];
  if (!way) return null;
  const wrong = errors.ways?.[at];
  // The owner’s yes was to what was chosen then.
  const askAnew = () => form.setValue('agreed', false, { shouldDirty: true });
  const choose = () => {
    typed.forEach((w, i) => form.setValue(`ways.${i}.chosen`, i === at && !w.chosen, { shouldDirty: true }));
    askAnew();
  };
  return (
    <li className={`grid gap-3 rounded-xl border-2 p-3 md:grid-cols-2 ${way.chosen ? 'border-steel' : 'border-line'}`}>
      <TextField label={`Way ${at + 1}`} error={wrong?.way?.message} {...form.register(`ways.${at}.way`)} />
      <TextField
        label={way.chosen ? 'Why' : 'Why, or why not'}
        error={wrong?.why?.message}
        {...form.register(`ways.${at}.why`)}
      />
      <Choice
        inline
        dense
        label="Can it be undone?"
        value={way.undone}
        options={UNDONE.map((u) => [u, u] as const)}
        onChange={(u) => {
          form.setValue(`ways.${at}.undone`, u, { shouldDirty: true });
          if (way.chosen) askAnew();
        }}
      />
      <span className="flex items-center gap-2 md:justify-end">
        <Button
          autoFocus={at === fresh}
          variant={way.chosen ? 'main' : 'quiet'}
          aria-pressed={way.chosen}
          onClick={choose}
        >
          {way.chosen ? 'Chosen' : 'Choose this'}
        </Button>
        <Button
          variant="plain"
          aria-label={`Take way ${at + 1} out`}
          onClick={() => {
            ways.remove(at);
            another.current?.focus();
          }}
        >
          <Trash2 className="size-5" aria-hidden />
        </Button>
      </span>
      {way.chosen && asksOwner(typed) && (
        <div className="border-l-4 border-brass-fill pl-3 md:col-span-2">
          <Tick label="It cannot be undone, and the owner agreed" {...form.register('agreed')} />
          {errors.agreed && (
            <p className="font-semibold text-danger" role="alert">
              {errors.agreed.message}
            </p>
          )}
        </div>
      )}
    </li>
  );
}

function Usual({ it: { ways, typed, setFresh, another } }: It) {
  const had = new Set(typed.map((w) => w.way));
  if (typed.length >= 8) return null;
  return (
    <Chips label="Usual ways">
      {USUAL_WAYS.filter((u) => !had.has(u.way)).map((u) => (
        <Chip
          key={u.way}
          onPress={() => {
            setFresh(typed.length);
            ways.append({ ...u, chosen: false, why: '' }, { shouldFocus: false });
          }}
        >
          {u.way}
        </Chip>
      ))}
      <Button ref={another} onClick={() => ways.append({ way: '', undone: 'no', chosen: false, why: '' })}>
        <Plus className="size-5" aria-hidden />
        Another way
      </Button>
    </Chips>
  );
}
