import { api } from '../../data/api.ts';
import {
  fillPast,
  keptDry,
  likelyMaterials,
  LOOK_EVERY_MIN,
  MATERIALS,
  planRun,
  planSequence,
  sequenceById,
  sequencesFor,
  stepsOf,
  usualParts,
  type BasketPart,
  type Bath,
  type Material,
  type SequenceId,
} from '@eclat/core/cleaning';
import type { Traits } from '@eclat/core/movement';
import { bathMinutes, held, type Choices, type SchoolId } from '@eclat/core/rules';
import { Ban, Plus } from 'lucide-react';
import { useState, type ReactNode } from 'react';
import { useBaths } from '../../data/queries.ts';
import { useCommand } from '../../data/useCommand.ts';
import { say } from '../../data/app-state.ts';
import { Panel } from '../../ui/Answer.tsx';
import { Button } from '../../ui/Button.tsx';
import { Choice } from '../../ui/Choice.tsx';
import { SelectField, TextField } from '../../ui/Field.tsx';
import { useNow } from '../../ui/useNow.ts';
import { useThisVisit } from '../visit/useThisVisit.ts';
import { Warned } from './RunGoing.tsx';

/** The bath of the house rule, as the tables call it. */
const RULE_BATHS: Record<SchoolId<'bath'>, Bath> = {
  ammoniated: 'ammoniated water',
  detergent: 'detergent',
  solvent: 'petroleum solvent',
};

/** Parts, bath, sequence, and what the strictest material allows: worked out as it is pressed. */
export function PlanRun({ light = false, aside }: { light?: boolean; aside?: ReactNode }) {
  const run = usePlan(light);
  const { sequences, bathFor, sequence, setSequence, bath, setBath, setFillId, may, dips, parts, steps, dry } = run;
  return (
    <Panel title="Plan a run" aside={aside}>
      <div className="flex flex-col gap-5">
        <Choice
          label="Sequence"
          value={sequence}
          onChange={(id) => {
            setSequence(id);
            setBath(bathFor(id));
            setFillId(undefined);
          }}
          options={sequences.map((s) => [s.id, s.name] as const)}
        />
        {may.length > 1 && (
          <Choice
            label="Bath"
            value={bath ?? ''}
            onChange={(b) => {
              setBath(b);
              setFillId(undefined);
            }}
            options={may.map((b) => [b, b] as const)}
          />
        )}
        {dips && <Basket run={run} />}
        {parts.length > 0 && dips && <Allowed run={run} />}
        {dry.length > 0 && <KeptDry run={run} />}
        <StepsPlanned run={run} />
        {steps[0]?.caution && <Warned text={steps[0].caution} before={steps[0].what} />}
        <BeginForm run={run} />
      </div>
    </Panel>
  );
}

function Basket({ run }: { run: ReturnType<typeof usePlan> }) {
  const { bath, offered, setOffered, chosen, setChosen, toggle } = run;
  return (
    <div>
      <span className="font-semibold">In the basket</span>
      <ul className="mt-1 flex flex-wrap gap-2">
        {offered.map((p) => (
          <PartButton key={p.name} part={p} on={chosen.includes(p.name)} bath={bath!} onPress={() => toggle(p.name)} />
        ))}
      </ul>
      <AnotherPart
        onAdd={(p) => {
          setOffered((o) => [...o.filter((x) => x.name !== p.name), p]);
          setChosen((c) => [...c, p.name]);
        }}
      />
    </div>
  );
}

function Allowed({ run }: { run: ReturnType<typeof usePlan> }) {
  const { plan } = run;
  return (
    <div
      aria-live="polite"
      className={`rounded-lg border-2 px-4 py-3 ${plan.forbidden.length > 0 ? 'border-danger bg-danger-wash' : 'border-good bg-good-wash'}`}
    >
      {plan.forbidden.length > 0 ? (
        <>
          <p className="text-xl font-bold text-danger">Must come out of the basket</p>
          <ul>
            {plan.forbidden.map((f) => (
              <li key={f.part + f.material} className="flex items-start gap-2">
                <Ban className="mt-1 size-4 shrink-0 text-danger" aria-hidden />
                <span>
                  <b>{f.part}</b> ({f.material}): {f.reason}
                </span>
              </li>
            ))}
          </ul>
        </>
      ) : (
        <p className="text-xl font-bold text-good">
          {plan.limitMin === null ? 'No part sets a limit' : `At most ${plan.limitMin} minutes`}
          {plan.limitedBy && (
            <span className="block text-base font-normal text-ink">
              {plan.limitedBy.part}: {plan.limitedBy.material}. Look every {LOOK_EVERY_MIN} minutes.
            </span>
          )}
        </p>
      )}
    </div>
  );
}

function KeptDry({ run }: { run: ReturnType<typeof usePlan> }) {
  const { setChosen, dry } = run;
  return (
    <p className="rounded-lg border-2 border-brass bg-brass-wash px-4 py-3">
      <b className="block text-xl">Steel stays out of the water, by house rule</b>
      {dry.map((p) => p.name).join(', ')}.{' '}
      <Button
        variant="plain"
        className="mt-2"
        onClick={() => setChosen((c) => c.filter((n) => !dry.some((p) => p.name === n)))}
      >
        Take out
      </Button>
    </p>
  );
}

