import { Fold } from '../../../ui/Fold.tsx';
import type { Movement } from '@eclat/contract';
import { ABSENT } from '@eclat/core/movement';
import { api } from '../../../data/api.ts';
import { useCommand } from '../../../data/useCommand.ts';
import { Tick } from '../../../ui/Field.tsx';

/** Looked for and not there: that is a fact too, and the next person need not look again. */
export function Absent({ movement, visitId }: { movement: Movement; visitId?: string }) {
  const set = useCommand(api.movements.setAbsent, { what: 'Looked for and not found' });
  return (
    <Fold title="Looked for, and not there" says={movement.absent.length > 0 && movement.absent.length}>
      <div className="grid gap-x-4 sm:grid-cols-2">
        {ABSENT.map((what) => {
          const said = movement.absent.find((a) => a.what === what);
          return (
            <Tick
              key={what}
              label={`No ${what} found${said ? `, ${said.by}` : ''}`}
              checked={said !== undefined}
              onChange={(e) =>
                set.mutate({
                  params: { movementId: movement.id },
                  body: { what, absent: e.target.checked, ...(visitId && { visitId }) },
                })
              }
            />
          );
        })}
      </div>
    </Fold>
  );
}
