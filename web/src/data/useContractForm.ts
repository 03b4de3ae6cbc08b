import { zodResolver } from '@hookform/resolvers/zod';
import { useForm, type DefaultValues, type FieldPath, type FieldValues, type UseFormReturn } from 'react-hook-form';
import type { z } from 'zod';
import { useDraft } from './useDraft.ts';

export interface ContractForm<Fields extends FieldValues> extends UseFormReturn<Fields> {
  /** It is sent: nothing of it is kept on this device. */
  forget: () => void;
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
  const refused: ContractForm<Fields>['refused'] = (fields) =>
    fields.forEach((f, i) =>
      form.setError(f.path as FieldPath<Fields>, { message: f.message }, { shouldFocus: i === 0 }),
    );
  return { ...form, forget: clear, refused };
}
