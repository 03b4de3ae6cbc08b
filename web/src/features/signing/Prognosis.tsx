import type { Visit } from '@eclat/contract';
import { dateInWords } from '@eclat/core/history';
import { api } from '../../data/api.ts';
import { say } from '../../data/app-state.ts';
import { useCommand } from '../../data/useCommand.ts';
import { useKept } from '../../data/useDraft.ts';
import { Button } from '../../ui/Button.tsx';
import { TextField } from '../../ui/Field.tsx';
import { Fold } from '../../ui/Fold.tsx';

/** What is to be expected of what was done, and a day to look again: with the record, the papers and what is due. */
export function Prognosis({ visit }: { visit: Visit }) {
  const [prognosis, setPrognosis, forget] = useKept(`prognosis.${visit.id}`, visit.prognosis);
  const [on, setOn, forgetOn] = useKept(`prognosis.${visit.id}.on`, visit.lookAgainOn ?? '');
  const set = useCommand(api.visit.change, {
    what: 'Prognosis',
    labels: { prognosis: 'What to expect', lookAgainOn: 'Look again on' },
    onSent: () => (forget(), forgetOn()),
    onDone: () => say('Kept.'),
  });
  const inPlace = visit.job.shape === 'in place';
  // A trial has both of its own; an overhaul is guaranteed, and due by its years.
  if (visit.job.trial || (!inPlace && visit.job.shape !== 'partial' && visit.job.shape !== 'report')) return null;
  const says = visit.lookAgainOn ? `look again ${dateInWords(visit.lookAgainOn)}` : visit.prognosis;
  return (
    <Fold title="What to expect, and when to look again" says={says} open={inPlace && says === ''}>
      <form
        className="flex flex-wrap items-end gap-3"
        onSubmit={(e) => {
          e.preventDefault();
          const body = { prognosis, lookAgainOn: on || null, version: visit.version };
          set.mutate({ params: { visitId: visit.id }, body });
        }}
      >
        <TextField
          className="min-w-64 flex-1"
          label="What to expect"
          placeholder="what oil is left may creep back"
          maxLength={400}
          value={prognosis}
          onChange={(e) => setPrognosis(e.target.value)}
        />
        <TextField
          className="w-48"
          label="Look again on"
          type="date"
          value={on}
          onChange={(e) => setOn(e.target.value)}
        />
        <Button
          type="submit"
          disabled={prognosis === visit.prognosis && on === (visit.lookAgainOn ?? '')}
          busy={set.isPending}
        >
          Save
        </Button>
      </form>
    </Fold>
  );
}
