import { faultsOf, hourOf, startStrike, stepStrike, WORKS, type StrikeState, type Work } from '@eclat/core/strike';
import { Play, SkipForward, StepForward } from 'lucide-react';
import { useEffect, useRef, useState } from 'react';
import { Answer, Panel } from '../../ui/Answer.tsx';
import { Button } from '../../ui/Button.tsx';
import { Choice } from '../../ui/Choice.tsx';
import { Help } from '../../ui/help/Help.tsx';
import { Bell } from './bell.ts';
import { StrikeFigure } from './StrikeFigure.tsx';

const EVERY_MS = 900;
const NAMES: Record<Work, string> = { rack: 'rack', 'count wheel': 'count wheel', quarters: 'quarter chime' };

/** A striking work to step through, with a fault in it that is found by looking and listening. */
export function StrikeModelScreen() {
  const model = useStrikeModel();
  const { work, state, exercise, guess, marks, log, faults, begin, puzzle, judge, truth } = model;
  return (
    <div className="mx-auto flex max-w-[90rem] flex-col gap-5 p-4 md:p-6">
      <div className="flex items-center gap-2">
        <h1 className="text-2xl">How striking works, and fails</h1>
        <Help about="strike" />
      </div>
      {guess !== null && (
        <Answer
          tone={guess === state.fault ? 'good' : 'danger'}
          title={guess === state.fault ? `Right: ${truth.name}` : `Not that: ${truth.name}`}
        >
          {truth.cure} {marks.right} of {marks.of} found.
        </Answer>
      )}
      <div className="flex flex-wrap items-end gap-4">
        <Choice
          hideLabel
          label="Which work"
          value={work}
          onChange={(w) => begin(w, 'none', false)}
          options={WORKS.map((w) => [w, NAMES[w]] as const)}
        />
        <Button onClick={puzzle}>{exercise ? 'Another exercise' : 'An exercise: a hidden fault'}</Button>
      </div>
      <div className="grid items-start gap-5 xl:grid-cols-[minmax(0,1fr)_24rem]">
        <ModelPanel model={model} />
        <div className="flex flex-col gap-5">
          <Panel title={exercise ? 'What is wrong?' : 'Put a fault in'}>
            <ul className="flex flex-col gap-2">
              {faults.map((f) => (
                <li key={f.id}>
                  <Button
                    className="w-full justify-start text-left"
                    variant={!exercise && f.id === state.fault ? 'main' : 'quiet'}
                    disabled={guess !== null}
                    aria-pressed={exercise ? guess === f.id : f.id === state.fault}
                    onClick={() => (exercise ? judge(f.id) : begin(work, f.id, false))}
                  >
                    {f.name}
                  </Button>
                </li>
              ))}
            </ul>
          </Panel>
          <Panel title="Heard">
            {log.length === 0 ? (
              <p className="text-soft">Each release with what it sounded.</p>
            ) : (
              <ol className="divide-y divide-line">
                {log.map((l, i) => (
                  <li key={`${log.length - i} ${l}`} className="py-1 text-lg">
                    {l}
                  </li>
                ))}
              </ol>
            )}
          </Panel>
        </div>
      </div>
    </div>
  );
}

function ModelPanel({ model }: { model: ReturnType<typeof useStrikeModel> }) {
  const { work, state, running, setRunning, exercise, begin, step } = model;
  return (
    <Panel>
      <p role="status" className="mb-2 min-h-8 text-xl font-bold">
        {state.says}
      </p>
      <StrikeFigure state={state} />
      <div className="mt-3 flex flex-wrap gap-3">
        <Button variant="main" className="min-h-14 px-6" onClick={step}>
          <StepForward className="size-6" aria-hidden />
          Step
        </Button>
        <Button className="min-h-14 px-6" onClick={() => setRunning(!running)}>
          {running ? (
            'Hold it'
          ) : (
            <>
              <Play className="size-5" aria-hidden />
              Let it run
            </>
          )}
        </Button>
        <Button variant="plain" onClick={() => begin(work, state.fault, exercise)}>
          <SkipForward className="size-5" aria-hidden />
          From twelve again
        </Button>
      </div>
    </Panel>
  );
}

function useStrikeModel() {
  const [work, setWork] = useState<Work>('rack');
  const [state, setState] = useState<StrikeState>(() => startStrike('rack', 'none'));
  const [running, setRunning] = useState(false);
  const [exercise, setExercise] = useState(false);
  const [guess, setGuess] = useState<string | null>(null);
  const [marks, setMarks] = useState({ right: 0, of: 0 });
  const [log, setLog] = useState<string[]>([]);
  const bell = useRef<Bell | null>(null);
  useEffect(() => () => bell.current?.close(), []);
  const faults = faultsOf(work);
  const begin = (w: Work, fault: string, hidden: boolean) => {
    setWork(w);
    setState(startStrike(w, fault));
    setExercise(hidden);
    setGuess(null);
    setRunning(false);
    setLog([]);
  };
  const step = () => {
    const after = stepStrike(state);
    if (after.sounded > state.sounded && after.phase !== 'lifting')
      (bell.current ??= new Bell()).strike(after.work === 'quarters');
    if (after.phase === 'locked') {
      setLog((l) =>
        [
          (after.work === 'quarters'
            ? ['first quarter', 'half', 'third quarter', 'hour'][(after.quarter - 1) % 4]
            : `${hourOf(after)} o’clock`) +
            ': ' +
            (after.sounded === 0 ? 'silent' : after.sounded),
          ...l,
        ].slice(0, 12),
      );
      setRunning(false);
    }
    setState(after);
  };
  useEffect(() => {
    if (!running) return;
    const timer = setTimeout(step, EVERY_MS);
    return () => clearTimeout(timer);
  });
  const puzzle = () => {
    const own = faults;
    begin(work, own[Math.floor(Math.random() * own.length)]!.id, true);
  };
  const judge = (id: string) => {
    setGuess(id);
    setMarks((m) => ({ right: m.right + (id === state.fault ? 1 : 0), of: m.of + 1 }));
  };
  const truth = faults.find((f) => f.id === state.fault)!;
  return { work, state, running, setRunning, exercise, guess, marks, log, faults, begin, step, puzzle, judge, truth };
}
