import { BeginForm } from './BeginForm.tsx';
import { Basket } from './Basket.tsx';
import { usePlan } from './usePlan.ts';
import { isWhole, LOOK_EVERY_MIN } from '@eclat/core/cleaning';
import { Ban } from 'lucide-react';
import type { ReactNode } from 'react';
import { Panel } from '../../ui/Answer.tsx';
import { Button } from '../../ui/Button.tsx';
import { Choice } from '../../ui/Choice.tsx';
import { UnderPower } from '../power-down/UnderPower.tsx';
import { Warned } from './RunGoing.tsx';

/** Parts, bath, sequence, and what the strictest material allows: worked out as it is pressed. */
export function PlanRun({ light = false, aside }: { light?: boolean; aside?: ReactNode }) {
  const run = usePlan(light);
  const {
    sequences,
    bathFor,
    sequence,
    setSequence,
    bath,
    setBath,
    setFillId,
    may,
    dips,
    picks,
    parts,
    opens,
    steps,
    dry,
  } = run;
  return (
    <Panel title={run.warming ? `Into the warm bath: ${run.warming.name}` : 'Plan a run'} aside={aside}>
      <div className="flex flex-col gap-5">
        {!run.warming && (
          <Choice
            label="Sequence"
            value={sequence}
            onChange={(id) => {
              setSequence(id);
              setBath(bathFor(id));
              setFillId(undefined);
              // Nothing apart: it is the movement that goes in.
              if (id === 'whole') run.setChosen(run.offered.flatMap((p) => (isWhole(p.name) ? [p.name] : [])));
              else if (sequence === 'whole') run.setChosen([]);
            }}
            options={sequences.map((s) => [s.id, s.name] as const)}
          />
        )}
        {may.length > 1 && !run.warming && (
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
        {picks && <Basket run={run} />}
        {parts.length > 0 && picks && <Allowed run={run} />}
        {dry.length > 0 && <KeptDry run={run} />}
        <StepsPlanned run={run} />
        {steps[0]?.caution && <Warned text={steps[0].caution} before={steps[0].what} />}
        {dips && <UnderPower opens={opens} />}
        <BeginForm run={run} />
      </div>
    </Panel>
  );
}

function Allowed({ run }: { run: ReturnType<typeof usePlan> }) {
  const { plan, wipes } = run;
  return (
    <div
      aria-live="polite"
      className={
        'rounded-lg border-2 px-4 py-3 ' +
        (plan.forbidden.length > 0 ? 'border-danger bg-danger-wash' : 'border-good bg-good-wash')
      }
    >
      {plan.forbidden.length > 0 ? (
        <>
          <p className="text-xl font-bold text-danger">{wipes ? 'Not to be wiped' : 'Must come out of the basket'}</p>
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
          {limitWords(plan.limitMin, wipes)}
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
