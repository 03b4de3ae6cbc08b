import { useEffect, useRef } from 'react';
import type { FieldValues, UseFormReturn } from 'react-hook-form';

const PREFIX = 'eclat.draft.';

/**
 * Keeps a half-filled form on this device: it is there again after a reload, a sign-out or a dead battery.
 * Call `clear` once it is sent.
 */
export function useDraft<T extends FieldValues>(form: UseFormReturn<T>, name: string): { clear: () => void } {
  const key = PREFIX + name;
  const loaded = useRef<string | null>(null);
  useEffect(() => {
    if (loaded.current !== key) {
      loaded.current = key;
      const kept = localStorage.getItem(key);
      if (kept) form.reset({ ...form.getValues(), ...(JSON.parse(kept) as T) }, { keepDefaultValues: true });
    }
    const { unsubscribe } = form.watch((values) => localStorage.setItem(key, JSON.stringify(values)));
    return unsubscribe;
  }, [form, key]);
  return { clear: () => localStorage.removeItem(key) };
}

/** A draft that is kept on this device under this name, or null. */
export const keptDraft = <T>(name: string): T | null => JSON.parse(localStorage.getItem(PREFIX + name) ?? 'null') as T;

export const dropDraft = (name: string): void => localStorage.removeItem(PREFIX + name);
