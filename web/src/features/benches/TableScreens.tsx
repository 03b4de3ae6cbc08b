import {
  isOf,
  sayAlarm,
  sayBalance,
  sayRecorder,
  sayStrikeSetUp,
  sayWeights,
  type TableBenchId,
  type TableTest,
} from '@eclat/core/benches';
import type { Traits } from '@eclat/core/movement';
import type { Said } from '@eclat/core/units';
import { Answer } from '../../ui/Answer.tsx';
import { Fold } from '../../ui/Fold.tsx';
import { useThisVisit } from '../visit/useThisVisit.ts';
import { Saids, WhatItSays } from './Saids.tsx';
import { AtLock } from './AtLock.tsx';
import { TableBench, type Figure } from './TableBench.tsx';

interface Bench {
  id: TableBenchId;
  name: string;
  /** What is done first, before anything was entered. */
  first: string;
  say: (traits: Traits, tests: readonly TableTest[]) => Said[];
  figure?: Figure;
}

/** A bench whose forms follow from its kinds: first what is wrong, then all it says, then each thing to look at. */
function BenchScreen({ id, name, first, say, figure }: Bench) {
  const visit = useThisVisit();
  const of = (whose: 'visit' | 'movement') =>
    say(
      visit.movement.traits,
      visit.benchTests.flatMap(({ of, test }) => (of === whose && isOf(id)(test) ? [test] : [])),
    );
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
      <WhatItSays said={said} />
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
