import type { Visit } from '@eclat/contract';
import { proposedLines } from '@eclat/core/estimate';
import { settled } from '@eclat/core/workflow';
import { Hourglass } from 'lucide-react';
import { api } from '../../data/api.ts';
import { say } from '../../data/app-state.ts';
import { useCommand } from '../../data/useCommand.ts';
import { Button } from '../../ui/Button.tsx';

/** Bushes that the survey found and the estimate does not have: put to the owner in one press, with their price. */
export function AskOwner({ visit }: { visit: Visit }) {
  const { lines, prices } = visit.agreement;
  const found = proposedLines(visit.movement.traits, [], visit.holes, [], lines, visit.rules.held).find(
    (l) => l.fromSurvey,
  );
  const ask = useCommand(api.agreement.addLine, {
    what: 'Line for the owner',
    onDone: () => say('It stands on the estimate and waits for the owner’s word. The rest goes on.'),
  });
  if (!found || visit.closedAt || visit.job.ownStock) return null;
  const asked = settled(visit.stages).includes('agree');
  return (
    <Button
      variant="main"
      className="self-start"
      busy={ask.isPending}
      onClick={() => ask.mutate({ params: { visitId: visit.id }, body: { ...found, price: prices.hourlyRate } })}
    >
      <Hourglass className="size-5" aria-hidden />
      {asked ? 'Ask the owner now' : 'On the estimate'}: {found.what}, {found.quantity} h at {prices.hourlyRate}
    </Button>
  );
}
