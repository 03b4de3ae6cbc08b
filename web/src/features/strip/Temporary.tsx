import { Fold } from '../../ui/Fold.tsx';
import { TEMPORARY_ENDS } from '@eclat/contract/strip';
import { api } from '../../data/api.ts';
import { useCommand } from '../../data/useCommand.ts';
import { useKept } from '../../data/useDraft.ts';
import { Button } from '../../ui/Button.tsx';
import { Choice } from '../../ui/Choice.tsx';
import { TextField } from '../../ui/Field.tsx';
import { useThisVisit } from '../visit/useThisVisit.ts';

/** Retainers, ties, jumpers, packing, ink: each is taken out again or declared before signing. */
export function Temporary() {
  const visit = useThisVisit();
  const params = { visitId: visit.id };
  const [what, setWhat] = useKept(`temporary.${visit.id}`, '');
  const add = useCommand(api.strip.addTemporary, { what: 'Temporary thing', onSent: () => setWhat('') });
  const end = useCommand(api.strip.endTemporary, { what: 'Temporary thing' });
  const set = (temporaryId: string, ended: (typeof TEMPORARY_ENDS)[number] | null) =>
    end.mutate({ params: { ...params, temporaryId }, body: { ended } });
  const inNow = visit.strip.temporary.filter((t) => t.ended === null).length;
  return (
    <Fold title="In for the time being" says={inNow > 0 && inNow}>
      <ul className="divide-y divide-line">
        {visit.strip.temporary.map((t) => (
          <li key={t.id} className="flex flex-col gap-1 py-2">
            <b>{t.what}</b>
            <Choice
              hideLabel
              label={`${t.what} is`}
              value={t.ended ?? ''}
              disabled={visit.closedAt !== null}
              onChange={(e) => set(t.id, e)}
              onClear={() => set(t.id, null)}
              options={TEMPORARY_ENDS.map((e) => [e, e] as const)}
            />
          </li>
        ))}
      </ul>
      {!visit.closedAt && (
        <form
          className="mt-2 flex items-end gap-2"
          onSubmit={(e) => {
            e.preventDefault();
            add.mutate({ params, body: { what } });
          }}
        >
          <TextField
            className="flex-1"
            label="What was put in"
            placeholder="tie, jumper, packing"
            value={what}
            onChange={(e) => setWhat(e.target.value)}
          />
          <Button type="submit" disabled={what.trim() === ''} busy={add.isPending}>
            Note it
          </Button>
        </form>
      )}
    </Fold>
  );
}
