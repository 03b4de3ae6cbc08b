import { HOURS } from '@eclat/core/strike';
import clsx from 'clsx';
import { Check, Undo2, X } from 'lucide-react';
import { api } from '../../data/api.ts';
import { useCommand } from '../../data/useCommand.ts';
import { say } from '../../data/app-state.ts';
import { Panel } from '../../ui/Answer.tsx';
import { Button } from '../../ui/Button.tsx';
import { Tick } from '../../ui/Field.tsx';
import { useThisVisit } from '../visit/useThisVisit.ts';

export const nameOf = (mark: string) => {
  const n = mark.slice(1);
  if (mark[0] === 'h') return `${n} o’clock`;
  return mark[0] === 'p' ? `half past ${n}` : ['first quarter', 'half', 'third quarter', 'hour'][Number(n) - 1]!;
};

export function RoundTheDial({
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

export function Row({
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

export function lookOf(m: string, next: string | null, heard: number | undefined, right: boolean) {
  if (m === next) return 'border-steel bg-steel-wash';
  if (heard === undefined) return 'border-dashed border-line';
  if (right) return 'border-line bg-enamel';
  return 'border-danger bg-danger-wash';
}

export const wantedAt = (mark: string) => (mark[0] === 'p' ? 1 : Number(mark.slice(1)));
