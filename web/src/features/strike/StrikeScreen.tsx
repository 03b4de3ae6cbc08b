import { SYMPTOMS, type SymptomId } from '@eclat/core/faults';
import { dialMarks, HOURS, judgeDial, type DialVerdict } from '@eclat/core/strike';
import clsx from 'clsx';
import { Check, Undo2, X } from 'lucide-react';
import { useState } from 'react';
import { Link } from 'react-router';
import { api } from '../../data/api.ts';
import { useCommand } from '../../data/useCommand.ts';
import { say } from '../../data/app-state.ts';
import { Answer, Empty, Panel } from '../../ui/Answer.tsx';
import { Button, buttonClass } from '../../ui/Button.tsx';
import { TextField, Tick } from '../../ui/Field.tsx';
import { useThisVisit } from '../visit/useThisVisit.ts';

const nameOf = (mark: string) => {
  const n = mark.slice(1);
  if (mark[0] === 'h') return `${n} o’clock`;
  return mark[0] === 'p' ? `half past ${n}` : ['first quarter', 'half', 'third quarter', 'hour'][Number(n) - 1]!;
};
const wantedAt = (mark: string) => (mark[0] === 'p' ? 1 : Number(mark.slice(1)));

/** What it strikes, filled by ear: press the number heard, and it moves on. */
export function StrikeScreen() {
  const visit = useThisVisit();
  const { traits } = visit.movement;
  const of = new Map(visit.struck.map((s) => [s.mark, s.heard]));
  const [withHalves, setHalves] = useState(() => visit.struck.some((s) => s.mark.startsWith('p')));
  const marks = dialMarks(traits, withHalves);
  const [chosen, setChosen] = useState<string | null>(null);
  const params = { visitId: visit.id };
  const hear = useCommand(api.strike.setHeard, { what: 'Strike' });
  const observe = useCommand(api.diagnosis.observe, { what: 'Symptom', onDone: () => say('Noted as a symptom.') });
  const verdict = judgeDial(traits, visit.struck);
  const open = marks.filter((m) => !of.has(m));
  const next = chosen ?? open[0] ?? null;
  if (marks.length === 0) return <Answer tone="info" title="This movement does not strike" />;
  const judged = [verdict.hours?.words, verdict.halves?.words, verdict.quarters?.words].filter(Boolean);
  return (
    <>
      <Answer
        tone={toneOf(judged, verdict)}
        title={
          verdict.hours?.words ?? (visit.struck.length === 0 ? 'Let it strike round the dial' : 'Three hours at least')
        }
      >
        {[verdict.halves?.words, verdict.quarters?.words].filter(Boolean).join(' ') ||
          (judged.length === 0 &&
            'Turn the minute hand on to each release, wait for it to lock, and press what was heard. Never back past a release.')}
      </Answer>
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
      <Link className="self-start font-semibold text-steel underline" to="/learn-strike">
        How striking works, and fails: a model to step through
      </Link>
      <div className="grid items-start gap-5 xl:grid-cols-[minmax(0,1fr)_26rem]">
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
    </>
  );
}

function toneOf(judged: (string | undefined)[], verdict: DialVerdict) {
  if (judged.length === 0) return 'info';
  if (verdict.right) return 'good';
  return 'due';
}

function RoundTheDial({
  setChosen,
  withHalves,
  setHalves,
  of,
  next,
  marks,
}: {
  setChosen: (next: string | null) => void;
  withHalves: boolean;
  setHalves: (next: boolean) => void;
  of: Map<string, number>;
  next: string | null;
  marks: string[];
}) {
  const visit = useThisVisit();
  const params = { visitId: visit.id };
  const anew = useCommand(api.strike.removeAll, {
    what: 'Strike',
    onSent: () => setChosen(null),
    onDone: () => say('Begun anew.'),
  });
  return (
    <Panel
      title="Round the dial"
      aside={
        <span className="flex items-center gap-4">
          <Tick label="Halves too" checked={withHalves} onChange={(e) => setHalves(e.target.checked)} />
          {visit.struck.length > 0 && !visit.closedAt && (
            <Button onClick={() => anew.mutate({ params })}>
              <Undo2 className="size-5" aria-hidden />
              Begin anew
            </Button>
          )}
        </span>
      }
    >
      <Row marks={HOURS.map((h) => `h${h}`)} of={of} next={next} onChoose={setChosen} />
      {withHalves && (
        <>
          <h3 className="mt-4 mb-1 text-soft">Half past</h3>
          <Row marks={HOURS.map((h) => `p${h}`)} of={of} next={next} onChoose={setChosen} />
        </>
      )}
      {marks.includes('q1') && (
        <>
          <h3 className="mt-4 mb-1 text-soft">Quarters: how many changes each plays</h3>
          <Row marks={['q1', 'q2', 'q3', 'q4']} of={of} next={next} onChoose={setChosen} />
        </>
      )}
    </Panel>
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
  if (visit.closedAt) return <Empty>This visit is closed.</Empty>;
  if (!next) return <p className="text-soft">Press one to hear it again.</p>;
  return (
    <form
      onSubmit={(e) => {
        e.preventDefault();
        if (typed.trim() !== '' && !bad) set(n);
      }}
    >
      <div className="grid grid-cols-4 gap-2">
        {Array.from({ length: quarter ? 5 : 13 }, (_, i) => i).map((i) => (
          <button
            key={i}
            type="button"
            onClick={() => set(i)}
            className={clsx(
              'min-h-16 rounded-lg border-2 text-2xl font-bold',
              i === wantedAt(next) ? 'border-steel text-steel' : 'border-line hover:bg-steel-wash',
            )}
          >
            {i === 0 ? <span className="text-lg">silent</span> : i}
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

function Row({
  marks,
  of,
  next,
  onChoose,
}: {
  marks: string[];
  of: Map<string, number>;
  next: string | null;
  onChoose: (mark: string) => void;
}) {
  return (
    <div className="grid grid-cols-4 gap-2 sm:grid-cols-6">
      {marks.map((m) => {
        const heard = of.get(m);
        const right = heard === wantedAt(m);
        return (
          <button
            key={m}
            type="button"
            aria-label={`${nameOf(m)}: ${heard === undefined ? 'not heard yet' : `${heard} heard`}`}
            aria-current={m === next ? 'step' : undefined}
            onClick={() => onChoose(m)}
            className={clsx('relative min-h-20 rounded-lg border-2 text-left', lookOf(m, next, heard, right))}
          >
            <span className="absolute top-1 left-2 text-sm text-soft">
              {m.startsWith('q') ? ['¼', '½', '¾', 'hour'][Number(m[1]) - 1] : m.slice(1)}
            </span>
            <span className="block text-center text-3xl font-bold">{heard ?? ''}</span>
            {heard !== undefined && (
              <span className="absolute right-1 bottom-1">
                {right ? (
                  <Check className="size-5 text-steel" aria-hidden />
                ) : (
                  <X className="size-5 text-danger" aria-hidden />
                )}
              </span>
            )}
          </button>
        );
      })}
    </div>
  );
}

function lookOf(m: string, next: string | null, heard: number | undefined, right: boolean) {
  if (m === next) return 'border-steel bg-steel-wash';
  if (heard === undefined) return 'border-dashed border-line';
  if (right) return 'border-line bg-enamel';
  return 'border-danger bg-danger-wash';
}
