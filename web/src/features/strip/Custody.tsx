import { Fold } from '../../ui/Fold.tsx';
import type { Visit } from '@eclat/contract';
import { api } from '../../data/api.ts';
import { useCommand } from '../../data/useCommand.ts';
import { useKept } from '../../data/useDraft.ts';
import { Button } from '../../ui/Button.tsx';
import { day } from '../../ui/dates.ts';
import { TextField } from '../../ui/Field.tsx';
import { useThisVisit } from '../visit/useThisVisit.ts';

const EMPTY = { what: '', withWhom: '', forWhat: '' };

/** Parts and tasks with another hand, in the shop or outside: who has it, since when, what for, back in what state. */
export function Custody() {
  const visit = useThisVisit();
  const params = { visitId: visit.id };
  const [form, setForm] = useKept(`give-out.${visit.id}`, EMPTY);
  const out = useCommand(api.strip.giveOut, { what: 'Given out', onSent: () => setForm(EMPTY) });
  const outNow = visit.strip.custody.filter((c) => !c.backAt).length;
  return (
    <Fold title="With another hand" says={outNow > 0 && `${outNow} out`} open={outNow > 0}>
      <ul className="divide-y divide-line">
        {visit.strip.custody.map((c) => (
          <li key={c.id} className="py-2">
            <b>{c.what}</b>, {c.withWhom}
            {c.forWhat && `, for ${c.forWhat}`}
            <span className="block text-sm text-soft">
              out {day(c.at)}
              {c.backAt && `, back ${day(c.backAt)}${c.state ? `: ${c.state}` : ''}`}
            </span>
            {!c.backAt && !visit.closedAt && <TakeBack item={c} />}
          </li>
        ))}
      </ul>
      {!visit.closedAt && (
        <details className="mt-1">
          <summary className="min-h-11 cursor-pointer font-semibold">Give a part out</summary>
          <form
            className="flex flex-col gap-2"
            onSubmit={(e) => {
              e.preventDefault();
              out.mutate({ params, body: form });
            }}
          >
            <TextField
              label="Part or task"
              value={form.what}
              onChange={(e) => setForm({ ...form, what: e.target.value })}
            />
            <TextField
              label="Who has it"
              value={form.withWhom}
              onChange={(e) => setForm({ ...form, withWhom: e.target.value })}
            />
            <TextField
              label="What for"
              value={form.forWhat}
              onChange={(e) => setForm({ ...form, forWhat: e.target.value })}
            />
            <Button
              type="submit"
              disabled={form.what.trim() === '' || form.withWhom.trim() === ''}
              busy={out.isPending}
            >
              It goes out
            </Button>
          </form>
        </details>
      )}
    </Fold>
  );
}

function TakeBack({ item }: { item: Visit['strip']['custody'][number] }) {
  const visit = useThisVisit();
  const [state, setState, forget] = useKept(`take-back.${item.id}`, '');
  const back = useCommand(api.strip.takeBack, { what: 'Taken back', onSent: forget });
  return (
    <span className="mt-1 flex items-end gap-2">
      <TextField
        className="flex-1"
        label={`State of ${item.what}`}
        value={state}
        onChange={(e) => setState(e.target.value)}
      />
      <Button
        busy={back.isPending}
        onClick={() => back.mutate({ params: { visitId: visit.id, custodyId: item.id }, body: { back: true, state } })}
      >
        It is back
      </Button>
    </span>
  );
}
