import { Fold } from '../../ui/Fold.tsx';
import type { Visit } from '@eclat/contract';
import type { Movement } from '@eclat/contract';
import { MARK_PLACES } from '@eclat/contract/movements';
import { mismatches } from '@eclat/core/intake';
import { familyById } from '@eclat/core/movement';
import { Plus, ScrollText, Trash2, TriangleAlert } from 'lucide-react';
import { useState } from 'react';
import { Link } from 'react-router';
import { api } from '../../data/api.ts';
import { useCommand } from '../../data/useCommand.ts';
import { useKept } from '../../data/useDraft.ts';
import { Inscribe, photosOfVisit } from '../movements/Inscribe.tsx';
import { Button } from '../../ui/Button.tsx';
import { SelectField, TextField } from '../../ui/Field.tsx';
import { useThisVisit } from '../visit/useThisVisit.ts';

type Place = Movement['marks'][number]['place'];

/** Which one it is: owner, movement, its numbers in each place they stand, and what old repairers wrote. */
export function Identity() {
  const visit = useThisVisit();
  const { movement, owner } = visit;
  const [adding, setAdding] = useKept<{ place: Place; text: string } | null>(`mark.${movement.id}`, null);
  const [inscribing, setInscribing] = useState(false);
  const set = useCommand(api.movements.setMark, { what: 'Mark', onSent: () => setAdding(null) });
  const mark = (place: Place, text: string, there: boolean) =>
    set.mutate({ params: { movementId: movement.id }, body: { place, text, there, visitId: visit.id } });
  const open = !visit.closedAt;
  return (
    <Fold
      title="Owner and movement"
      says={movement.name}
      open={inscribing}
      aside={
        open &&
        !inscribing && (
          <Button onClick={() => setInscribing(true)}>
            <ScrollText className="size-5" aria-hidden />
            Enter an inscription
          </Button>
        )
      }
    >
      <dl className="grid grid-cols-[auto_1fr] gap-x-5 gap-y-2">
        <dt className="text-soft">Owner</dt>
        <dd className="font-semibold">
          {owner.name}
          <span className="block font-normal whitespace-pre-line">
            {[owner.phone, owner.email, owner.address].filter(Boolean).join('\n')}
          </span>
        </dd>
        <dt className="text-soft">Clock</dt>
        <dd>
          <Link className="font-semibold underline" to={`/clocks/${visit.clock.id}`}>
            {visit.clock.description}
          </Link>
          <span className="block">Case, dial and glass, with their own history</span>
        </dd>
        <dt className="text-soft">Movement</dt>
        <dd>
          <Link className="font-semibold underline" to={`/movements/${movement.id}`}>
            {movement.name}
          </Link>
          <span className="block">{familyById(movement.familyId).name}</span>
        </dd>
      </dl>
      <h3 className="mt-4 text-lg">Numbers and marks</h3>
      <ul>
        {movement.marks.map((m) => {
          return <MarkRow key={m.place + m.text} known={m} mark={mark} />;
        })}
      </ul>
      {open &&
        (adding ? (
          <AddMark adding={adding} mark={mark} setAdding={setAdding} set={set} />
        ) : (
          <Button className="mt-2" onClick={() => setAdding({ place: 'back plate', text: '' })}>
            <Plus className="size-5" aria-hidden />
            Add a number or mark
          </Button>
        ))}
      {inscribing && (
        <div className="mt-3">
          <Inscribe movementId={movement.id} photos={photosOfVisit(visit)} onClose={() => setInscribing(false)} />
        </div>
      )}
    </Fold>
  );
}

function MarkRow({
  known: m,
  mark,
}: {
  known: Visit['movement']['marks'][number];
  mark: (
    place: 'barrel' | 'balance' | 'case' | 'dial' | 'back plate' | 'front plate' | 'label' | 'pendulum',
    text: string,
    there: boolean,
  ) => void;
}) {
  const visit = useThisVisit();
  const { movement } = visit;
  const open = !visit.closedAt;
  const wrong = mismatches(movement.marks);
  const off = wrong.find((w) => w.place === m.place && w.text === m.text);
  return (
    <li className="flex items-center gap-3 border-t border-line py-1 first:border-t-0">
      <span className="min-w-0 flex-1">
        <b className="text-lg">{m.text}</b> <span className="text-soft">{m.place}</span>
        {off && (
          <span className="flex items-center gap-2 font-semibold text-brass">
            <TriangleAlert className="size-5 shrink-0" aria-hidden />
            {off.seen}
          </span>
        )}
      </span>
      {open && (
        <button
          type="button"
          aria-label={`Take out: ${m.text}, ${m.place}`}
          className="grid size-11 place-items-center rounded-lg hover:bg-danger-wash"
          onClick={() => mark(m.place, m.text, false)}
        >
          <Trash2 className="size-5" />
        </button>
      )}
    </li>
  );
}

function AddMark({
  adding,
  mark,
  setAdding,
  set,
}: {
  adding: {
    place: 'barrel' | 'balance' | 'case' | 'dial' | 'back plate' | 'front plate' | 'label' | 'pendulum';
    text: string;
  };
  mark: (
    place: 'barrel' | 'balance' | 'case' | 'dial' | 'back plate' | 'front plate' | 'label' | 'pendulum',
    text: string,
    there: boolean,
  ) => void;
  setAdding: (
    next: {
      place: 'barrel' | 'balance' | 'case' | 'dial' | 'back plate' | 'front plate' | 'label' | 'pendulum';
      text: string;
    } | null,
  ) => void;
  set: ReturnType<typeof useCommand<typeof api.movements.setMark>>;
}) {
  return (
    <form
      className="mt-2 grid grid-cols-2 gap-3"
      onSubmit={(e) => {
        e.preventDefault();
        if (adding.text.trim()) mark(adding.place, adding.text.trim(), true);
      }}
    >
      <SelectField
        label="Place"
        value={adding.place}
        onChange={(e) => setAdding({ ...adding, place: e.target.value as Place })}
      >
        {MARK_PLACES.map((p) => (
          <option key={p}>{p}</option>
        ))}
      </SelectField>
      <TextField
        autoFocus
        label="Number or mark"
        value={adding.text}
        onChange={(e) => setAdding({ ...adding, text: e.target.value })}
      />
      <div className="col-span-2 flex gap-3">
        <Button type="submit" variant="main" busy={set.isPending}>
          Save
        </Button>
        <Button variant="plain" onClick={() => setAdding(null)}>
          Close
        </Button>
      </div>
    </form>
  );
}
