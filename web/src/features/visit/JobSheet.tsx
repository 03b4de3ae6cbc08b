import type { BodyOf, Visit } from '@eclat/contract';
import { jobChange } from '@eclat/contract/visit';
import { shapeById, termsName } from '@eclat/core/workflow';
import { FormProvider } from 'react-hook-form';
import { api } from '../../data/api.ts';
import { say } from '../../data/app-state.ts';
import { useCommand } from '../../data/useCommand.ts';
import { useContractForm } from '../../data/useContractForm.ts';
import { Choice } from '../../ui/Choice.tsx';
import { dayTime } from '../../ui/dates.ts';
import { TextField } from '../../ui/Field.tsx';
import { FormFoot } from '../../ui/FormFoot.tsx';
import { Sheet } from '../../ui/Sheet.tsx';
import { JobFields } from './JobFields.tsx';

type Fields = BodyOf<typeof api.visit.setJob>;
const WHOSE = {
  'the same': { is: 'the same' },
  'the shop': { is: 'the shop' },
  new: { is: 'new', owner: { name: '', phone: '', email: '', address: '' } },
} as const;

/** What was agreed for this visit, changed with a reason, and every word on it before. */
export default function JobSheet({ visit, onClose }: { visit: Visit; onClose: () => void }) {
  return (
    <Sheet
      open
      wide
      onClose={onClose}
      title="What is agreed"
      description={`${visit.claim}, ${visit.clock.description}`}
    >
      {!visit.closedAt && <JobForm visit={visit} onClose={onClose} />}
      <JobLog visit={visit} />
    </Sheet>
  );
}

function JobForm({ visit, onClose }: { visit: Visit; onClose: () => void }) {
  const { shape, terms, trial, ownStock } = visit.job;
  const form = useContractForm<Fields>(
    jobChange,
    { shape, terms, trial, reason: '', whose: { is: 'the same' } },
    `job.${visit.id}`,
  );
  const send = useCommand(api.visit.setJob, {
    what: 'What is agreed',
    onSent: () => (form.forget(), onClose()),
    onDone: () => say('Kept.'),
    onFields: form.refused,
  });
  const { errors } = form.formState;
  const said = form.watch('whose')?.is;
  const whose = said === undefined || said === 'known' ? 'the same' : said;
  const newOwner = (errors.whose as { owner?: { name?: { message?: string } } } | undefined)?.owner?.name?.message;
  return (
    <FormProvider {...form}>
      <form
        className="flex flex-col gap-5"
        noValidate
        onSubmit={(e) => void form.handleSubmit((body) => send.mutate({ params: { visitId: visit.id }, body }))(e)}
      >
        <JobFields />
        <Choice
          label="Whose it is"
          value={whose}
          options={[
            ['the same', ownStock ? 'The shop’s own' : visit.owner.name],
            ...(ownStock ? [] : [['the shop', 'Bought by the shop'] as const]),
            ['new', ownStock ? 'Sold to an owner' : 'Another owner'],
          ]}
          onChange={(is) => form.setValue('whose', WHOSE[is])}
        />
        {whose === 'new' && (
          <div className="grid gap-4 sm:grid-cols-2">
            <TextField label="Name" error={newOwner} {...form.register('whose.owner.name')} />
            <TextField label="Phone" inputMode="tel" {...form.register('whose.owner.phone')} />
          </div>
        )}
        <TextField
          label="Why it changes"
          placeholder="Owner agreed by phone"
          error={errors.reason?.message}
          {...form.register('reason')}
        />
        <FormFoot busy={send.isPending} onClose={onClose}>
          Save it
        </FormFoot>
      </form>
    </FormProvider>
  );
}

function JobLog({ visit }: { visit: Visit }) {
  const { log } = visit.job;
  return (
    <ol aria-label="What was agreed before" className="mt-5 flex flex-col divide-y divide-line border-t border-line">
      {log.toReversed().map((j) => (
        <li key={j.at} className="py-2">
          <b>{shapeById(j.shape).name}</b>, {termsName(j.terms).toLowerCase()}
          {j.trial && `: ${[j.trial.expected, j.trial.outcome, j.trial.offer].filter(Boolean).join('; ')}`}
          {j.reason && `. ${j.reason}`}
          <span className="block text-sm text-soft">
            {[j.by, dayTime(j.at), `for ${j.owner}`].filter(Boolean).join(', ')}
          </span>
        </li>
      ))}
    </ol>
  );
}
