import type { BenchEntry, BenchTest } from '@eclat/contract';
import { coilAt, GRADES_OF_STEP } from '@eclat/core/electric';
import { lazy, useRef, useState } from 'react';
import { api } from '../../data/api.ts';
import { useCommand } from '../../data/useCommand.ts';
import { Button } from '../../ui/Button.tsx';
import { useThisVisit } from '../visit/useThisVisit.ts';
import { NumberField, numberOf } from './NumberField.tsx';
import { Late } from '../../ui/Late.tsx';

const LineChart = lazy(() => import('../../ui/LineChart.tsx').then((m) => ({ default: m.LineChart })));
type Step = BenchEntry & { test: Extract<BenchTest, { kind: 'step' }> };

/** From low to high: volts, current, and one press for what happened. Each press goes on to the next voltage. */
export function StepTest({
  steps,
  ohms,
  supplyV,
}: {
  steps: readonly Step[];
  ohms: number | null;
  supplyV: number | null;
}) {
  const visit = useThisVisit();
  const [volts, setVolts] = useState('');
  const [milliamps, setMilliamps] = useState('');
  const [supply, setSupply] = useState(supplyV === null ? '' : String(supplyV));
  const first = useRef<HTMLDivElement>(null);
  const add = useCommand(api.benches.add, {
    what: 'Step test',
    onSent: () => {
      setVolts('');
      setMilliamps('');
      first.current?.querySelector('input')?.focus();
    },
  });
  const [v, i, s] = [numberOf(volts, 400), numberOf(milliamps, 20_000), numberOf(supply, 400)];
  const measured = steps.filter((x) => x.test.milliamps !== null);
  const expected = ohms && v ? coilAt(v, ohms).milliamps : null;
  return (
    <div className="mb-4 grid grid-cols-1 items-start gap-4 lg:grid-cols-[32rem_minmax(0,1fr)]">
      {!visit.closedAt && (
        <div className="flex flex-col gap-4">
          <div ref={first} className="grid grid-cols-3 gap-2 sm:gap-4">
            <NumberField label="Volts" most={400} value={volts} onChange={setVolts} />
            <NumberField
              label="Milliamps"
              most={20_000}
              value={milliamps}
              onChange={setMilliamps}
              hint={expected === null ? undefined : `The coil alone draws ${expected.toFixed(0)} mA.`}
            />
            <NumberField label="Supply, volts" most={400} value={supply} onChange={setSupply} />
          </div>
          <WhatHappened volts={v} supplyV={s} milliamps={milliamps} current={i} add={add} />
        </div>
      )}
      {measured.length > 0 && (
        <div className="min-w-0">
          <StepChart measured={measured} steps={steps} supplyV={supplyV} ohms={ohms} />
          <p className="mt-1 text-sm text-soft">
            Blue: it advances. Brass: it does not.{ohms !== null && ' The line is the coil as it was read.'}
          </p>
        </div>
      )}
    </div>
  );
}

function StepChart({
  measured,
  steps,
  supplyV,
  ohms,
}: {
  measured: Step[];
  steps: readonly Step[];
  supplyV: number | null;
  ohms: number | null;
}) {
  const points = (yes: boolean) =>
    measured.filter((x) => (x.test.did === 'advances') === yes).map((x) => ({ x: x.test.volts, y: x.test.milliamps! }));
  const most = Math.max(0, ...steps.map((x) => x.test.volts), supplyV ?? 0);
  return (
    <Late until={<div className="h-72" />}>
      <LineChart
        from0
        x="Volts"
        y="mA"
        says={`Current against voltage; it advances at ${
          points(true)
            .map((p) => `${p.x} V`)
            .join(', ') || 'none'
        }`}
        series={[
          ...(ohms
            ? [
                {
                  label: `${ohms} Ω`,
                  line: true,
                  points: [
                    { x: 0, y: 0 },
                    { x: most, y: coilAt(most, ohms).milliamps },
                  ],
                },
              ]
            : []),
          { label: 'advances', points: points(true), mark: 'steel' as const },
          { label: 'does not advance', points: points(false), mark: 'brass-fill' as const },
        ]}
      />
    </Late>
  );
}

function WhatHappened({
  volts: v,
  supplyV: s,
  milliamps,
  current: i,
  add,
}: {
  volts: number | null;
  supplyV: number | null;
  milliamps: string;
  current: number | null;
  add: ReturnType<typeof useCommand<typeof api.benches.add>>;
}) {
  const visit = useThisVisit();
  const ready = v !== null && s !== null && (milliamps.trim() === '' || i !== null);
  return (
    <div className="flex flex-wrap items-center gap-2" role="group" aria-label="What happened">
      <span className="font-semibold">What happened:</span>
      {GRADES_OF_STEP.map((did) => (
        <Button
          key={did}
          data-main
          disabled={!ready}
          busy={add.isPending}
          onClick={() => {
            if (ready)
              add.mutate({
                params: { visitId: visit.id },
                body: { test: { kind: 'step', volts: v, milliamps: i, did, supplyV: s } },
              });
          }}
        >
          {did}
        </Button>
      ))}
    </div>
  );
}
