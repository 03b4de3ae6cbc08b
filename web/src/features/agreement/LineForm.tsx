import { useContractForm } from '../../data/useContractForm.ts';
import type { Line } from '@eclat/contract';
import { lineFields } from '@eclat/contract/agreement';
import { LINE_KINDS, routeName, type ProposedLine } from '@eclat/core/estimate';
import { Controller } from 'react-hook-form';
import type { z } from 'zod';
import { api } from '../../data/api.ts';
import { useCommand } from '../../data/useCommand.ts';
import { FormFoot } from '../../ui/FormFoot.tsx';
import { Choice } from '../../ui/Choice.tsx';
import { TextField, Tick } from '../../ui/Field.tsx';
import { useThisVisit } from '../visit/useThisVisit.ts';

type Fields = z.input<typeof lineFields>;
const LABELS = {
  what: 'What is done',
  quantity: 'How many',
  price: 'Price of one',
  optional: 'Optional',
  noGuarantee: 'Without guarantee',
};

export function LineForm({ line, onClose }: { line: Line | ProposedLine | 'new'; onClose: () => void }) {
  const visit = useThisVisit();
  const { prices, routes } = visit.agreement;
  const known = line !== 'new' && 'id' in line ? line : null;
  const start: Fields = known ?? {
    kind: 'labour',
    what: '',
    quantity: '',
    findingId: null,
    fromSurvey: false,
    ...(line === 'new' ? {} : line),
    price: prices.hourlyRate,
    routes: [],
    optional: false,
    noGuarantee: false,
  };
  const form = useContractForm<Fields>(lineFields, start, `line.${visit.id}.${draftOf(known, line)}`);
  const finish = () => {
    form.forget();
    onClose();
  };
  const add = useCommand(api.agreement.addLine, { what: 'Line', onSent: finish });
  const change = useCommand(api.agreement.changeLine, { what: 'Line', labels: LABELS, onSent: finish });
  const params = { visitId: visit.id };
  const send = ({ kind, what, quantity, price, routes: of, optional, noGuarantee, findingId, fromSurvey }: Fields) => {
    const body = { kind, what, quantity, price, routes: of, optional, noGuarantee, findingId, fromSurvey };
    if (known) change.mutate({ params: { ...params, lineId: known.id }, body: { ...body, version: known.version } });
    else add.mutate({ params, body });
  };
  const { errors } = form.formState;
  const kind = form.watch('kind');
  return (
    <form
      className="mt-4 grid gap-4 rounded-xl border-2 border-steel p-4 sm:grid-cols-2"
      noValidate
      onSubmit={(e) => void form.handleSubmit(send)(e)}
    >
      <KindChoice form={form} />
      <TextField
        className="sm:col-span-2"
        label={LABELS.what}
        error={errors.what?.message}
        {...form.register('what')}
      />
      <TextField
        label={kind === 'labour' ? 'Hours' : LABELS.quantity}
        inputMode="decimal"
        error={errors.quantity?.message}
        {...form.register('quantity')}
      />
      <TextField
        label={kind === 'labour' ? 'An hour costs' : LABELS.price}
        inputMode="decimal"
        hint={prices.currency}
        error={errors.price?.message}
        {...form.register('price')}
      />
      {routes.length > 0 && <BelongsTo form={form} />}
      <div className="flex flex-wrap gap-x-8 sm:col-span-2">
        <Tick label="Optional" {...form.register('optional')} />
        <Tick label="Without guarantee" {...form.register('noGuarantee')} />
      </div>
      <FormFoot className="sm:col-span-2" busy={add.isPending || change.isPending} onClose={onClose}>
        {known ? 'Save changes' : 'Add it'}
      </FormFoot>
    </form>
  );
}

function draftOf(known: Line | null, line: Line | ProposedLine | 'new') {
  if (known) return `${known.id}.${known.version}`;
  if (line === 'new') return 'new';
  return line.findingId ?? 'survey';
}

function KindChoice({ form }: { form: ReturnType<typeof useContractForm<Fields>> }) {
  const visit = useThisVisit();
  const { prices } = visit.agreement;
  return (
    <div className="sm:col-span-2">
      <Controller
        control={form.control}
        name="kind"
        render={({ field }) => (
          <Choice
            label="Kind"
            value={field.value}
            options={LINE_KINDS.map((k) => [k, k] as const)}
            onChange={(k) => {
              field.onChange(k);
              form.setValue('price', k === 'labour' ? prices.hourlyRate : '');
              if (k !== 'labour' && form.getValues('quantity') === '') form.setValue('quantity', '1');
            }}
          />
        )}
      />
    </div>
  );
}

function BelongsTo({ form }: { form: ReturnType<typeof useContractForm<Fields>> }) {
  const visit = useThisVisit();
  const { routes } = visit.agreement;
  return (
    <fieldset className="sm:col-span-2">
      <legend className="font-semibold">Belongs to</legend>
      <div className="flex flex-wrap gap-x-6">
        {routes.map((r) => (
          <Tick key={r.route} label={routeName(r.route)} value={r.route} {...form.register('routes')} />
        ))}
      </div>
      <p className="text-sm text-soft">None ticked: to every alternative.</p>
    </fieldset>
  );
}
