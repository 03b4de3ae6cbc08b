import type { Hole } from '@eclat/core/movement';
import { PART_KINDS, pivotKey, polishKey, turningProblem } from '@eclat/core/pivots';
import { useState } from 'react';
import { api } from '../../data/api.ts';
import { useCommand } from '../../data/useCommand.ts';
import { say } from '../../data/app-state.ts';
import { Button } from '../../ui/Button.tsx';
import { Choice } from '../../ui/Choice.tsx';
import { Tick } from '../../ui/Field.tsx';
import { LengthField, lengthMm } from '../../ui/LengthField.tsx';
import { useThisVisit } from '../visit/useThisVisit.ts';

/** The pivot in this hole: how it was found, and the size it was turned down to, which forces its bush. */
export function PivotCondition({ hole }: { hole: Hole }) {
  const visit = useThisVisit();
  const key = pivotKey(hole.key);
  const look = visit.partConditions.find((l) => l.key === key);
  const [to, setTo] = useState(look?.toMm ? String(look.toMm) : '');
  const params = { visitId: visit.id, part: key };
  const set = useCommand(api.survey.setPart, {
    what: 'Pivot',
    labels: { state: 'Pivot', toMm: 'Turned down to' },
    onDone: (l) => {
      if (l.toMm && l.toMm !== look?.toMm)
        say(`Turned down to ${l.toMm} mm: ${hole.arbor.id} ${hole.plate} must be bushed.`);
    },
  });
  const clear = useCommand(api.survey.removePart, { what: 'Pivot' });
  const measured = visit.holes.find((h) => h.key === hole.key);
  const toMm = lengthMm(to);
  const problem = toMm === null ? null : turningProblem(measured?.pivotMm ?? null, toMm);
  const send = (state: string, mm: number | null) =>
    set.mutate({ params, body: { state, toMm: mm, note: look?.note ?? '', version: look?.version ?? 0 } });
  const wantsTurning = look && look.state !== 'sound';
  return (
    <div className="flex flex-col gap-2">
      <Polished hole={hole} />
      <Choice
        label="The pivot"
        value={look?.state ?? ''}
        disabled={visit.closedAt !== null}
        options={PART_KINDS.pivot.states.map(([s]) => [s, s] as const)}
        onChange={(s) => send(s, s === 'sound' ? null : (look?.toMm ?? null))}
        onClear={() => clear.mutate({ params })}
      />
      {wantsTurning && (
        <div className="flex flex-wrap items-start gap-3">
          <div className="w-40">
            <LengthField
              name="turned"
              label="Turned down to"
              value={to}
              onChange={setTo}
              onEnter={() => {
                if (toMm !== null && !problem) send(look.state, toMm);
              }}
            />
          </div>
          {visit.closedAt === null &&
            (look.toMm !== null ? (
              <Button
                className="mt-7"
                busy={set.isPending}
                onClick={() => {
                  setTo('');
                  send(look.state, null);
                }}
              >
                Not turned
              </Button>
            ) : (
              <Button
                className="mt-7"
                disabled={toMm === null || problem !== null}
                busy={set.isPending}
                onClick={() => send(look.state, toMm)}
              >
                Turned
              </Button>
            ))}
        </div>
      )}
      {problem && <p className="text-sm font-semibold text-danger">{problem}</p>}
      {look?.toMm && (
        <p className="font-semibold text-brass">Turned down to {look.toMm} mm: this hole must be bushed.</p>
      )}
    </div>
  );
}

function Polished({ hole }: { hole: Hole }) {
  const visit = useThisVisit();
  const key = polishKey(hole.key);
  const polished = visit.partConditions.some((l) => l.key === key);
  const params = { visitId: visit.id, part: key };
  const set = useCommand(api.survey.setPart, { what: 'Polish' });
  const clear = useCommand(api.survey.removePart, { what: 'Polish' });
  return (
    <div>
      <Tick
        label="Pivot is polished"
        checked={polished}
        disabled={visit.closedAt !== null}
        onChange={(e) =>
          e.target.checked
            ? set.mutate({ params, body: { state: 'polished', toMm: null, note: '', version: 0 } })
            : clear.mutate({ params })
        }
      />
      {!polished && <p className="-mt-1 text-sm text-soft">Polish first: size and play are of the finished surface.</p>}
    </div>
  );
}
