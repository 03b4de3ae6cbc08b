import { api } from '../api/doors.ts';
import { BATHS, LOOK_EVERY_MIN, MATERIALS, planRun, usualParts, type BasketPart, type Bath, type Material } from '@eclat/core/cleaning';
import { bathMinutes, held } from '@eclat/core/rules';
import { Ban, Plus } from 'lucide-react';
import { useState } from 'react';
import { useCommand } from '../api/useCommand.ts';
import { say } from '../store.ts';
import { Panel } from '../ui/Answer.tsx';
import { Button } from '../ui/Button.tsx';
import { Choice } from '../ui/Choice.tsx';
import { SelectField, TextField } from '../ui/Field.tsx';
import { useThisVisit } from '../visit/thisVisit.ts';

/** The bath of the house rule, as the tables call it. */
const RULE_BATHS: Record<string, Bath> = { ammoniated: 'ammoniated water', detergent: 'detergent', solvent: 'petroleum solvent' };

/** Parts, bath, and what the strictest material allows: worked out as it is pressed. */
export function PlanRun() {
  const visit = useThisVisit();
  const [offered, setOffered] = useState(() => usualParts(visit.movement.traits));
  const [chosen, setChosen] = useState<string[]>([]);
  const [bath, setBath] = useState<Bath>(RULE_BATHS[held('bath', visit.rules.held).id]!);
  const [minutes, setMinutes] = useState('');
  const [reason, setReason] = useState('');
  const start = useCommand(api.cleaning.start, { what: 'Bath', onSent: () => { setChosen([]); setReason(''); }, onDone: () => say('The timer runs.') });

  const parts = offered.filter((p) => chosen.includes(p.name));
  const plan = planRun(parts, bath);
  const planned = bathMinutes(visit.rules.held);
  const wanted = minutes.trim() === '' ? Math.min(planned, plan.limitMin ?? planned) : Number(minutes);
  const whole = Number.isInteger(wanted) && wanted >= 1 && wanted <= 1440;
  const tooLong = plan.limitMin !== null && wanted > plan.limitMin;
  const stopped = plan.forbidden.length > 0 || tooLong;
  const toggle = (name: string) => setChosen((c) => (c.includes(name) ? c.filter((x) => x !== name) : [...c, name]));
  return (
    <Panel title="Plan a run">
      <div className="flex flex-col gap-5">
        <Choice label="Bath" value={bath} onChange={setBath} options={BATHS.map((b) => [b, b] as const)} />
        <div>
          <span className="font-semibold">In the basket</span>
          <ul className="mt-1 flex flex-wrap gap-2">
            {offered.map((p) => <PartButton key={p.name} part={p} on={chosen.includes(p.name)} bath={bath} onPress={() => toggle(p.name)} />)}
          </ul>
          <AnotherPart onAdd={(p) => { setOffered((o) => [...o.filter((x) => x.name !== p.name), p]); setChosen((c) => [...c, p.name]); }} />
        </div>
        {parts.length > 0 && (
          <div aria-live="polite" className={`rounded-lg border-2 px-4 py-3 ${plan.forbidden.length > 0 ? 'border-danger bg-danger-wash' : 'border-good bg-good-wash'}`}>
            {plan.forbidden.length > 0 ? (
              <>
                <p className="text-xl font-bold text-danger">Must come out of the basket</p>
                <ul>{plan.forbidden.map((f) => <li key={f.part + f.material} className="flex items-start gap-2"><Ban className="mt-1 size-4 shrink-0 text-danger" aria-hidden /><span><b>{f.part}</b> ({f.material}): {f.reason}</span></li>)}</ul>
              </>
            ) : (
              <p className="text-xl font-bold text-good">{plan.limitMin === null ? 'No part sets a limit' : `At most ${plan.limitMin} minutes`}
                {plan.limitedBy && <span className="block text-base font-normal text-ink">{plan.limitedBy.part}: {plan.limitedBy.material}. Look every {LOOK_EVERY_MIN} minutes.</span>}</p>
            )}
          </div>
        )}
        <form className="flex flex-wrap items-start gap-3" onSubmit={(e) => {
          e.preventDefault();
          start.mutate({ params: { visitId: visit.id }, body: { bath, parts: parts.map((p) => ({ name: p.name, materials: [...p.materials] })), minutes: wanted, overrideReason: stopped ? reason : '' } });
        }}>
          <TextField className="w-40" label="Minutes" inputMode="numeric" value={minutes} placeholder={String(wanted)} onChange={(e) => setMinutes(e.target.value)}
            error={!whole ? 'A whole number of minutes, up to a day.' : tooLong ? `At most ${plan.limitMin}.` : undefined} />
          {stopped && parts.length > 0 && <TextField className="min-w-64 flex-1" label="Override, with a reason that is kept" value={reason} onChange={(e) => setReason(e.target.value)} />}
          <Button type="submit" look={stopped && reason.trim() ? 'danger' : 'main'} className="mt-7 px-8 text-lg" disabled={parts.length === 0 || !whole || (stopped && reason.trim() === '')} busy={start.isPending}>Start the timer</Button>
        </form>
      </div>
    </Panel>
  );
}

function PartButton({ part, on, bath, onPress }: { part: BasketPart; on: boolean; bath: Bath; onPress: () => void }) {
  const barred = planRun([part], bath).forbidden.length > 0;
  return (
    <li>
      <button type="button" aria-pressed={on} onClick={onPress} className={`min-h-12 rounded-lg border-2 px-4 py-1 text-left ${on ? (barred ? 'border-danger bg-danger text-danger-ink' : 'border-steel bg-steel text-steel-ink') : 'border-line hover:bg-steel-wash'}`}>
        <span className="flex items-center gap-2 font-semibold">{barred && <Ban className="size-4" aria-label="not in this bath" />}{part.name}</span>
        <span className="block text-sm opacity-85">{part.materials.join(', ')}</span>
      </button>
    </li>
  );
}

function AnotherPart({ onAdd }: { onAdd: (part: BasketPart) => void }) {
  const [open, setOpen] = useState(false);
  const [name, setName] = useState('');
  const [material, setMaterial] = useState<Material>('bare brass');
  if (!open) return <Button look="plain" className="mt-2" onClick={() => setOpen(true)}><Plus className="size-5" aria-hidden />Another part</Button>;
  return (
    <div className="mt-3 flex flex-wrap items-end gap-3">
      <TextField className="w-56" label="Part" value={name} onChange={(e) => setName(e.target.value)} />
      <SelectField className="w-64" label="Made of" value={material} onChange={(e) => setMaterial(e.target.value as Material)}>{MATERIALS.map((m) => <option key={m}>{m}</option>)}</SelectField>
      <Button disabled={name.trim() === ''} onClick={() => { onAdd({ name: name.trim(), materials: [material] }); setName(''); setOpen(false); }}>Put it in</Button>
    </div>
  );
}
