import { sentence } from '@eclat/core/units';
import { useContractForm } from '../../data/useContractForm.ts';
import type { Finding } from '@eclat/contract';
import { EFFECTS, isCircle } from '@eclat/core/assess';
import { findingFields } from '@eclat/contract/assessment';
import { SEVERITIES } from '@eclat/core/assess';
import { vocabulary, walkOf } from '@eclat/core/assess';
import { instancesFor } from '@eclat/core/faults';
import { useMemo } from 'react';
import { Controller } from 'react-hook-form';
import type { z } from 'zod';
import { api } from '../../data/api.ts';
import { useCommand } from '../../data/useCommand.ts';
import { Panel } from '../../ui/Answer.tsx';
import { FormFoot } from '../../ui/FormFoot.tsx';
import { Choice } from '../../ui/Choice.tsx';
import { SelectField, TextArea, TextField, Tick } from '../../ui/Field.tsx';
import { useKnowledge } from '../diagnosis/useKnowledge.ts';
import { useThisVisit } from '../visit/useThisVisit.ts';

type Fields = z.input<typeof findingFields>;
const EMPTY: Fields = {
  place: '',
  seen: '',
  severity: 'harms it',
  effect: 'timekeeping',
  proposal: '',
  earlierRepair: false,
  doNotDisturb: false,
  hours: null,
  cause: '',
  followsFrom: null,
};
const LABELS = {
  place: 'Place',
  seen: 'What was seen',
  severity: 'How bad',
  effect: 'What it does',
  proposal: 'Proposal',
  hours: 'Hours',
  cause: 'Bears out',
  followsFrom: 'Follows from',
  earlierRepair: 'Earlier repair',
  doNotDisturb: 'Do not disturb',
};
/** What of a finding is written in its form. */
const writtenOf = (f: Fields) => {
  const { place, seen, severity, effect, proposal, earlierRepair, doNotDisturb, hours, cause, followsFrom } = f;
  return { place, seen, severity, effect, proposal, earlierRepair, doNotDisturb, hours, cause, followsFrom };
};

/** @param finding one to correct, a place of the walk to write one for, or null */
export function FindingForm({ finding: given, onClose }: { finding: Finding | string | null; onClose: () => void }) {
  const it = useFindingForm(given, onClose);
  const { traits, finding, causes, walk, form, add, change, send, errors } = it;
  return (
    <Panel title={finding ? 'Correct a finding' : 'A finding'}>
      <form className="grid gap-4 lg:grid-cols-2" noValidate onSubmit={(e) => void form.handleSubmit(send)(e)}>
        <TextField
          label={LABELS.place}
          list="places"
          placeholder="back plate, second wheel"
          error={errors.place?.message}
          {...form.register('place')}
        />
        <datalist id="places">
          {walk.map((p) => (
            <option key={p.place} value={p.place} />
          ))}
        </datalist>
        <SelectField label={LABELS.effect} {...form.register('effect')}>
          {EFFECTS.map((x) => (
            <option key={x}>{x}</option>
          ))}
        </SelectField>
        <SeenField it={it} />
        <div className="lg:col-span-2">
          <Controller
            control={form.control}
            name="severity"
            render={({ field }) => (
              <Choice
                label="How bad: what it does to the clock or to somebody"
                value={field.value}
                onChange={field.onChange}
                options={SEVERITIES.map((s) => [s, s] as const)}
              />
            )}
          />
        </div>
        <div className="grid grid-cols-[minmax(0,1fr)_7rem] gap-4 lg:col-span-2">
          <TextField label={LABELS.proposal} error={errors.proposal?.message} {...form.register('proposal')} />
          <TextField
            label={LABELS.hours}
            inputMode="decimal"
            error={errors.hours?.message}
            {...form.register('hours', {
              setValueAs: (v: string | number | null) =>
                v === '' || v === null ? null : Number(String(v).replace(',', '.')),
            })}
          />
        </div>
        <FollowsFrom it={it} />
        <SelectField
          className="lg:col-span-2"
          label={LABELS.cause}
          hint="A cause that this finding confirms: it counts in the diagnosis of later clocks."
          {...form.register('cause')}
        >
          <option value="">no cause of the table</option>
          {instancesFor(traits, causes).map((i) => (
            <option key={i.id} value={i.id}>
              {i.name}
            </option>
          ))}
        </SelectField>
        <div className="flex flex-wrap gap-x-8 lg:col-span-2">
          <Tick label="An earlier repairer did this" {...form.register('earlierRepair')} />
          <Tick label="Do not disturb" {...form.register('doNotDisturb')} />
        </div>
        <FormFoot className="lg:col-span-2" busy={add.isPending || change.isPending} onClose={onClose}>
          {finding ? 'Save changes' : 'Record it'}
        </FormFoot>
      </form>
    </Panel>
  );
}

