import { Fold } from '../../../ui/Fold.tsx';
import type { Description, Movement } from '@eclat/contract';
import { descriptionChanges, type Traits } from '@eclat/core/movement';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { useForm } from 'react-hook-form';
import { say } from '../../../data/app-state.ts';
import { api } from '../../../data/api.ts';
import { fetched } from '../../../data/fetched.ts';
import { useCommand } from '../../../data/useCommand.ts';
import { dropDraft, keptDraft, useDraft } from '../../../data/useDraft.ts';
import { Answer, Failed, Loading, Panel } from '../../../ui/Answer.tsx';
import { Button } from '../../../ui/Button.tsx';
import { dayTime } from '../../../ui/dates.ts';
import { TextField } from '../../../ui/Field.tsx';
import { Absent } from './Absent.tsx';
import { DescriptionEditor } from './DescriptionEditor.tsx';
import { StartFrom } from './StartFrom.tsx';

type Props = { movement: Movement; visitId?: string };

/** What the movement is held to be, changed with a reason, and what it was held to be before. */
export function Describe(props: Props) {
  const { data, error } = useQuery(fetched(api.movements.descriptions, { params: { movementId: props.movement.id } }));
  if (error && !data) return <Failed error={error} />;
  if (!data) return <Loading what="the description" />;
  // Written anew by somebody: the form begins again from it.
  return <DescribeForm key={data[0]!.version} {...props} descriptions={data} />;
}

interface Typed {
  traits: Traits;
  familyId: string;
  reason: string;
  version: number;
}

const draftName = (movementId: string, version: number) => `description.${movementId}.${version}`;

function DescribeForm({ movement, visitId, descriptions }: Props & { descriptions: readonly Description[] }) {
  const now = descriptions[0]!;
  const stands: Typed = {
    traits: now.traits,
    familyId: now.familyId,
    reason: '',
    version: now.version,
  };
  const form = useForm<Typed>({ defaultValues: stands });
  const draft = useDraft(form, draftName(movement.id, now.version));
  const { traits, familyId } = form.watch();
  const changes = descriptionChanges(stands.traits, traits);
  const changed = changes.length > 0 || familyId !== stands.familyId;
  const send = useCommand(api.movements.describe, {
    what: 'Description',
    labels: { reason: 'Why', traits: 'Description', familyId: 'Template' },
    onDone: () => say('The description is changed. Survey, oil chart, checks and the rest follow it.'),
    onSent: draft.clear,
    onFields: (fields) => fields.forEach((f) => form.setError('reason', { message: f.message }, { shouldFocus: true })),
  });
  const versions = descriptions.map((d) => d.traits);
  const change = (part: Partial<Typed>) =>
    Object.entries(part).forEach(([field, value]) => form.setValue(field as 'traits', value as Traits));
  return (
    <form
      className="flex flex-col gap-5"
      noValidate
      onSubmit={(e) => {
        // Enter in a field of the editor, with nothing to keep.
        if (!changed) return e.preventDefault();
        void form.handleSubmit((body) =>
          send.mutate({ params: { movementId: movement.id }, body: { ...body, ...(visitId && { visitId }) } }),
        )(e);
      }}
    >
      <LeftOver
        movementId={movement.id}
        descriptions={descriptions}
        onTake={(mine) => change({ traits: mine.traits, familyId: mine.familyId, reason: mine.reason })}
      />
      <DescriptionEditor traits={traits} versions={versions} onChange={(next) => change({ traits: next })} />
      <StartFrom familyId={familyId} onPick={(from, family) => change({ traits: from, familyId: family })} />
      {changed && (
        <Panel className="sticky bottom-0 z-10 border-2 border-steel shadow-xl">
          <ul aria-label="What changes" className="mb-3 max-h-28 list-disc overflow-y-auto pl-5">
            {changes.map((c) => (
              <li key={c}>{c}</li>
            ))}
            {changes.length === 0 && <li>the template that it is nearest to</li>}
          </ul>
          <div className="flex flex-wrap items-start gap-3">
            <TextField
              className="min-w-64 flex-1"
              label="Why it changes"
              placeholder="Seen with the dial off: one chain for both trains"
              error={form.formState.errors.reason?.message}
              {...form.register('reason', { required: 'Say why: it stays in the log.' })}
            />
            <Button type="submit" variant="main" className="sm:mt-7" busy={send.isPending}>
              Change the description
            </Button>
            <Button
              variant="plain"
              className="sm:mt-7"
              onClick={() => {
                form.reset(stands);
                draft.clear();
              }}
            >
              Cancel
            </Button>
          </div>
        </Panel>
      )}
      <Absent movement={movement} {...(visitId && { visitId })} />
      <Log descriptions={descriptions} />
    </form>
  );
}

interface LeftOverProps {
  movementId: string;
  descriptions: readonly Description[];
  onTake: (mine: Typed) => void;
}

/** Typed on this device and not sent, when somebody else described it: it is offered, and says what it would change. */
function LeftOver({ movementId, descriptions, onTake }: LeftOverProps) {
  const [now] = descriptions;
  const [left, setLeft] = useState(() =>
    descriptions.slice(1).flatMap((d) => {
      const name = draftName(movementId, d.version);
      const mine = keptDraft<Typed>(name);
      return mine && descriptionChanges(d.traits, mine.traits).length > 0 ? [{ name, mine }] : [];
    }),
  );
  const one = left[0];
  if (!one) return null;
  const drop = () => {
    dropDraft(one.name);
    setLeft(left.slice(1));
  };
  return (
    <Answer tone="due" title={`${now!.by || 'Somebody'} described it while you did`}>
      <p className="mb-3">
        What you had typed is kept. Taken, it is shown against what stands now, and nothing is sent.
      </p>
      <div className="flex flex-wrap gap-3">
        <Button
          variant="main"
          onClick={() => {
            onTake(one.mine);
            drop();
          }}
        >
          Take mine again
        </Button>
        <Button onClick={drop}>Drop it</Button>
      </div>
    </Answer>
  );
}

function Log({ descriptions }: { descriptions: readonly Description[] }) {
  return (
    <Fold title="How it was described" says={descriptions.length}>
      <ol className="flex flex-col gap-3">
        {descriptions.map((d, i) => {
          const before = descriptions[i + 1];
          const changes = before ? descriptionChanges(before.traits, d.traits) : [];
          return (
            <li key={d.version} className="border-t border-line pt-3">
              <b>{d.reason}</b>{' '}
              <span className="text-sm text-soft">{[d.by, dayTime(d.at)].filter(Boolean).join(', ')}</span>
              {changes.length > 0 && <p>{changes.join('; ')}.</p>}
            </li>
          );
        })}
      </ol>
    </Fold>
  );
}
