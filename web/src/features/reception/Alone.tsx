import { unproven } from '@eclat/core/intake';
import { api } from '../../data/api.ts';
import { useCommand } from '../../data/useCommand.ts';
import { useKept } from '../../data/useDraft.ts';
import { Panel } from '../../ui/Answer.tsx';
import { Button } from '../../ui/Button.tsx';
import { TextField } from '../../ui/Field.tsx';
import { useThisVisit } from '../visit/useThisVisit.ts';

const NOTHING = { drives: '', supply: '', borrowed: '' };

/**
 * A movement that came by itself: what it drives, and what is borrowed to test it, with what therefore stays unproven.
 */
export function Alone() {
  const visit = useThisVisit();
  const [form, setForm, forget] = useKept(`alone.${visit.id}`, visit.alone);
  const set = useCommand(api.reception.cameAlone, { what: 'Came alone', onSent: forget });
  const send = (alone: typeof form) => {
    setForm(alone);
    set.mutate({ params: { visitId: visit.id }, body: { alone } });
  };
  const left = form ? unproven(form.borrowed) : [];
  const closed = visit.closedAt !== null;
  if (!form)
    return closed ? null : (
      <Button className="self-start" variant="plain" onClick={() => setForm(NOTHING)}>
        The movement came alone, without its case
      </Button>
    );
  return (
    <Panel title="The movement came alone">
      <form
        className="grid gap-3"
        onSubmit={(e) => {
          e.preventDefault();
          send(form);
        }}
      >
        <TextField
          label="What it drives"
          placeholder="dials, bells, a recorder"
          readOnly={closed}
          value={form.drives}
          onChange={(e) => setForm({ ...form, drives: e.target.value })}
        />
        <TextField
          label="Its supply"
          placeholder="24 V, half-minute"
          readOnly={closed}
          value={form.supply}
          onChange={(e) => setForm({ ...form, supply: e.target.value })}
        />
        <TextField
          label="Borrowed to test it"
          placeholder="a bob, a case, a supply"
          readOnly={closed}
          value={form.borrowed}
          onChange={(e) => setForm({ ...form, borrowed: e.target.value })}
          hint={left.length > 0 ? `Stays unproven: ${left.join('; ')}.` : undefined}
        />
        {!closed && (
          <div className="flex gap-3">
            <Button type="submit" variant="main" disabled={JSON.stringify(form) === JSON.stringify(visit.alone)}>
              Save
            </Button>
            <Button variant="plain" onClick={() => send(null)}>
              It came in its case
            </Button>
          </div>
        )}
      </form>
    </Panel>
  );
}
