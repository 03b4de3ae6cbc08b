import { useContractForm } from '../../data/useContractForm.ts';
import { newVisit } from '@eclat/contract/visit';
import { api } from '../../data/api.ts';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useRef } from 'react';
import { FormProvider } from 'react-hook-form';
import { useNavigate } from 'react-router';
import { call, Refusal } from '../../data/call.ts';
import { say } from '../../data/app-state.ts';
import { Panel } from '../../ui/Answer.tsx';
import { Button } from '../../ui/Button.tsx';
import { TextArea, TextField } from '../../ui/Field.tsx';
import { ClockPart } from './ClockPart.tsx';
import { JobFields } from '../visit/JobFields.tsx';
import { complaintLabel, EMPTY, type IntakeForm } from './form.ts';
import { bringCarried } from '../movements/bring-photos.ts';
import { FindPart } from '../search/FindPart.tsx';
import { keepKnownName, OwnerPart } from './OwnerPart.tsx';
import { ReceivedPart } from './ReceivedPart.tsx';
import { newId } from '../../data/new-id.ts';

/** The clock is safe, identified, and everything that came with it is listed, before the owner leaves. */
export function IntakeScreen() {
  const go = useNavigate();
  const queries = useQueryClient();
  const form = useContractForm<IntakeForm>(newVisit, EMPTY, 'intake');
  // One key for one clock at the counter: pressing twice, or again after a lost connection, takes it in once.
  const key = useRef(newId());
  const send = useMutation({
    mutationFn: (body: IntakeForm) => call(api.visit.open, { body, key: key.current }),
    onSuccess: (visit, { movement, record }) => {
      form.forget();
      if (movement?.history?.length || record) bringCarried(queries, visit.movement.id);
      say(`Taken in as ${visit.claim}.`);
      void go(`/visits/${visit.id}/intake`);
    },
    onError: (error) => {
      const fields = error instanceof Refusal ? error.problem.fields : undefined;
      if (error instanceof Refusal && !fields) key.current = newId();
      if (fields) form.refused(fields);
      say(fields ? 'Something typed cannot be: see the marked fields.' : error.message, 'danger');
    },
    networkMode: 'always',
  });
  return (
    <FormProvider {...form}>
      <form
        className="mx-auto grid max-w-7xl items-start gap-5 p-4 md:p-6 lg:grid-cols-2"
        noValidate
        onSubmit={(e) =>
          void form.handleSubmit(
            (v) => send.mutate(v),
            () => say('Something is missing: see the marked fields.', 'danger'),
          )(e)
        }
      >
        <div className="lg:col-span-2">
          <h1 className="text-3xl">Take a clock in</h1>
          <p className="mt-1 text-lg text-soft">
            Weights off and pendulum off before it is moved. Photographs come next, before anybody touches anything.
          </p>
        </div>
        <FindPart onOwner={keepKnownName} />
        <TakenFor form={form} />
        <div className="flex flex-col gap-5">
          <ClockPart />
          <ReceivedPart />
          <Panel title="What is agreed">
            <div className="flex flex-col gap-4">
              <JobFields />
            </div>
          </Panel>
        </div>
        <div className="flex flex-wrap items-center gap-4 lg:col-span-2">
          <Button type="submit" variant="main" className="px-8 text-lg" busy={send.isPending}>
            Take it in
          </Button>
          <Button
            variant="plain"
            onClick={() => {
              form.reset(EMPTY);
              form.forget();
            }}
          >
            Clear all
          </Button>
          <span className="text-soft">What is typed here is kept on this device until it is sent.</span>
        </div>
      </form>
    </FormProvider>
  );
}

function TakenFor({ form }: { form: ReturnType<typeof useContractForm<IntakeForm>> }) {
  const {
    register,
    formState: { errors },
  } = form;
  const own = form.watch('ownStock');
  return (
    <div className="flex flex-col gap-5">
      <OwnerPart />
      <Panel title="Complaint and scope">
        <div className="flex flex-col gap-4">
          <TextArea label={complaintLabel(own)} error={errors.complaint?.message} {...register('complaint')} />
          <TextArea
            label={own ? 'What is to be done' : 'What they want done'}
            rows={2}
            error={errors.wanted?.message}
            {...register('wanted')}
          />
          {!own && (
            <TextArea
              label="What they do not want"
              rows={2}
              hint="Declined work is kept, so that nobody “fixes” it later."
              error={errors.notWanted?.message}
              {...register('notWanted')}
            />
          )}
          <TextArea label="Out of scope" rows={1} error={errors.outOfScope?.message} {...register('outOfScope')} />
          <TextField
            label="Promised for"
            type="date"
            error={errors.promisedFor?.message}
            {...register('promisedFor', { setValueAs: (v: string | null) => v || null })}
          />
        </div>
      </Panel>
    </div>
  );
}
