import type { Hole } from '@eclat/core/movement';
import { PART_KINDS, shakeKey } from '@eclat/core/pivots';
import { api } from '../../data/api.ts';
import { useCommand } from '../../data/useCommand.ts';
import { Choice } from '../../ui/Choice.tsx';
import { useKeys } from '../../ui/useKeys.ts';
import { useThisVisit } from '../visit/useThisVisit.ts';

/** End shake of the arbor in hand, as it is felt: one press, from either of its holes. */
export function EndShake({ hole }: { hole: Hole }) {
  const visit = useThisVisit();
  const key = shakeKey(hole.arbor.id);
  const felt = visit.partConditions.find((l) => l.key === key);
  const params = { visitId: visit.id, part: key };
  const set = useCommand(api.survey.setPart, { what: 'End shake', labels: { state: 'End shake' } });
  const clear = useCommand(api.survey.removePart, { what: 'End shake' });
  const send = (state: string) =>
    set.mutate({ params, body: { state, toMm: null, note: felt?.note ?? '', version: felt?.version ?? 0 } });
  const closed = visit.closedAt !== null;
  useKeys({ e: () => !closed && send('right') });
  return (
    <Choice
      dense
      inline
      label={`End shake of ${hole.arbor.id}`}
      value={felt?.state ?? ''}
      disabled={closed}
      options={PART_KINDS.shake.states.map(([s]) => [s, s] as const)}
      onChange={send}
      onClear={() => clear.mutate({ params })}
    />
  );
}