function StepsPlanned({ run }: { run: ReturnType<typeof usePlan> }) {
  const { steps } = run;
  return (
    <details className="rounded-lg border border-line px-4 py-2">
      <summary className="min-h-11 cursor-pointer py-2 font-semibold">
        {steps.length} steps: {steps.map((s) => s.what).join(' → ')}
      </summary>
      <ol className="flex list-decimal flex-col gap-1 py-2 pl-6">
        {steps.map((s, i) => (
          <li key={i}>
            <b>{s.what}</b>
            {s.minutes !== null && `, ${s.minutes} min`}
            {s.caution && <span className="block text-sm text-soft">{s.caution}</span>}
          </li>
        ))}
      </ol>
    </details>
  );
}

function BeginForm({ run }: { run: ReturnType<typeof usePlan> }) {
  const {
    visit,
    sequence,
    bath,
    before,
    setBefore,
    reason,
    setReason,
    start,
    dips,
    parts,
    wanted,
    whole,
    stopped,
    fills,
    fill,
  } = run;
  return (
    <form
      className="flex flex-wrap items-start gap-3"
      onSubmit={(e) => {
        e.preventDefault();
        start.mutate({
          params: { visitId: visit.id },
          body: {
            sequence,
            bath,
            parts: dips ? parts.map((p) => ({ name: p.name, materials: [...p.materials] })) : [],
            minutes: wanted,
            overrideReason: stopped ? reason : '',
            fillId: fill?.id ?? null,
            before,
          },
        });
      }}
    >
      {dips && <MinutesField run={run} />}
      {fills.length > 0 && <WhichBath run={run} />}
      <TextField
        className="min-w-56 flex-1"
        label="What it looks like before"
        placeholder="brown, black oil in the sinks"
        value={before}
        onChange={(e) => setBefore(e.target.value)}
      />
      {stopped && parts.length > 0 && (
        <TextField
          className="min-w-64 flex-1 basis-full"
          label="Override, with a reason that is kept"
          value={reason}
          onChange={(e) => setReason(e.target.value)}
        />
      )}
      <Button
        type="submit"
        variant={stopped && reason.trim() ? 'danger' : 'main'}
        className="mt-7 px-8 text-lg"
        disabled={(dips && parts.length === 0) || !whole || (stopped && reason.trim() === '')}
        busy={start.isPending}
      >
        Begin the run
      </Button>
    </form>
  );
}

function MinutesField({ run: { minutes, setMinutes, wanted, whole, plan } }: { run: ReturnType<typeof usePlan> }) {
  const tooLong = plan.tooLong ? `At most ${plan.limitMin}.` : undefined;
  return (
    <TextField
      className="w-36"
      label="Minutes"
      inputMode="numeric"
      value={minutes}
      placeholder={String(wanted)}
      onChange={(e) => setMinutes(e.target.value)}
      error={whole ? tooLong : 'A whole number of minutes, up to a day.'}
    />
  );
}

function WhichBath({ run: { fills, fill, setFillId, past } }: { run: ReturnType<typeof usePlan> }) {
  return (
    <SelectField
      className="w-72"
      label="Which bath"
      value={fill?.id ?? ''}
      onChange={(e) => setFillId(e.target.value || null)}
      hint={past ? <b className="text-brass">Past its rule: {past}</b> : undefined}
    >
      {fills.map((f) => (
        <option key={f.id} value={f.id}>
          {f.name}, {f.bath}
        </option>
      ))}
      <option value="">not in the book</option>
    </SelectField>
  );
}

/** The sequence that is offered first: the light one, in place where the rule is to dip, or one with the ruled bath. */
function firstSequence(sequences: ReturnType<typeof sequencesFor>, light: boolean, choices: Choices): SequenceId {
  if (light) return 'light';
  if (held('strip', choices).id === 'dip' && sequences.some((s) => s.id === 'in-place')) return 'in-place';
  const ruled = RULE_BATHS[held('bath', choices).id];
  return (sequences.find((s) => s.baths.includes(ruled) && s.id !== 'light') ?? sequences[0]!).id;
}

/** What a person chooses and types for a run. */
function usePlanned(light: boolean) {
  const visit = useThisVisit();
  const { traits } = visit.movement;
  const sequences = sequencesFor(traits);
  const ruled = RULE_BATHS[held('bath', visit.rules.held).id];
  const bathFor = (id: SequenceId): Bath | null => {
    const { baths } = sequenceById(id);
    return baths.includes(ruled) ? ruled : (baths[0] ?? null);
  };
  const [sequence, setSequence] = useState(() => firstSequence(sequences, light, visit.rules.held));
  const [bath, setBath] = useState<Bath | null>(() => bathFor(sequence));
  const [offered, setOffered] = useState(() => offeredParts(traits, visit.strip.steps));
  const [chosen, setChosen] = useState<string[]>([]);
  const [minutes, setMinutes] = useState('');
  const [before, setBefore] = useState('');
  const [fillId, setFillId] = useState<string | null | undefined>(undefined);
  const [reason, setReason] = useState('');
  const toggle = (name: string) => setChosen((c) => (c.includes(name) ? c.filter((x) => x !== name) : [...c, name]));
  return {
    sequences,
    bathFor,
    sequence,
    setSequence,
    bath,
    setBath,
    offered,
    setOffered,
    chosen,
    setChosen,
    toggle,
    minutes,
    setMinutes,
    before,
    setBefore,
    fillId,
    setFillId,
    reason,
    setReason,
  };
}

