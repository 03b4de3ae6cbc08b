import { zodResolver } from '@hookform/resolvers/zod';
import { useForm, type DefaultValues, type FieldValues, type UseFormReturn } from 'react-hook-form';
import type { z } from 'zod';

/**
 * A form that is held to a schema of the contract: what the schema refuses is said at its field.
 * `Fields` are what a person types; the server parses them again. The resolver's own type asks for parsed values:
 * that a form holds typed ones is said here, once.
 */
export function useContractForm<Fields extends FieldValues>(
  schema: z.ZodType,
  defaultValues: DefaultValues<Fields>,
): UseFormReturn<Fields> {
  return useForm<Fields>({ resolver: zodResolver(schema as never) as never, defaultValues });
}
