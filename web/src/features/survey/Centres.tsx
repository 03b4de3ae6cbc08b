import { pairsOf } from '@eclat/core/movement';
import { useState } from 'react';
import { Button } from '../../ui/Button.tsx';
import { LengthField, lengthMm } from '../../ui/LengthField.tsx';
import { useThisVisit } from '../visit/useThisVisit.ts';

const RANGE = [1, 300] as const;

/**
 * Centre distances, typed by the caliper from the power to the fast end. A train that has all of its own is drawn to
 * scale.
 */
export function Centres({
  value,
  busy,
  onKeep,
}: {
  value: Readonly<Record<string, number>>;
  busy: boolean;
  onKeep: (centresMm: Record<string, number>) => void;
}) {
  const { traits } = useThisVisit().movement;
  const [typed, setTyped] = useState<Record<string, string>>(() =>
    Object.fromEntries(Object.entries(value).map(([k, mm]) => [k, String(mm)])),
  );
  const pairs = traits.trains.flatMap((t) => pairsOf(t));
  const read = Object.fromEntries(
    pairs.flatMap((p) => {
      const mm = lengthMm(typed[p.key] ?? '', RANGE);
      return mm === null ? [] : [[p.key, mm]];
    }),
  );
  const bad = pairs.some((p) => (typed[p.key] ?? '').trim() !== '' && read[p.key] === undefined);
  const keep = () => {
    if (!bad) onKeep(read);
  };
  if (pairs.length === 0) return null;
  return (
    <details>
      <summary className="min-h-11 cursor-pointer py-2 font-semibold">
        Centre distances{Object.keys(value).length > 0 && `, ${Object.keys(value).length} measured`}
      </summary>
      <div className="grid grid-cols-[repeat(auto-fill,minmax(9rem,1fr))] gap-3">
        {pairs.map((p, i) => (
          <LengthField
            key={p.key}
            name={p.key}
            label={`${p.from.id} to ${p.to.id}`}
            plausible={RANGE}
            value={typed[p.key] ?? ''}
            onChange={(v) => setTyped((t) => ({ ...t, [p.key]: v }))}
            {...(i === pairs.length - 1 && { onEnter: keep })}
          />
        ))}
      </div>
      <Button className="mt-3" variant="main" disabled={bad} busy={busy} onClick={keep}>
        Save the distances
      </Button>
    </details>
  );
}
