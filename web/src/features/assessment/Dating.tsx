import type { Visit } from '@eclat/contract';
import { useContractForm } from '../../data/useContractForm.ts';
import { evidenceFields } from '@eclat/contract/assessment';
import { dateFrom } from '@eclat/core/history';
import { Trash2, TriangleAlert } from 'lucide-react';
import type { z } from 'zod';
import { memo } from 'react';
import { api } from '../../data/api.ts';
import { useCommand } from '../../data/useCommand.ts';
import { useRemove } from '../../data/useRemove.ts';
import { Panel } from '../../ui/Answer.tsx';
import { Button } from '../../ui/Button.tsx';
import { TextField } from '../../ui/Field.tsx';
import { useThisVisit } from '../visit/useThisVisit.ts';

const EMPTY = { notBefore: null, notAfter: null, why: '' };
const year = { setValueAs: (v: string | number | null) => (v === '' || v === null ? null : Number(v)) };

/** When it was made, from evidence: not before, not after, and why. It stays with the movement. */
export const Dating = memo(function Dating() {
  const { movement, closedAt } = useThisVisit();
  const form = useContractForm<z.input<typeof evidenceFields>>(evidenceFields, EMPTY, `dating.${movement.id}`);
  const add = useCommand(api.assessment.addEvidence, { what: 'Evidence', onSent: () => form.taken(EMPTY) });
  const { errors } = form.formState;
  const found = dateFrom(movement.dating);
  return (
    <Panel title="When it was made">
      <p className={`flex items-center gap-2 text-2xl font-bold ${found.contradiction ? 'text-danger' : ''}`}>
        {found.contradiction && <TriangleAlert className="size-6 shrink-0" aria-hidden />}
        {found.words}
      </p>
      <ul className="mt-2 divide-y divide-line">
        {movement.dating.map((e) => (
          <EvidenceRow key={e.id} evidence={e} />
        ))}
      </ul>
      {!closedAt && (
        <form
          className="mt-3 grid gap-3 sm:grid-cols-[8rem_8rem_minmax(0,1fr)_auto] sm:items-start"
          noValidate
          onSubmit={(e) =>
            void form.handleSubmit((body) => add.mutate({ params: { movementId: movement.id }, body }))(e)
          }
        >
          <TextField
            label="Not before"
            inputMode="numeric"
            error={errors.notBefore?.message}
            {...form.register('notBefore', year)}
          />
          <TextField
            label="Not after"
            inputMode="numeric"
            error={errors.notAfter?.message}
            {...form.register('notAfter', year)}
          />
          <TextField
            label="Why"
            placeholder="patent date on the back plate"
            error={errors.why?.message}
            {...form.register('why')}
          />
          <Button type="submit" className="sm:mt-7" busy={add.isPending}>
            Add it
          </Button>
        </form>
      )}
    </Panel>
  );
});

function EvidenceRow({ evidence: e }: { evidence: Visit['movement']['dating'][number] }) {
  const { movement, closedAt } = useThisVisit();
  const evidence = useRemove(api.assessment.removeEvidence, api.assessment.addEvidence, 'Evidence');
  return (
    <li className="flex items-center gap-3 py-1">
      <span className="min-w-0 flex-1">
        <b>
          {[e.notBefore !== null && `not before ${e.notBefore}`, e.notAfter !== null && `not after ${e.notAfter}`]
            .filter(Boolean)
            .join(', ')}
        </b>
        : {e.why}
      </span>
      {!closedAt && (
        <button
          type="button"
          aria-label={`Take back: ${e.why}`}
          className="grid size-11 place-items-center rounded-lg hover:bg-danger-wash"
          onClick={() =>
            evidence(
              { params: { movementId: movement.id, evidenceId: e.id } },
              {
                params: { movementId: movement.id },
                body: { notBefore: e.notBefore, notAfter: e.notAfter, why: e.why },
              },
            )
          }
        >
          <Trash2 className="size-5" />
        </button>
      )}
    </li>
  );
}
