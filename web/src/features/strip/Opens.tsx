import { depthSaid, DEPTHS } from '@eclat/core/workflow';
import type { UseFormReturn } from 'react-hook-form';
import { Link } from 'react-router';
import { Choice } from '../../ui/Choice.tsx';
import { TextField } from '../../ui/Field.tsx';
import { useHeldUp } from '../power-down/useHeldUp.ts';
import { useThisVisit } from '../visit/useThisVisit.ts';
import type { Fields } from './StepForm.tsx';

/**
 * Asked only while a train is wound or not known: hands and dial may come off, deeper it is made safe first, or opened
 * with a reason.
 */
export function Opens({ form }: { form: UseFormReturn<Fields> }) {
  const { strip } = useThisVisit();
  const opens = form.watch('opens') ?? depthSaid(strip.passes);
  const unsafe = useHeldUp('plates');
  const inTheWay = useHeldUp(opens);
  if (unsafe.length === 0 && inTheWay.length === 0) return null;
  const problem = form.formState.errors.opens?.message;
  const deep = opens !== null && inTheWay.length > 0;
  return (
    <div className="rounded-xl border-2 border-danger p-4">
      <Choice
        label="What does it open?"
        value={opens ?? ''}
        options={DEPTHS.map((d) => [d, d] as const)}
        onChange={(d) => {
          form.setValue('opens', d, { shouldDirty: true });
          form.clearErrors('opens');
        }}
      />
      {problem && (
        <p role="alert" className="mt-2 font-semibold text-danger">
          {problem}
        </p>
      )}
      {deep && (
        <div className="mt-3 flex flex-wrap items-end gap-3">
          <Link className="inline-flex min-h-12 items-center font-semibold text-steel underline" to="../power">
            Make it safe first
          </Link>
          <TextField
            className="min-w-72 flex-1"
            label="Or why it is opened under power"
            hint="The reason is kept with your name and the time."
            {...form.register('overrideReason')}
          />
        </div>
      )}
    </div>
  );
}
