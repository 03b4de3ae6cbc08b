import type { ClosingNote, Visit } from '@eclat/contract';
import { closingSaid } from '@eclat/contract/assembly';
import { CORNERS, lastPivots } from '@eclat/core/strip';
import { sentence } from '@eclat/core/units';
import type { z } from 'zod';
import { api } from '../../data/api.ts';
import { useCommand } from '../../data/useCommand.ts';
import { useContractForm } from '../../data/useContractForm.ts';
import { useTakeOut } from '../../data/useTakeOut.ts';
import { Button } from '../../ui/Button.tsx';
import { Choice } from '../../ui/Choice.tsx';
import { day } from '../../ui/dates.ts';
import { TextField } from '../../ui/Field.tsx';
import { Fold } from '../../ui/Fold.tsx';
import { useThisVisit } from '../visit/useThisVisit.ts';

type Fields = z.input<typeof closingSaid>;
const EMPTY: Fields = { corner: null, last: '', note: '' };

/** How the plates of this movement go together: from its own past where somebody said so, else as is usual. */
export function ClosingGuide() {
  const visit = useThisVisit();
  const latest = visit.closings.at(-1);
  const earlier = visit.closings.slice(0, -1).toReversed();
  return (
    <Fold name="closing" title="How its plates close" says={latest && closingWords(latest)}>
      <div className="flex flex-col gap-3">
        {latest ? <Said note={latest} /> : <Usual visit={visit} />}
        {earlier.map((c) => (
          <Said key={c.id} note={c} />
        ))}
        {!visit.closedAt && <SayIt visit={visit} />}
      </div>
    </Fold>
  );
}

const closingWords = ({ corner, last }: ClosingNote): string =>
  sentence([corner && `from the ${corner}`, last && `last: ${last}`].filter(Boolean).join('; '));

function Usual({ visit }: { visit: Visit }) {
  const last = lastPivots(visit.movement.traits);
  return (
    <p>
      Nobody has said yet. Usual: heavy arbors first, nuts on loosely, plate level, one pivot after the other, never
      force.{last.length > 0 && ` The thin ones last: ${last.join(', ')}.`}
    </p>
  );
}

function Said({ note }: { note: ClosingNote }) {
  const visit = useThisVisit();
  const remove = useTakeOut(api.assembly.removeClosing, 'Closing');
  const takeBack = () => remove({ params: { visitId: visit.id, closingId: note.id } });
  return (
    <div className="flex flex-wrap items-center gap-x-3">
      <p className="min-w-0 flex-1">
        <b>{closingWords(note)}</b> {note.note}{' '}
        <span className="text-soft">
          {note.by}, {day(note.at)}
        </span>
      </p>
      {note.own && !visit.closedAt && (
        <Button variant="plain" onClick={takeBack}>
          Take back
        </Button>
      )}
    </div>
  );
}

function SayIt({ visit }: { visit: Visit }) {
  const form = useContractForm<Fields>(closingSaid, EMPTY, `closing.${visit.id}`);
  const add = useCommand(api.assembly.addClosing, {
    what: 'Closing',
    onSent: () => form.taken(EMPTY),
    onFields: form.refused,
  });
  return (
    <form
      className="flex flex-col gap-3 border-t border-line pt-3"
      noValidate
      onSubmit={(e) =>
        void form.handleSubmit((body) => add.mutate({ params: { visitId: visit.id }, body: closingSaid.parse(body) }))(
          e,
        )
      }
    >
      <Choice
        label="Closed from"
        dense
        value={form.watch('corner') ?? ''}
        options={CORNERS.map((c) => [c, c] as const)}
        onChange={(c) => form.setValue('corner', c, { shouldDirty: true })}
        onClear={() => form.setValue('corner', null, { shouldDirty: true })}
      />
      <TextField
        label="Pivots that went in last"
        placeholder={lastPivots(visit.movement.traits).join(', ')}
        error={form.formState.errors.last?.message}
        {...form.register('last')}
      />
      <TextField label="What helped" placeholder="lever held up with a thread" {...form.register('note')} />
      <Button type="submit" className="self-start" busy={add.isPending}>
        Save for next time
      </Button>
    </form>
  );
}
