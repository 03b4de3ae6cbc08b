import type { Visit } from '@eclat/contract';
import { stageName } from '@eclat/core/workflow';
import { Plus } from 'lucide-react';
import { api } from '../../data/api.ts';
import { useCommand } from '../../data/useCommand.ts';
import { Answer } from '../../ui/Answer.tsx';
import { Button } from '../../ui/Button.tsx';

/** A stage that does not belong to this job: why, and one press that brings it in. */
export function NotInJob({ visit, of }: { visit: Visit; of: Visit['stages'][number] }) {
  const mark = useCommand(api.visit.setStage, { what: stageName(of.stage) });
  return (
    <>
      <Answer tone="info" title={`${stageName(of.stage)} is not in this job`}>
        {of.why}
        {of.by && ` ${of.by}.`}
      </Answer>
      {!visit.closedAt && (
        <Button
          variant="main"
          className="self-start"
          busy={mark.isPending}
          onClick={() => mark.mutate({ params: { visitId: visit.id, stage: of.stage }, body: { state: 'open' } })}
        >
          <Plus className="size-5" aria-hidden />
          Add it to this job
        </Button>
      )}
    </>
  );
}
