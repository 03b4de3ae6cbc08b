import type { Visit } from '@eclat/contract';
import { day } from '../../ui/dates.ts';
import { Fold } from '../../ui/Fold.tsx';
import { useContractForm } from '../../data/useContractForm.ts';
import { scopeFields } from '@eclat/contract/visit';
import { FileText, Tag } from 'lucide-react';
import { useEffect, useState } from 'react';
import { api } from '../../data/api.ts';
import { useCommand } from '../../data/useCommand.ts';
import { LabelSheet } from '../../devices/LabelSheet.tsx';
import { say } from '../../data/app-state.ts';
import { Answer } from '../../ui/Answer.tsx';
import { Button } from '../../ui/Button.tsx';
import { TextArea, TextField } from '../../ui/Field.tsx';
import { Cautions } from '../visit/Cautions.tsx';
import { DocumentLink } from '../documents/Documents.tsx';
import { Photos } from '../photos/Photos.tsx';
import { StageFoot } from '../visit/StageFoot.tsx';
import { useThisVisit } from '../visit/useThisVisit.ts';
import { Alone } from './Alone.tsx';
import { Identity } from './Identity.tsx';
import { Missing } from './Missing.tsx';
import { Questions } from './Questions.tsx';
import { Things } from './Things.tsx';
import { complaintLabel } from './form.ts';

const LABELS = {
  complaint: complaintLabel(false),
  wanted: 'Wanted',
  notWanted: 'Not wanted',
  outOfScope: 'Out of scope',
  promisedFor: 'Promised for',
};

/** What was written at the counter, with what can still be put right. */
export function ReceivedScreen() {
  const visit = useThisVisit();
  const said = visit.complaint ? `“${visit.complaint}”` : 'The shop’s own clock';
  const [label, setLabel] = useState(false);
  return (
    <>
      <Answer
        tone={visit.photos.length === 0 ? 'due' : 'info'}
        title={visit.photos.length === 0 ? 'No photograph yet: take them before anybody touches it' : said}
      />
      <div className="no-print flex flex-wrap gap-2">
        <DocumentLink document="receipt">
          <FileText className="size-5" aria-hidden />
          Receipt
        </DocumentLink>
        <Button onClick={() => setLabel(true)}>
          <Tag className="size-5" aria-hidden />
          Label for the clock
        </Button>
      </div>
      <Cautions stage="intake" />
      <Photos stage="intake" />
      <div className="grid items-start gap-4 lg:grid-cols-2">
        <div className="flex min-w-0 flex-col gap-3">
          <Questions />
        </div>
        <div className="flex min-w-0 flex-col gap-3">
          <Things />
          <Scope key={visit.version} />
          <Missing />
          <Identity />
          <Alone />
        </div>
      </div>
      <StageFoot stage="intake" />
      {label && <LabelSheet onClose={() => setLabel(false)} />}
    </>
  );
}

const SHORT = 60;
/** “Stops again.”, promised for 12 Dec 2026 */
const inShort = ({ complaint, promisedFor }: Visit): string =>
  [
    complaint && `“${complaint.length > SHORT ? `${complaint.slice(0, SHORT)}…` : complaint}”`,
    promisedFor && `promised for ${day(promisedFor)}`,
  ]
    .filter(Boolean)
    .join(', ');

function Scope() {
  const visit = useThisVisit();
  const form = useContractForm(
    scopeFields,
    {
      complaint: visit.complaint,
      wanted: visit.wanted,
      notWanted: visit.notWanted,
      outOfScope: visit.outOfScope,
      promisedFor: visit.promisedFor,
      version: visit.version,
    },
    `scope.${visit.id}`,
  );
  const change = useCommand(api.visit.change, {
    what: 'Complaint and scope',
    labels: LABELS,
    onFields: form.refused,
    onSent: form.forget,
    onDone: () => say('Kept.'),
  });
  const { errors, isDirty, dirtyFields } = form.formState;
  useEffect(() => {
    const ask = (e: BeforeUnloadEvent) => {
      if (isDirty) e.preventDefault();
    };
    window.addEventListener('beforeunload', ask);
    return () => window.removeEventListener('beforeunload', ask);
  }, [isDirty]);
  const closed = visit.closedAt !== null;
  return (
    <Fold title="Complaint and scope" says={inShort(visit)} open={isDirty}>
      <form
        className="flex flex-col gap-4"
        noValidate
        onSubmit={(e) =>
          void form.handleSubmit((values) => {
            const changed = Object.fromEntries(Object.entries(values).filter(([k]) => k in dirtyFields));
            change.mutate({ params: { visitId: visit.id }, body: { ...changed, version: form.getValues('version') } });
          })(e)
        }
      >
        <TextArea
          label={complaintLabel(visit.job.ownStock)}
          readOnly={closed}
          error={errors.complaint?.message}
          {...form.register('complaint')}
        />
        <TextArea label={LABELS.wanted} rows={2} readOnly={closed} {...form.register('wanted')} />
        <TextArea label={LABELS.notWanted} rows={2} readOnly={closed} {...form.register('notWanted')} />
        <TextArea
          label={LABELS.outOfScope}
          rows={2}
          hint="What this shop does not do, said before it is missed."
          readOnly={closed}
          {...form.register('outOfScope')}
        />
        <TextField
          label={LABELS.promisedFor}
          type="date"
          readOnly={closed}
          {...form.register('promisedFor', { setValueAs: (v: string | null) => v || null })}
        />
        {!closed && (
          <Button type="submit" variant="main" className="self-start" disabled={!isDirty} busy={change.isPending}>
            Save changes
          </Button>
        )}
      </form>
    </Fold>
  );
}