/** What was chosen, and what follows from it: steps, limits, what must come out, which tank. */
function usePlan(light: boolean) {
  const visit = useThisVisit();
  const now = useNow(60_000);
  const baths = useBaths();
  const planned = usePlanned(light);
  const { sequence, bath, offered, chosen, minutes, fillId } = planned;
  const start = useCommand(api.cleaning.start, {
    what: 'Run',
    onSent: () => {
      planned.setChosen([]);
      planned.setReason('');
      planned.setBefore('');
    },
    onDone: () => say('The run has begun.'),
  });
  const { baths: may, usual } = sequenceById(sequence);
  const dips = may.length > 0;
  const parts = offered.filter((p) => chosen.includes(p.name));
  const ruledMinutes = usual ?? bathMinutes(visit.rules.held);
  const limit = bath === null ? null : planRun(parts, bath).limitMin;
  const wanted = minutes.trim() === '' ? Math.min(ruledMinutes, limit ?? ruledMinutes) : Number(minutes);
  const whole = Number.isInteger(wanted) && wanted >= 1 && wanted <= 1440;
  const steps = stepsOf(sequence, { bath, minutes: whole ? wanted : 1, parts, choices: visit.rules.held });
  const plan = planSequence(steps, parts);
  const dry = keptDry(
    parts,
    steps.flatMap((s) => (s.bath ? [s.bath] : [])),
    visit.rules.held,
  );
  const stopped = plan.forbidden.length > 0 || plan.tooLong !== null;
  const fills = baths.data?.filter((f) => f.changedAt === null && steps.some((s) => s.bath === f.bath)) ?? [];
  // Unless somebody says otherwise it goes into the tank that holds the main bath.
  const fill = fillId === undefined ? fills.find((f) => f.bath === bath) : fills.find((f) => f.id === fillId);
  const past = fill ? fillPast(fill, now) : null;
  return { ...planned, visit, start, may, dips, parts, wanted, whole, steps, plan, dry, stopped, fills, fill, past };
}

/** The usual parts of such a movement, and what the strip log says is off and can be read for its material. */
function offeredParts(traits: Traits, log: readonly { what: string; fate: string }[]): BasketPart[] {
  const usual = usualParts(traits);
  const named = log
    .filter((s) => s.fate === 'apart' && !usual.some((p) => p.name === s.what))
    .flatMap((s) => {
      const materials = likelyMaterials(s.what, traits);
      return materials ? [{ name: s.what, materials }] : [];
    });
  return [...usual, ...named.filter((p, i) => named.findIndex((q) => q.name === p.name) === i)];
}

function PartButton({ part, on, bath, onPress }: { part: BasketPart; on: boolean; bath: Bath; onPress: () => void }) {
  const barred = planRun([part], bath).forbidden.length > 0;
  const chosen = barred ? 'border-danger bg-danger text-danger-ink' : 'border-steel bg-steel text-steel-ink';
  return (
    <li>
      <button
        type="button"
        aria-pressed={on}
        onClick={onPress}
        className={`min-h-12 rounded-lg border-2 px-4 py-1 text-left ${on ? chosen : 'border-line hover:bg-steel-wash'}`}
      >
        <span className="flex items-center gap-2 font-semibold">
          {barred && <Ban className="size-4" aria-label="not in this bath" />}
          {part.name}
        </span>
        <span className="block text-sm opacity-85">{part.materials.join(', ')}</span>
      </button>
    </li>
  );
}

function AnotherPart({ onAdd }: { onAdd: (part: BasketPart) => void }) {
  const [open, setOpen] = useState(false);
  const [name, setName] = useState('');
  const [material, setMaterial] = useState<Material>('bare brass');
  if (!open)
    return (
      <Button variant="plain" className="mt-2" onClick={() => setOpen(true)}>
        <Plus className="size-5" aria-hidden />
        Another part
      </Button>
    );
  return (
    <div className="mt-3 flex flex-wrap items-end gap-3">
      <TextField className="w-56" label="Part" value={name} onChange={(e) => setName(e.target.value)} />
      <SelectField
        className="w-64"
        label="Made of"
        value={material}
        onChange={(e) => setMaterial(e.target.value as Material)}
      >
        {MATERIALS.map((m) => (
          <option key={m}>{m}</option>
        ))}
      </SelectField>
      <Button
        disabled={name.trim() === ''}
        onClick={() => {
          onAdd({ name: name.trim(), materials: [material] });
          setName('');
          setOpen(false);
        }}
      >
        Put it in
      </Button>
    </div>
  );
}
