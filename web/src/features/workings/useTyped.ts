import { fieldsOf, typedOf, type Typed, type Working } from '@eclat/core/workings';
import { useCallback, useState } from 'react';
import { useAppState } from '../../data/app-state.ts';

const key = (id: string, visitId = '') => `eclat.working.${visitId}${visitId && '.'}${id}`;

/** What was last typed on this device, if it was typed in these units. */
function lastTyped(name: string, units: 'metric' | 'inch'): Typed | null {
  try {
    const kept = JSON.parse(localStorage.getItem(name) ?? 'null') as { units: string; typed: Typed } | null;
    return kept?.units === units && typeof kept.typed === 'object' ? kept.typed : null;
  } catch {
    // another version wrote it
    return null;
  }
}

interface From {
  /** A form that was sent in an address goes before everything. */
  sent?: Typed | null;
  /** What is there when nothing was typed yet. */
  known: Record<string, unknown>;
  visitId?: string;
}

/** The typed form of a working, kept on this device with each change: by itself, or for one visit. */
export function useTyped(working: Working, { sent, known, visitId }: From): [Typed, (typed: Typed) => void] {
  const units = useAppState((s) => s.units);
  const name = key(working.id, visitId);
  const [typed, setTyped] = useState<Typed>(
    () => sent ?? lastTyped(name, units) ?? typedOf(fieldsOf(working.inputs), known, units),
  );
  const change = useCallback(
    (next: Typed) => {
      setTyped(next);
      localStorage.setItem(name, JSON.stringify({ units, typed: next }));
    },
    [name, units],
  );
  return [typed, change];
}
