import type { PartCondition, Visit } from '@eclat/contract';
import { isBesideHoles, partAsks, partsToSurvey, PART_KINDS, type SurveyedPart } from '@eclat/core/pivots';
import { byCount } from '@eclat/core/units';
import { memo } from 'react';
import { api } from '../../data/api.ts';
import { useCommand } from '../../data/useCommand.ts';
import { useKept } from '../../data/useDraft.ts';
import { Fold } from '../../ui/Fold.tsx';
import { Button } from '../../ui/Button.tsx';
import { Choice } from '../../ui/Choice.tsx';
import { TextField } from '../../ui/Field.tsx';
import { useThisVisit } from '../visit/useThisVisit.ts';
import { useAllAtOnce } from './useAllAtOnce.ts';

/** Teeth, clicks, pallets and the rest: one press each, and one for all that is sound. */
export const PartConditions = memo(function PartConditions() {
  const visit = useThisVisit();
  const all = partsToSurvey(visit.movement.traits).filter(isBesideHoles);
  const conditions = new Map(visit.partConditions.map((l) => [l.key, l]));
  const left = all.filter((p) => !conditions.has(p.key));
  const sound = useAllAtOnce('The rest is sound.');
  if (all.length === 0) return null;
  return (
    <Fold
      name="other parts"
      title={titleOf(all, conditions, visit, left)}
      aside={
        !visit.closedAt &&
        left.length > 0 && (
          <Button busy={sound.isPending} onClick={() => sound.send(left.map((p) => p.key))}>
            {left.length === all.length ? 'All sound' : 'The rest is sound'}
          </Button>
        )
      }
    >
      <ul className="grid gap-x-8 xl:grid-cols-2">
        {all.map((p) => (
          <PartRow key={p.key} part={p} found={conditions.get(p.key)} />
        ))}
      </ul>
    </Fold>
  );
});

function titleOf(all: SurveyedPart[], conditions: Map<string, PartCondition>, visit: Visit, left: SurveyedPart[]) {
  const asks = all.filter((p) => {
    const l = conditions.get(p.key);
    return l && partAsks(p.kind, l.state, visit.rules.held) !== '';
  });
  if (asks.length > 0) return `${asks.length} of the other parts ${byCount(asks.length, 'wants', 'want')} work`;
  if (left.length === 0) return 'The other parts are sound';
  return `${left.length} other ${byCount(left.length, 'part', 'parts')} to look at`;
}

export function PartRow({ part, found }: { part: SurveyedPart; found: PartCondition | undefined }) {
  const visit = useThisVisit();
  const [note, setNote] = useKept<string | null>(`part.${visit.id}.${part.key}`, null);
  const params = { visitId: visit.id, part: part.key };
  const set = useCommand(api.survey.setPart, {
    what: part.name,
    labels: { state: part.name, note: 'Which, and how' },
    onSent: () => setNote(null),
  });
  const clear = useCommand(api.survey.removePart, { what: part.name });
  const send = (state: string, text: string) =>
    set.mutate({ params, body: { state, note: text, version: found?.version ?? 0 } });
  const asks = found ? partAsks(part.kind, found.state, visit.rules.held) : '';
  return (
    <li className="flex flex-wrap items-center gap-x-4 gap-y-1 border-t border-line py-2">
      <span className="w-44">
        <b className="block first-letter:uppercase">{part.name}</b>
        {asks && <span className="font-semibold text-brass">{asks}</span>}
      </span>
      <div className="flex min-w-60 flex-1 flex-col gap-2">
        <Choice
          label={part.name}
          hideLabel
          value={found?.state ?? ''}
          disabled={visit.closedAt !== null}
          options={PART_KINDS[part.kind].states.map(([s]) => [s, s] as const)}
          onChange={(s) => send(s, found?.note ?? '')}
          onClear={() => clear.mutate({ params })}
        />
        {asks &&
          (visit.closedAt ? (
            found!.note && <p>{found!.note}</p>
          ) : (
            <form
              className="flex items-end gap-3"
              onSubmit={(e) => {
                e.preventDefault();
                if (note !== null) send(found!.state, note.trim());
              }}
            >
              <div className="min-w-0 flex-1">
                <TextField
                  label="Which, and how"
                  maxLength={200}
                  value={note ?? found!.note}
                  onChange={(e) => setNote(e.target.value)}
                />
              </div>
              {note !== null && note !== found!.note && (
                <Button type="submit" busy={set.isPending}>
                  Save
                </Button>
              )}
            </form>
          ))}
      </div>
    </li>
  );
}
