import { fieldsOf, typedOf, type Typed, type Working } from '@eclat/core/workings';
import { useCallback, useState } from 'react';
import { useStore } from '../store.ts';

const key = (id: string) => `eclat.working.${id}`;

/** What was last typed into a working on this device, or its example. */
export function lastTyped(working: Working, units: 'metric' | 'inch'): Typed {
  const fields = fieldsOf(working.inputs);
  const example = () => typedOf(fields, working.example as Record<string, unknown>, units);
  try {
    const kept = JSON.parse(localStorage.getItem(key(working.id)) ?? 'null') as { units: string; typed: Typed } | null;
    return kept?.units === units && typeof kept.typed === 'object' ? kept.typed : example();
  } catch { // another version wrote it
    return example();
  }
}

/** The typed form of a working, kept on this device with each change. */
export function useTyped(working: Working, first?: Typed | null): [Typed, (typed: Typed) => void] {
  const units = useStore((s) => s.units);
  const [typed, setTyped] = useState<Typed>(() => first ?? lastTyped(working, units));
  const change = useCallback((next: Typed) => {
    setTyped(next);
    localStorage.setItem(key(working.id), JSON.stringify({ units, typed: next }));
  }, [working, units]);
  return [typed, change];
}