/** A finding that another brought about is not cured alone. */
function FollowsFrom({ it: { others, form, errors } }: { it: ReturnType<typeof useFindingForm> }) {
  if (others.length === 0) return null;
  return (
    <SelectField
      className="lg:col-span-2"
      label={LABELS.followsFrom}
      error={errors.followsFrom?.message}
      {...form.register('followsFrom', { setValueAs: (v: string | null) => v || null })}
    >
      <option value="">nothing else that was found</option>
      {others.map((f) => (
        <option key={f.id} value={f.id}>
          {f.place}: {f.seen}
        </option>
      ))}
    </SelectField>
  );
}

function SeenField({ it }: { it: ReturnType<typeof useFindingForm> }) {
  const { form, errors, area, take } = it;
  return (
    <div className="lg:col-span-2">
      <TextArea label={LABELS.seen} rows={2} error={errors.seen?.message} {...form.register('seen')} />
      {area && (
        <div className="mt-2 flex flex-wrap gap-1.5" role="group" aria-label="Words of the trade">
          {vocabulary(area).map((t) => (
            <button
              key={t.term}
              type="button"
              className="min-h-11 rounded-full border border-line px-3 hover:bg-steel-wash"
              onClick={() => take(t)}
            >
              {t.term}
            </button>
          ))}
        </div>
      )}
    </div>
  );
}

function useFindingForm(given: Finding | string | null, onClose: () => void) {
  const visit = useThisVisit();
  const { traits } = visit.movement;
  const finding = typeof given === 'object' ? given : null;
  const { causes } = useKnowledge();
  const walk = useMemo(() => walkOf(traits), [traits]);
  const form = useContractForm<Fields>(
    findingFields,
    finding ?? { ...EMPTY, place: typeof given === 'string' ? given : '' },
    `finding.${visit.id}.` +
      (finding
        ? `${finding.id}.${finding.version}`
        : `new${typeof given === 'string' && given !== '' ? `.${given}` : ''}`),
  );
  const finish = () => {
    form.forget();
    form.reset(EMPTY);
    onClose();
  };
  const add = useCommand(api.assessment.addFinding, { what: 'Finding', onSent: finish });
  const change = useCommand(api.assessment.changeFinding, { what: 'Finding', labels: LABELS, onSent: finish });
  const params = { visitId: visit.id };
  const send = (fields: Fields) => {
    const body = writtenOf(fields);
    if (!finding) return add.mutate({ params, body });
    // Only what was changed here is sent: two people may correct two fields of one finding.
    const changed = Object.fromEntries(Object.entries(body).filter(([k, v]) => v !== finding[k as keyof Finding]));
    change.mutate({ params: { ...params, findingId: finding.id }, body: { ...changed, version: finding.version } });
  };
  const { errors } = form.formState;
  const others = visit.findings.filter(
    (f) => f.id !== finding?.id && !isCircle(finding?.id ?? '', f.id, visit.findings),
  );
  const area = walk.find((p) => p.place === form.watch('place'))?.area;
  const seen = form.watch('seen');
  /** A word of the trade says how bad it usually is; the person may say otherwise. */
  const take = (t: ReturnType<typeof vocabulary>[number]) => {
    form.setValue('seen', seen ? `${seen.replace(/[.,;\s]*$/, '')}, ${t.term}` : sentence(t.term), {
      shouldDirty: true,
    });
    if (seen) return;
    form.setValue('severity', t.severity);
    form.setValue('effect', t.effect);
    if (t.earlier) form.setValue('earlierRepair', true);
  };
  return { traits, finding, causes, walk, form, add, change, send, errors, area, take, others };
}
