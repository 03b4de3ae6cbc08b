import { zodResolver } from '@hookform/resolvers/zod';
import { useRef } from 'react';
import {
  useForm,
  type DefaultValues,
  type FieldPath,
  type FieldValues,
  type PathValue,
  type UseFormReturn,
} from 'react-hook-form';
import type { z } from 'zod';
import { same, useDraft } from './useDraft.ts';

export interface ContractForm<Fields extends FieldValues> extends UseFormReturn<Fields> {
  /** It is sent: nothing of it is kept on this device. */
  forget: () => void;
  /** It is sent, and the form is empty for the next one: what was typed since the press stands in it. */
  taken: (empty: Fields) => void;
  /** The server would not take it: what it says stands at each field, and the first of them is in hand. */
  refused: (fields: readonly { path: string; message: string }[]) => void;
}

/**
 * A form that is held to a schema of the contract: what the schema refuses is said at its field.
 * `Fields` are what a person types; the server parses them again. The resolver's own type asks for parsed values:
 * that a form holds typed ones is said here, once.
 * @param draft what half of it is called on this device, with the id of what it is about; null: nothing may be kept
 */
export function useContractForm<Fields extends FieldValues>(
  schema: z.ZodType,
  defaultValues: DefaultValues<Fields>,
  draft: string | null,
): ContractForm<Fields> {
  const form = useForm<Fields>({ resolver: zodResolver(schema as never) as never, defaultValues });
  const { clear } = useDraft(form, draft);
  const sent = useRef<Fields | null>(null);
  const handleSubmit: typeof form.handleSubmit = (valid, invalid) => (e) => {
    // As it stands at the press: checking it takes a moment, in which somebody types on.
    const pressed = structuredClone(form.getValues());
    return form.handleSubmit((values, event) => {
      sent.current = pressed;
      return valid(values, event);
    }, invalid)(e);
  };
  const taken = (empty: Fields) => {
    // What the next one begins with anyway is not typed on.
    const since = typedSince(form.getValues(), sent.current).filter(
      ([name]) => !same(form.getValues()[name], empty[name]),
    );
    clear();
    form.reset(empty);
    for (const [name, value] of since)
      form.setValue(name as FieldPath<Fields>, value as PathValue<Fields, FieldPath<Fields>>, { shouldDirty: true });
  };
  const refused: ContractForm<Fields>['refused'] = (fields) =>
    fields.forEach((f, i) =>
      form.setError(f.path as FieldPath<Fields>, { message: f.message }, { shouldFocus: i === 0 }),
    );
  return { ...form, handleSubmit, forget: clear, taken, refused };
}

/** What stands in a form otherwise than it was sent; of words that were typed on, those after them. */
function typedSince(now: FieldValues, sent: FieldValues | null): [string, unknown][] {
  if (!sent) return [];
  return Object.entries(now).flatMap(([name, value]: [string, unknown]) => {
    const before = sent[name] as unknown;
    if (same(value, before)) return [];
    const typedOn = typeof value === 'string' && typeof before === 'string' && value.startsWith(before);
    return [[name, typedOn ? value.slice(before.length) : value]];
  });
}
