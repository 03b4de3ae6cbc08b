import { zodResolver } from '@hookform/resolvers/zod';
import { useForm, type DefaultValues, type FieldValues, type UseFormReturn } from 'react-hook-form';
import type { z } from 'zod';
import { useDraft } from './useDraft.ts';

export interface ContractForm<Fields extends FieldValues> extends UseFormReturn<Fields> {
  /** It is sent: nothing of it is kept on this device. */
  forget: () => void;
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
  return { ...form, forget: clear };
}
