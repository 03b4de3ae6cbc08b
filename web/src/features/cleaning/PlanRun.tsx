import { BeginForm, MinutesField, WhichBath } from './BeginForm.tsx';
import { Basket } from './Basket.tsx';
import { usePlan } from './usePlan.ts';
import { isWhole, LOOK_EVERY_MIN } from '@eclat/core/cleaning';
import { Ban } from 'lucide-react';
import type { ReactNode } from 'react';
import { Panel } from '../../ui/Answer.tsx';
import { Button } from '../../ui/Button.tsx';
import { SelectField } from '../../ui/Field.tsx';
import { UnderPower } from '../power-down/UnderPower.tsx';
import { Warned } from '../../ui/Warned.tsx';

/** Parts, bath, sequence, and what the strictest material allows: worked out as it is pressed. */
export function PlanRun({ light = false, aside }: { light?: boolean; aside?: ReactNode }) {
  const run = usePlan(light);
  const { dips, picks, parts, opens, steps, dry } = run;
  const careful = steps.find((s) => s.caution !== '');
  return (
    <Panel title={run.warming ? `Into the warm bath: ${run.warming.name}` : 'Plan a run'} aside={aside}>
      <div className="flex flex-col gap-3">
        {!run.warming && <HowItRuns run={run} />}
        {picks && <Limit run={run} />}
        {picks && <Basket run={run} />}
        {parts.length > 0 && picks && <MustComeOut run={run} />}
        {dry.length > 0 && <KeptDry run={run} />}
        {careful && <Warned text={careful.caution} before={careful.what} />}
        {dips && <UnderPower opens={opens} />}
        <BeginForm run={run} />
        <StepsPlanned run={run} />
      </div>
    </Panel>
  );
}

/** Which sequence, in which tank, how long. */
function HowItRuns({ run }: { run: ReturnType<typeof usePlan> }) {
  const { sequences, bathFor, sequence, setSequence, setBath, setFillId, dips, tubs } = run;
  const choose = (id: string) => {
    setSequence(id);
    setBath(bathFor(id));
    setFillId(undefined);
    // Nothing apart: it is the movement that goes in.
    if (id === 'whole') run.setChosen(run.offered.flatMap((p) => (isWhole(p.name) ? [p.name] : [])));
    else if (sequence === 'whole') run.setChosen([]);
  };
  return (
    <div className="flex flex-wrap gap-3">
      <SelectField
        className="basis-full sm:min-w-64 sm:flex-1"
        label="Sequence"
        value={sequence}
        onChange={(e) => choose(e.target.value)}
      >
        {sequences.map((s) => (
          <option key={s.id} value={s.id}>
            {s.name}
          </option>
        ))}
      </SelectField>
      {tubs.length > 1 && <WhichBath run={run} />}
      {dips && !run.own && <MinutesField run={run} />}
    </div>
  );
}

/** The one figure of the plan: how long the strictest part stands it. Its place is the same whatever is chosen. */
function Limit({ run }: { run: ReturnType<typeof usePlan> }) {
  const { plan, wipes, parts } = run;
  const bad = plan.forbidden.length > 0;
  if (parts.length === 0) return <p className="min-h-7 text-lg font-semibold text-soft">{nothingYet(wipes)}</p>;
  return (
    <p aria-live="polite" className={`min-h-7 text-lg leading-7 ${bad ? 'text-danger' : 'text-good'}`}>
      <b>{bad ? barredWords(wipes) : limitWords(plan.limitMin, wipes)}</b>
      {!bad && plan.limitedBy && (
        <span className="text-base text-ink max-sm:hidden">
          {' '}
          {plan.limitedBy.part}: {plan.limitedBy.material}. Look every {LOOK_EVERY_MIN} minutes.
        </span>
      )}
    </p>
  );
}

const nothingYet = (wipes: boolean): string => (wipes ? 'Choose what is wiped.' : 'Choose what goes in.');
const barredWords = (wipes: boolean): string => (wipes ? 'Not to be wiped' : 'Must come out of the basket');

function MustComeOut({ run }: { run: ReturnType<typeof usePlan> }) {
  const { plan, wipes } = run;
  if (plan.forbidden.length === 0) return null;
  return (
    <ul aria-label={barredWords(wipes)} className="rounded-lg border-2 border-danger bg-danger-wash px-4 py-3">
      {plan.forbidden.map((f) => (
        <li key={f.part + f.material} className="flex items-start gap-2">
          <Ban className="mt-1 size-4 shrink-0 text-danger" aria-hidden />
          <span>
            <b>{f.part}</b> ({f.material}): {f.reason}
          </span>
        </li>
      ))}
    </ul>
  );
}

function limitWords(limitMin: number | null, wipes: boolean): string {
  if (wipes) return 'May be wiped';
  return limitMin === null ? 'No part sets a limit' : `At most ${limitMin} minutes`;
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
