import { nameOf, RoundTheDial } from './RoundTheDial.tsx';
import { SYMPTOMS, type SymptomId } from '@eclat/core/faults';
import { dialMarks, judgeDial, wantedAt, type DialVerdict } from '@eclat/core/strike';
import clsx from 'clsx';
import { useState } from 'react';
import { Link } from 'react-router';
import { api } from '../../data/api.ts';
import { useCommand } from '../../data/useCommand.ts';
import { say } from '../../data/app-state.ts';
import { Answer, Empty, Panel } from '../../ui/Answer.tsx';
import { Button, buttonClass } from '../../ui/Button.tsx';
import { TextField } from '../../ui/Field.tsx';
import { useThisVisit } from '../visit/useThisVisit.ts';

/** What it strikes, filled by ear: press the number heard, and it moves on. */
export function StrikeScreen() {
  const visit = useThisVisit();
  const { traits } = visit.movement;
  const of = new Map(visit.struck.map((s) => [s.mark, s.heard]));
  const [withHalves, setHalves] = useState(() => visit.struck.some((s) => s.mark.startsWith('p')));
  const marks = dialMarks(traits, withHalves, visit.struck);
  const [chosen, setChosen] = useState<string | null>(null);
  const params = { visitId: visit.id };
  const hear = useCommand(api.strike.setHeard, { what: 'Strike' });
  const observe = useCommand(api.diagnosis.observe, { what: 'Symptom', onDone: () => say('Noted as a symptom.') });
  const verdict = judgeDial(traits, visit.struck);
  const open = marks.filter((m) => !of.has(m));
  const next = chosen ?? open[0] ?? null;
  if (marks.length === 0) return <Answer tone="info" title="This movement does not strike" />;
  const { hours, halves, quarters } = verdict;
  // What is wrong is said first.
  const judged = [hours && { right: hours.kind === 'right', words: hours.words }, halves, quarters]
    .filter((j) => j !== null)
    .toSorted((a, b) => Number(a.right) - Number(b.right))
    .map((j) => j.words);
  return (
    <>
      <Answer
        tone={toneOf(judged, verdict)}
        title={judged[0] ?? (visit.struck.length === 0 ? 'Let it strike round the dial' : 'Three hours at least')}
      >
        {judged.slice(1).join(' ') ||
          (judged.length === 0 &&
            'Turn the minute hand on to each release, wait for it to lock, and press what was heard. ' +
              'Never back past a release.')}
      </Answer>
      <div className="grid items-start gap-3 sm:gap-5 xl:grid-cols-[minmax(0,1fr)_26rem]">
        <RoundTheDial
          setChosen={setChosen}
          withHalves={withHalves}
          setHalves={setHalves}
          of={of}
          next={next}
          marks={marks}
        />
        <Panel title={next ? `Heard at ${nameOf(next)}` : 'All are heard'}>
          <HeardForm next={next} hear={hear} marks={marks} of={of} setChosen={setChosen} />
        </Panel>
      </div>
      {/* Under the numbers: it comes by itself, and moves none of them under the finger. */}
      {verdict.symptoms.length > 0 && !visit.closedAt && (
        <div className="flex flex-wrap items-center gap-3">
          {verdict.symptoms
            .filter((s) => visit.observations[s as SymptomId] !== 'present')
            .map((s) => (
              <Button
                key={s}
                onClick={() => observe.mutate({ params: { ...params, symptom: s }, body: { state: 'present' } })}
              >
                Note as a symptom: {SYMPTOMS[s as SymptomId].toLowerCase()}
              </Button>
            ))}
          <Link className={buttonClass('plain')} to={`/visits/${visit.id}/diagnose`}>
            To its causes
          </Link>
        </div>
      )}
      <Link className="self-start py-2 font-semibold text-steel underline" to="/learn-strike">
        How striking works, and fails: a model to step through
      </Link>
    </>
  );
}

function toneOf(judged: readonly string[], verdict: DialVerdict) {
  if (judged.length === 0) return 'info';
  if (verdict.right) return 'good';
  return 'due';
}

/** Whether a quarter plays its own phrases. */
function Phrases({ onSay }: { onSay: (own: 0 | 1) => void }) {
  return (
    <div className="flex flex-col gap-3">
      <Button className="min-h-16 text-lg" onClick={() => onSay(1)}>
        It begins as it should
      </Button>
      <Button className="min-h-16 text-lg" onClick={() => onSay(0)}>
        Wrong phrases, or it begins in the middle
      </Button>
    </div>
  );
}

function HeardForm({
  next,
  hear,
  marks,
  of,
  setChosen,
}: {
  next: string | null;
  hear: ReturnType<typeof useCommand<typeof api.strike.setHeard>>;
  marks: string[];
  of: Map<string, number>;
  setChosen: (next: string | null) => void;
}) {
  const visit = useThisVisit();
  const params = { visitId: visit.id };
  const [typed, setTyped] = useState('');
  const set = (heard: number) => {
    if (!next) return;
    hear.mutate({ params: { ...params, mark: next }, body: { heard } });
    const after = marks.slice(marks.indexOf(next) + 1).find((m) => !of.has(m));
    setChosen(after ?? null);
    setTyped('');
  };
  const n = Number(typed);
  const bad = typed.trim() !== '' && !(Number.isInteger(n) && n >= 0 && n <= 60);
  const quarter = next?.startsWith('q');
  const { traits } = visit.movement;
  if (visit.closedAt) return <Empty>This visit is closed.</Empty>;
  if (!next) return <p className="text-soft">Press one to hear it again.</p>;
  if (next.startsWith('f')) return <Phrases onSay={set} />;
  return (
    <form
      onSubmit={(e) => {
        e.preventDefault();
        if (typed.trim() !== '' && !bad) set(n);
      }}
    >
      <div className="grid grid-cols-5 gap-1.5 sm:grid-cols-7 sm:gap-2 xl:grid-cols-4">
        {Array.from({ length: quarter ? 5 : 13 }, (_, i) => i).map((i) => (
          <button
            key={i}
            type="button"
            onClick={() => set(i)}
            className={clsx(
              'min-h-12 rounded-lg border-2 text-2xl font-bold sm:min-h-16',
              i === wantedAt(traits, next) ? 'border-steel text-steel' : 'border-line hover:bg-steel-wash',
            )}
          >
            {i === 0 ? <span className="text-base sm:text-lg">silent</span> : i}
          </button>
        ))}
      </div>
      <div className="mt-3 flex flex-wrap items-end gap-3">
        <TextField
          className="w-40"
          label={quarter ? 'Or typed' : 'Or typed, also more'}
          inputMode="numeric"
          value={typed}
          error={bad ? '0 to 60.' : undefined}
          onChange={(e) => setTyped(e.target.value)}
        />
        <Button type="submit" disabled={typed.trim() === '' || bad}>
          On
        </Button>
        {of.has(next) && (
          <Button
            variant="plain"
            onClick={() => hear.mutate({ params: { ...params, mark: next }, body: { heard: null } })}
          >
            Not heard after all
          </Button>
        )}
      </div>
    </form>
  );
}
