import type { Finding } from '@eclat/contract';
import { useState } from 'react';
import { api } from '../../data/api.ts';
import { say } from '../../data/app-state.ts';
import { useCommand } from '../../data/useCommand.ts';
import { useKept } from '../../data/useDraft.ts';
import { Button } from '../../ui/Button.tsx';
import { dayTime } from '../../ui/dates.ts';
import { TextField } from '../../ui/Field.tsx';
import { FormFoot } from '../../ui/FormFoot.tsx';
import { useThisVisit } from '../visit/useThisVisit.ts';

/** What a later look found instead: both stand, the later leads. */
export function LaterLook({ finding }: { finding: Finding }) {
  const visit = useThisVisit();
  const [asking, setAsking] = useState(false);
  const [why, setWhy, forget] = useKept(`later.${finding.id}`, '');
  const params = { visitId: visit.id, findingId: finding.id };
  const back = useCommand(api.assessment.overturnFinding, { what: 'Later look' });
  const set = useCommand(api.assessment.overturnFinding, {
    what: 'Later look',
    onSent: () => {
      forget();
      setAsking(false);
    },
    onDone: () => say('Both stand, the later leads.', 'good', () => back.mutate({ params, body: { why: '' } })),
  });
  const { overturned } = finding;
  if (overturned)
    return (
      <p className="flex flex-wrap items-center gap-x-3">
        <span>
          <b>Later look:</b> {overturned.why}{' '}
          <span className="text-sm text-soft">
            {overturned.by}, {dayTime(overturned.at)}
          </span>
        </span>
        {!visit.closedAt && (
          <Button variant="plain" onClick={() => back.mutate({ params, body: { why: '' } })}>
            Take back<span className="sr-only"> the later look: {finding.place}</span>
          </Button>
        )}
      </p>
    );
  if (visit.closedAt) return null;
  if (!asking)
    return (
      <Button variant="plain" className="-ml-3 min-h-11 text-sm" onClick={() => setAsking(true)}>
        Looked again: it is otherwise<span className="sr-only">: {finding.place}</span>
      </Button>
    );
  return (
    <form
      className="flex flex-wrap items-end gap-3 py-2"
      onSubmit={(e) => {
        e.preventDefault();
        if (why.trim() !== '') set.mutate({ params, body: { why } });
      }}
    >
      <TextField
        className="min-w-56 flex-1"
        label="What the later look found"
        value={why}
        maxLength={300}
        onChange={(e) => setWhy(e.target.value)}
      />
      <FormFoot busy={set.isPending} onClose={() => setAsking(false)}>
        Keep
      </FormFoot>
    </form>
  );
}
