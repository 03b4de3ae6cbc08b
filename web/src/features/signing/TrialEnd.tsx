import type { Visit } from '@eclat/contract';
import { api } from '../../data/api.ts';
import { say } from '../../data/app-state.ts';
import { useCommand } from '../../data/useCommand.ts';
import { useKept } from '../../data/useDraft.ts';
import { Panel } from '../../ui/Answer.tsx';
import { Button } from '../../ui/Button.tsx';
import { dateInWords } from '@eclat/core/history';
import { TextField } from '../../ui/Field.tsx';

/** What a trial was for, and once it was looked at again: how it ended and what is offered next. */
export function TrialEnd({ visit }: { visit: Visit }) {
  const { shape, terms, trial } = visit.job;
  const [outcome, setOutcome, forgetOutcome] = useKept(`trial.${visit.id}.outcome`, '');
  const [offer, setOffer, forgetOffer] = useKept(`trial.${visit.id}.offer`, '');
  const send = useCommand(api.visit.setJob, {
    what: 'How the trial ended',
    onSent: () => (forgetOutcome(), forgetOffer()),
    onDone: () => say('Kept.'),
  });
  if (!trial) return null;
  const missing = outcome.trim() === '';
  return (
    <Panel title={`On trial until ${dateInWords(trial.reviewOn)}`}>
      <p className="text-lg">
        Expected: {trial.expected}
        {trial.outcome && (
          <>
            <br />
            Ended: <b>{trial.outcome}</b>
            {trial.offer && `. Offered next: ${trial.offer}`}
          </>
        )}
      </p>
      {!trial.outcome && (
        <form
          className="mt-4 grid gap-4 sm:grid-cols-2"
          onSubmit={(e) => {
            e.preventDefault();
            send.mutate({
              params: { visitId: visit.id },
              body: { shape, terms, trial: { ...trial, outcome, offer }, reason: 'The trial ended.' },
            });
          }}
        >
          <TextField
            label="How it ended"
            value={outcome}
            onChange={(e) => setOutcome(e.target.value)}
            maxLength={400}
          />
          <TextField
            label="What is offered next"
            value={offer}
            onChange={(e) => setOffer(e.target.value)}
            maxLength={400}
          />
          <Button type="submit" variant="main" className="justify-self-start" disabled={missing} busy={send.isPending}>
            The trial is over
          </Button>
        </form>
      )}
    </Panel>
  );
}
