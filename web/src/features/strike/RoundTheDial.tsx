import { HOURS, judgeDial, wantedAt } from '@eclat/core/strike';
import clsx from 'clsx';
import { Check, Undo2, X } from 'lucide-react';
import { api } from '../../data/api.ts';
import { useCommand } from '../../data/useCommand.ts';
import { say } from '../../data/app-state.ts';
import { Panel } from '../../ui/Answer.tsx';
import { Button } from '../../ui/Button.tsx';
import { Tick } from '../../ui/Field.tsx';
import { dayTime } from '../../ui/dates.ts';
import { useThisVisit } from '../visit/useThisVisit.ts';

export const nameOf = (mark: string) => {
  const n = mark.slice(1);
  if (mark[0] === 'h') return `${n} o’clock`;
  if (mark[0] === 'p') return `half past ${n}`;
  const quarter = ['first quarter', 'half', 'third quarter', 'hour'][Number(n) - 1]!;
  return mark[0] === 'q' ? quarter : `${quarter}, its phrases`;
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
  const anew = useCommand(api.strike.hearAnew, {
    what: 'Strike',
    onSent: () => setChosen(null),
    onDone: () => say('Started again. What was heard before is below.'),
  });
  return (
    <Panel
      title="Round the dial"
      aside={
        <span className="flex items-center gap-4">
          {visit.movement.traits.strike !== 'ship bells' && (
            <Tick label="Halves too" checked={withHalves} onChange={(e) => setHalves(e.target.checked)} />
          )}
          {visit.struck.length > 0 && !visit.closedAt && (
            <Button onClick={() => anew.mutate({ params })}>
              <Undo2 className="size-5" aria-hidden />
              Start again
            </Button>
          )}
        </span>
      }
    >
      <Row marks={HOURS.map((h) => `h${h}`)} of={of} next={next} onChoose={setChosen} />
      {marks.includes('p1') && (
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
      {marks.includes('f1') && (
        <>
          <h3 className="mt-4 mb-1 text-soft">Phrases: does each quarter begin as it should</h3>
          <Row marks={['f1', 'f2', 'f3', 'f4']} of={of} next={next} onChoose={setChosen} />
        </>
      )}
      {visit.struckBefore.length > 0 && <HeardBefore />}
    </Panel>
  );
}

/** What was heard before it was begun anew: the strike before a cure, beside the strike after it. */
function HeardBefore() {
  const visit = useThisVisit();
  return (
    <>
      <h3 className="mt-5 mb-1 text-soft">Heard before</h3>
      <ul className="flex flex-col gap-2">
        {visit.struckBefore.toReversed().map(({ endedAt, struck }) => {
          const { hours, halves, quarters } = judgeDial(visit.movement.traits, struck);
          const words = [hours?.words, halves?.words, quarters?.words].filter(Boolean).join(' ');
          return (
            <li key={endedAt}>
              <b>Until {dayTime(endedAt)}.</b> {words || 'Too few to judge.'}{' '}
              <span className="text-soft">
                {inOrder(struck)
                  .map((s) => `${nameOf(s.mark)}: ${said(s)}`)
                  .join(', ')}
                .
              </span>
            </li>
          );
        })}
      </ul>
    </>
  );
}

/** As they come round the dial. */
const inOrder = <S extends { mark: string }>(struck: readonly S[]): S[] => {
  const place = (mark: string) => 'hpqf'.indexOf(mark[0]!) * 100 + Number(mark.slice(1));
  return struck.toSorted((a, b) => place(a.mark) - place(b.mark));
};

const said = ({ mark, heard }: { mark: string; heard: number }): string => {
  // Of a phrase it is said whether it was its own.
  if (mark.startsWith('f')) return ['wrong', 'its own'][heard] ?? 'wrong';
  return heard === 0 ? 'silent' : String(heard);
};

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
  const { traits } = useThisVisit().movement;
  return (
    <div className="grid grid-cols-6 gap-1.5 sm:gap-2">
      {marks.map((m) => {
        const heard = of.get(m);
        const right = heard === wantedAt(traits, m);
        return (
          <button
            key={m}
            type="button"
            aria-label={`${nameOf(m)}: ${heard === undefined ? 'not heard yet' : `${said({ mark: m, heard })} heard`}`}
            aria-current={m === next ? 'step' : undefined}
            onClick={() => onChoose(m)}
            className={clsx(
              'relative min-h-12 rounded-lg border-2 text-left sm:min-h-20',
              lookOf(m, next, heard, right),
            )}
          >
            <span className="absolute top-1 left-2 text-sm text-soft">
              {'qf'.includes(m[0]!) ? ['¼', '½', '¾', 'hour'][Number(m[1]) - 1] : m.slice(1)}
            </span>
            <span
              className={clsx('block text-center font-bold', m.startsWith('f') ? 'text-lg' : 'text-xl sm:text-3xl')}
            >
              {heard === undefined ? '' : said({ mark: m, heard })}
            </span>
            {heard !== undefined && (
              <span className="absolute right-1 bottom-1">
                {right ? (
                  <Check className="size-4 text-steel sm:size-5" aria-hidden />
                ) : (
                  <X className="size-4 text-danger sm:size-5" aria-hidden />
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
