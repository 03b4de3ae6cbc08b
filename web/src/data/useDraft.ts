import { useEffect, useRef, useState } from 'react';
import type { FieldValues, UseFormReturn } from 'react-hook-form';

const PREFIX = 'eclat.draft.';

/** What is half typed under this name on this device, or null. */
export const keptDraft = <T>(name: string): T | null =>
  JSON.parse(localStorage.getItem(PREFIX + name) ?? 'null') as T | null;

export const dropDraft = (name: string): void => localStorage.removeItem(PREFIX + name);

/** Keeps it, unless it is what stood there before anybody typed. A full device keeps none and goes on. */
function keepDraft(name: string, typed: unknown, untouched: boolean): void {
  if (untouched) return dropDraft(name);
  try {
    localStorage.setItem(PREFIX + name, JSON.stringify(typed));
  } catch {
    dropDraft(name);
  }
}

export const same = (a: unknown, b: unknown): boolean => JSON.stringify(a) === JSON.stringify(b);

/**
 * Keeps a half-filled form on this device: it is there again after a reload, a sign-out or a dead battery. Only what
 * was typed is kept, with the version it was typed against: the rest follows the server, and a change that somebody
 * made meanwhile becomes a choice. Call `clear` once it is sent.
 * @param name of this form, with the id of what it is about; null: nothing of it is kept
 */
export function useDraft<T extends FieldValues>(form: UseFormReturn<T>, name: string | null): { clear: () => void } {
  const loaded = useRef<string | null>(null);
  useEffect(() => {
    if (name === null) return undefined;
    if (loaded.current !== name) {
      loaded.current = name;
      const kept = keptDraft<T>(name);
      if (kept) form.reset({ ...form.getValues(), ...kept }, { keepDefaultValues: true });
    }
    const { unsubscribe } = form.watch((values) => {
      const start = form.formState.defaultValues as FieldValues | undefined;
      const typed = Object.entries(values).filter(([field, value]) => !same(value, start?.[field]));
      const version = 'version' in values ? { version: values['version'] as unknown } : {};
      keepDraft(name, { ...Object.fromEntries(typed), ...version }, typed.length === 0);
    });
    return unsubscribe;
  }, [form, name]);
  return { clear: () => name !== null && dropDraft(name) };
}

/**
 * State of a small form, kept in the same way. What is set back to its start is forgotten.
 * @param name as above
 * @returns the state, its setter, and `clear` for a form that goes away once it is sent
 */
export function useKept<T>(name: string, start: T): [T, (next: T | ((was: T) => T)) => void, () => void] {
  const [held, setHeld] = useState(() => ({ name, value: keptDraft<{ typed: T }>(name)?.typed ?? start }));
  // Another clock on the same screen has its own.
  const value = held.name === name ? held.value : (keptDraft<{ typed: T }>(name)?.typed ?? start);
  // Set twice in one breath, the second goes on from the first.
  const latest = useRef(value);
  useEffect(() => {
    latest.current = value;
  });
  const set = (next: T | ((was: T) => T)): void => {
    const typed = typeof next === 'function' ? (next as (was: T) => T)(latest.current) : next;
    latest.current = typed;
    keepDraft(name, { typed }, same(typed, start));
    setHeld({ name, value: typed });
  };
  return [value, set, () => dropDraft(name)];
}
