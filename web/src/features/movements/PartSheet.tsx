import type { Book, Movement } from '@eclat/contract';
import { useState } from 'react';
import { api } from '../../data/api.ts';
import { say } from '../../data/app-state.ts';
import { useCommand } from '../../data/useCommand.ts';
import { useKept } from '../../data/useDraft.ts';
import { Button } from '../../ui/Button.tsx';
import { Choice } from '../../ui/Choice.tsx';
import { TextField } from '../../ui/Field.tsx';
import { Sheet } from '../../ui/Sheet.tsx';

interface Props {
  movement: Movement;
  /** Movements that were held to be this one. */
  also: Book['also'];
  onClose: () => void;
}

/** They are two after all: each has its own book again. */
export function PartSheet({ movement, also, onClose }: Props) {
  const [otherId, setOther] = useState(also.length === 1 ? also[0]!.id : '');
  const [why, setWhy, forgetWhy] = useKept(`part.${movement.id}.why`, '');
  const [wrong, setWrong] = useState('');
  const part = useCommand(api.movements.part, {
    what: 'Parting',
    onSent: () => (forgetWhy(), onClose()),
    onDone: () => say('Two books again.'),
    onFields: ([first]) => setWrong(first?.message ?? ''),
  });
  const other = also.find((m) => m.id === otherId);
  return (
    <Sheet
      open
      onClose={onClose}
      title={`${movement.code} is another than ${other?.code ?? '…'}`}
      description={
        'Each has its own visits, marks and entries again. What was written since they were one stays with ' +
        `${movement.code}.`
      }
    >
      <form
        className="flex flex-col gap-4"
        onSubmit={(e) => {
          e.preventDefault();
          part.mutate({ params: { movementId: movement.id }, body: { otherId, why } });
        }}
      >
        {also.length > 1 && (
          <Choice
            label="The other one"
            value={otherId}
            options={also.map(({ id, code }) => [id, code] as const)}
            onChange={setOther}
          />
        )}
        <TextField
          autoFocus
          label="How it was found"
          placeholder="the other has a solid click"
          value={why}
          error={wrong || undefined}
          onChange={(e) => setWhy(e.target.value)}
        />
        <Button
          type="submit"
          variant="main"
          className="self-start"
          disabled={why.trim() === '' || otherId === ''}
          busy={part.isPending}
        >
          They are two
        </Button>
      </form>
    </Sheet>
  );
}
