import {
  benchWords,
  isOf,
  sayAlarm,
  sayBalance,
  sayOutputs,
  sayRecorder,
  sayStrikeSetUp,
  sayWeights,
  type TableBenchId,
  type TableTest,
} from '@eclat/core/benches';
import type { Traits } from '@eclat/core/movement';
import type { Said } from '@eclat/core/units';
import { Cable } from 'lucide-react';
import { Link } from 'react-router';
import { Answer } from '../../ui/Answer.tsx';
import { buttonClass } from '../../ui/Button.tsx';
import { Fold } from '../../ui/Fold.tsx';
import { useThisVisit } from '../visit/useThisVisit.ts';
import type { ReactNode } from 'react';
import { Saids, WhatItSays } from './Saids.tsx';
import { AtLock } from './AtLock.tsx';
import { TableBench, type Figure } from './TableBench.tsx';
import { TurnFigure } from './TurnFigure.tsx';

interface Bench {
  id: TableBenchId;
  name: string;
  /** What is done first, before anything was entered. */
  first: string;
  say: (traits: Traits, tests: readonly TableTest[]) => Said[];
  figure?: Figure;
  /** Drawn of all that was entered. */
  drawn?: (tests: readonly TableTest[]) => ReactNode;
  /** What belongs to it and stands elsewhere. */
  beside?: ReactNode;
}

/** A bench whose forms follow from its kinds: first what is wrong, then all it says, then each thing to look at. */
function BenchScreen({ id, name, first, say, figure, drawn, beside }: Bench) {
  const visit = useThisVisit();
  const tests = (whose: 'visit' | 'movement') =>
    visit.benchTests.flatMap(({ of, test }) => (of === whose && isOf(id)(test) ? [test] : []));
  const of = (whose: 'visit' | 'movement') => say(visit.movement.traits, tests(whose));
  const [said, earlier] = [of('visit'), of('movement')];
  const wrong = said.filter((s) => s.good === false);
  return (
    <>
      {wrong[0] && (
        <Answer tone="due" title={`${wrong[0].what}: ${wrong[0].says}`}>
          {wrong.length > 1 && `${wrong.length - 1} more below.`}
        </Answer>
      )}
      {!wrong[0] && said.length > 0 && <Answer tone="good" title="Nothing wrong with what was looked at" />}
      {said.length === 0 && <Answer tone="info" title={first} />}
      {drawn?.(tests('visit'))}
      <WhatItSays said={said} />
      {beside}
      <TableBench bench={id} name={name} {...(figure && { figure })} />
      {earlier.length > 0 && (
        <Fold title="At an earlier visit" says={earlier.length}>
          <Saids said={earlier} />
        </Fold>
      )}
    </>
  );
}

export const WeightsScreen = () => (
  <BenchScreen
    id="weights"
    name="Weights and lines"
    first="Weigh each weight, left and right, before it hangs"
    say={sayWeights}
  />
);

export const BalanceScreen = () => (
  <BenchScreen
    id="balance"
    name="Balance bench"
    first="Amplitude and rate before anything is touched"
    say={sayBalance}
  />
);

export const AlarmScreen = () => (
  <BenchScreen
    id="alarm"
    name="Alarm and repeat"
    first="Set it to three hours of the dial, and see when it goes off"
    say={(_, tests) => sayAlarm(tests)}
  />
);

export const RecorderScreen = () => (
  <BenchScreen
    id="recorder"
    name="Recorder bench"
    first="Print against the dial, or two marks on a trace"
    say={(_, tests) => sayRecorder(tests)}
  />
);

export const StrikeSetUpScreen = () => (
  <BenchScreen
    id="strike"
    name="Strike set-up"
    first="Stop it at lock, and look at each lever in turn"
    say={sayStrikeSetUp}
    figure={(kind, typed) => (kind.name === 'At lock' ? <AtLock typed={typed} /> : null)}
  />
);

export const OutputsScreen = () => (
  <BenchScreen
    id="outputs"
    name="Outputs and contacts"
    first="The way back of its supply first: through the frame, or a terminal of its own"
    say={(_, tests) => sayOutputs(tests)}
    drawn={(tests) => <TurnFigure tests={tests} />}
    beside={<Stepped />}
  />
);

/** Voltages stepped in series, coils and windings a minute stand on the electric bench: what they say, and the way. */
function Stepped() {
  const { benchTests, movement } = useThisVisit();
  const said = benchTests.flatMap(({ of, test }) =>
    of === 'visit' && (test.kind === 'step' || test.kind === 'contact') ? [benchWords(test, movement.traits)] : [],
  );
  return (
    <div className="flex flex-wrap items-center justify-between gap-3">
      <p className="min-w-0 flex-1 basis-72 text-soft">
        {said.at(-1) ?? 'No voltage was stepped yet, no winding counted.'}
      </p>
      <Link className={buttonClass()} to="../electric">
        <Cable className="size-5" aria-hidden />
        Step test, coils, windings
      </Link>
    </div>
  );
}
