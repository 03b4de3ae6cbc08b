import { Fold } from '../../ui/Fold.tsx';
import type { BenchEntry, BenchTest } from '@eclat/contract';
import { isOf, sayMains, type TableTest } from '@eclat/core/benches';
import { drivenBy, isMains, onMains } from '@eclat/core/movement';
import { counted } from '@eclat/core/units';
import { judgeCoil, judgeSteps, lastSitting, type Step } from '@eclat/core/electric';
import { Answer } from '../../ui/Answer.tsx';
import { Cautions } from '../visit/Cautions.tsx';
import { useThisVisit } from '../visit/useThisVisit.ts';
import { CoilForm, ContactForm, SuppressionForm } from './ElectricForms.tsx';
import { Entries } from './Entries.tsx';
import { WhatItSays } from './Saids.tsx';
import { StepTest } from './StepTest.tsx';
import { TableBench } from './TableBench.tsx';

type Of<K extends BenchTest['kind']> = BenchEntry & { test: Extract<BenchTest, { kind: K }> };
const those = <K extends BenchTest['kind']>(all: readonly BenchEntry[], kind: K): Of<K>[] =>
  all.filter((e): e is Of<K> => e.test.kind === kind);

/** Coil, voltage stepped up from low, contacts, suppression: what was measured and what it says. */
export function ElectricScreen() {
  const visit = useThisVisit();
  const own = visit.benchTests.filter((e) => e.of === 'visit');
  const coils = those(own, 'coil');
  const steps = those(own, 'step');
  const contacts = those(own, 'contact');
  const suppression = those(own, 'suppression');
  const supplyV = steps.at(-1)?.test.supplyV;
  const sitting = lastSitting(steps.map((s) => ({ ...s.test, at: s.at })));
  // A mains motor takes its own voltage and no other; nothing switches it, so nothing is suppressed.
  const mains = drivenBy(visit.movement.traits, isMains);
  const mainsTests = own.map((e) => e.test).filter(isOf('mains'));
  const wrong = sayMains(mainsTests).find((x) => x.good === false);
  return (
    <>
      {wrong ? (
        <Answer tone="due" title={`${wrong.what}: ${wrong.says}`} />
      ) : (
        <ElectricAnswer coils={coils} supplyV={supplyV} steps={sitting} mains={mains} />
      )}
      <Cautions stage="run" />
      {onMains(visit.movement.traits) && <Mains tests={mainsTests} />}
      <Fold title="Coils" says={coils.length > 0 && coils.length} open={coils.length === 0}>
        <Entries entries={coils} what="Coil" />
        {!visit.closedAt && <CoilForm />}
      </Fold>
      {(!mains || steps.length > 0) && (
        <Fold title="Step test" says={steps.length > 0 && counted(steps.length, 'voltage')} open={coils.length > 0}>
          <StepTest steps={steps} ohms={coils.at(-1)?.test.ohms ?? null} supplyV={supplyV ?? null} />
          {sitting.length < steps.length && (
            <p className="text-soft">
              Judged by the last sitting alone: {counted(sitting.length, 'voltage')} of {steps.length}.
            </p>
          )}
          <Entries entries={steps} what="Voltage" />
        </Fold>
      )}
      {(!mains || contacts.length > 0) && (
        <Fold title="Contacts and windings" says={contacts.length > 0 && contacts.length}>
          <Entries entries={contacts} what="Contact" />
          {!visit.closedAt && <ContactForm />}
        </Fold>
      )}
      {(!mains || suppression.length > 0) && (
        <Fold title="Suppression" says={suppression.length > 0 && suppression.length}>
          <Entries entries={suppression} what="Suppression" />
          {!visit.closedAt && <SuppressionForm volts={supplyV ?? null} ohms={coils.at(-1)?.test.ohms ?? null} />}
        </Fold>
      )}
    </>
  );
}

/** Cord, insulation, motor and its signs. */
function Mains({ tests }: { tests: readonly TableTest[] }) {
  const said = sayMains(tests);
  return (
    <>
      <WhatItSays said={said} />
      <TableBench bench="mains" name="Electric bench" />
    </>
  );
}

function ElectricAnswer({
  coils,
  supplyV,
  steps,
  mains,
}: {
  coils: Of<'coil'>[];
  supplyV: number | undefined;
  steps: readonly Step[];
  mains: boolean;
}) {
  const bad = coils
    .map((c) => judgeCoil(c.test.ohms, c.test.expectedOhms, c.test.atC))
    .find((j) => j.verdict !== 'right' && j.verdict !== 'not known');
  const judged = supplyV ? judgeSteps(steps, supplyV) : null;
  if (bad)
    return (
      <Answer tone="danger" title={bad.words}>
        Find this out before you connect a supply.
      </Answer>
    );
  if (judged)
    return (
      <Answer
        tone={judged.margin === null || judged.margin < 1.25 ? 'due' : 'good'}
        title={judged.pullInV === null ? 'It does not step yet' : `It steps from ${judged.pullInV} V`}
      >
        {judged.words}
      </Answer>
    );
  if (coils.length === 0) return <Answer tone="info" title="The coil’s resistance first, with one end free" />;
  return (
    <Answer
      tone="info"
      title={mains ? 'Only its own voltage, live parts guarded' : 'Step the voltage up from low, the current limited'}
    />
  );
}
