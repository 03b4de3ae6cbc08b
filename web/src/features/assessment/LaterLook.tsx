import type { Finding } from '@eclat/contract';
import { api } from '../../data/api.ts';
import { say } from '../../data/app-state.ts';
import { useCommand } from '../../data/useCommand.ts';
import { useKept } from '../../data/useDraft.ts';
import { Button } from '../../ui/Button.tsx';
import { dayTime } from '../../ui/dates.ts';
import { TextField } from '../../ui/Field.tsx';
import { FormFoot } from '../../ui/FormFoot.tsx';
import { useThisVisit } from '../visit/useThisVisit.ts';

interface Props {
  finding: Finding;
  /** Its words are being typed. */
  asking: boolean;
  onClose: () => void;
}

/** What a later look found instead: both stand, the later leads. */
export function LaterLook({ finding, asking, onClose }: Props) {
  const visit = useThisVisit();
  const [why, setWhy, forget] = useKept(`later.${finding.id}`, '');
  const params = { visitId: visit.id, findingId: finding.id };
  const back = useCommand(api.assessment.overturnFinding, { what: 'Later look' });
  const set = useCommand(api.assessment.overturnFinding, {
    what: 'Later look',
    onSent: () => {
      forget();
      onClose();
    },
    onDone: (_reply, _sent, undo) => say('Both stand, the later leads.', 'good', undo),
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
  if (!asking || visit.closedAt) return null;
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
      <FormFoot busy={set.isPending} onClose={onClose}>
        Save
      </FormFoot>
    </form>
  );
}
