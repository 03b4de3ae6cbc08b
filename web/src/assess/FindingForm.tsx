import { EFFECTS, findingFields, SEVERITIES, type Finding } from '@eclat/contract';
import { api } from '../api/doors.ts';
import { has } from '@eclat/core/movement';
import { zodResolver } from '@hookform/resolvers/zod';
import { Controller, useForm } from 'react-hook-form';
import type { z } from 'zod';
import { useCommand } from '../api/useCommand.ts';
import { useDraft } from '../api/useDraft.ts';
import { Panel } from '../ui/Answer.tsx';
import { Button } from '../ui/Button.tsx';
import { Choice } from '../ui/Choice.tsx';
import { SelectField, TextArea, TextField, Tick } from '../ui/Field.tsx';
import { useThisVisit } from '../visit/thisVisit.ts';

type Fields = z.input<typeof findingFields>;
const EMPTY: Fields = { place: '', seen: '', severity: 'harms it', effect: 'timekeeping', proposal: '', earlierRepair: false, doNotDisturb: false };
const LABELS = { place: 'Place', seen: 'What was seen', severity: 'How bad', effect: 'What it does', proposal: 'Proposal', earlierRepair: 'Earlier repair', doNotDisturb: 'Do not disturb' };

export function FindingForm({ finding, onClose }: { finding: Finding | null; onClose: () => void }) {
  const visit = useThisVisit();
  const form = useForm<Fields>({ resolver: zodResolver(findingFields) as never, defaultValues: finding ?? EMPTY });
  const draft = useDraft(form, `finding.${visit.id}.${finding ? `${finding.id}.${finding.version}` : 'new'}`);
  const finish = () => { draft.clear(); form.reset(EMPTY); onClose(); };
  const add = useCommand(api.findings.add, { what: 'Finding', onSent: finish });
  const change = useCommand(api.findings.change, { what: 'Finding', labels: LABELS, onSent: finish });
  const params = { visitId: visit.id };
  const send = ({ place, seen, severity, effect, proposal, earlierRepair, doNotDisturb }: Fields) => {
    const body = { place, seen, severity, effect, proposal, earlierRepair, doNotDisturb };
    if (!finding) return add.mutate({ params, body });
    // Only what was changed here is sent: two people may correct two fields of one finding.
    const changed = Object.fromEntries(Object.entries(body).filter(([k, v]) => v !== finding[k as keyof Finding]));
    change.mutate({ params: { ...params, findingId: finding.id }, body: { ...changed, version: finding.version } });
  };
  const { errors } = form.formState;
  return (
    <Panel title={finding ? 'Correct a finding' : 'A finding'}>
      <form className="grid gap-4 lg:grid-cols-2" noValidate onSubmit={(e) => void form.handleSubmit(send)(e)}>
        <TextField label={LABELS.place} list="places" placeholder="back plate, second wheel" error={errors.place?.message} {...form.register('place')} />
        <datalist id="places">{placesOf(visit.movement.traits).map((p) => <option key={p} value={p} />)}</datalist>
        <SelectField label={LABELS.effect} {...form.register('effect')}>{EFFECTS.map((x) => <option key={x}>{x}</option>)}</SelectField>
        <TextArea className="lg:col-span-2" label={LABELS.seen} rows={2} error={errors.seen?.message} {...form.register('seen')} />
        <div className="lg:col-span-2">
          <Controller control={form.control} name="severity" render={({ field }) => <Choice label="How bad: what it does to the clock or to somebody" value={field.value} onChange={field.onChange} options={SEVERITIES.map((s) => [s, s] as const)} />} />
        </div>
        <TextField className="lg:col-span-2" label={LABELS.proposal} error={errors.proposal?.message} {...form.register('proposal')} />
        <div className="flex flex-wrap gap-x-8 lg:col-span-2">
          <Tick label="An earlier repairer did this" {...form.register('earlierRepair')} />
          <Tick label="Do not disturb" {...form.register('doNotDisturb')} />
        </div>
        <div className="flex gap-3 lg:col-span-2">
          <Button type="submit" look="main" busy={add.isPending || change.isPending}>{finding ? 'Keep changes' : 'Record it'}</Button>
          <Button look="plain" onClick={onClose}>Close</Button>
        </div>
      </form>
    </Panel>
  );
}

/** Places in the order one walks the clock, from its traits. */
function placesOf(traits: Parameters<typeof has>[0]): string[] {
  return [
    'case', 'glass', 'dial', 'hands', 'movement outside', ...traits.trains.flatMap((t) => [`${t.train} power`, ...t.arbors.map((a) => `${t.train} train, ${a.name}`)]),
    ...(traits.escapement === 'none' ? [] : ['escapement']), ...(has(traits, 'suspension spring') ? ['suspension', 'crutch', 'pendulum'] : []),
    ...(traits.strike === 'none' ? [] : ['strike work', 'hammer and bell or gong']), ...(has(traits, 'coil') ? ['coil and contacts'] : []),
  ];
}
