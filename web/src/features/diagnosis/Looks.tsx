import type { Visit } from '@eclat/contract';
import { instancesFor, levelName, type LookOutcome, type NextLook } from '@eclat/core/faults';
import { Ban, Check, Eye, RotateCcw, X } from 'lucide-react';
import { api } from '../../data/api.ts';
import { useCommand } from '../../data/useCommand.ts';
import { say } from '../../data/app-state.ts';
import { HeldBefore } from './HeldBefore.tsx';
import { useKnowledge } from './useKnowledge.ts';
import { Empty, Panel } from '../../ui/Answer.tsx';
import { Button } from '../../ui/Button.tsx';
import { dayTime } from '../../ui/dates.ts';
import { useFew } from '../../ui/Few.tsx';
import { Fold } from '../../ui/Fold.tsx';

/** The look in hand and the next one; the others that are worth their minutes by a press. */
const [AT_FIRST, OFFERED] = [2, 6];
const SAYS: Record<LookOutcome, string> = {
  found: 'found',
  clear: 'nothing there',
  impossible: 'cannot be looked at here',
};
export const percent = (p: number) => {
  if (p < 0.01) return 'under 1 %';
  return p > 0.99 ? 'over 99 %' : `${Math.round(p * 100)} %`;
};

/** Where to look next: what tells most for its minutes, and what each outcome would mean. */
export function Looks({ visit, looks }: { visit: Visit; looks: readonly NextLook[] }) {
  const take = useCommand(api.diagnosis.recordLook, {
    what: 'Look',
    onDone: (_reply, { body }, undo) => {
      if (body?.outcome) say(`Looked: ${SAYS[body.outcome]}.`, 'good', undo);
    },
  });
  const set = (look: string, outcome: LookOutcome | null) => {
    take.mutate({ params: { visitId: visit.id, look }, body: { outcome } });
  };
  const open = !visit.closedAt;
  const [shown, rest] = useFew(looks.slice(0, OFFERED), AT_FIRST, 'looks');
  const instances = instancesFor(visit.movement.traits, useKnowledge().causes);
  return (
    <Panel title="Look next">
      {looks.length === 0 ? (
        <Empty>No look is left that would tell more.</Empty>
      ) : (
        <>
          <ol className="flex flex-col divide-y divide-line">
            {shown.map((l, i) => (
              <Offered
                key={l.instance.id}
                look={l}
                first={i === 0}
                {...(open ? { onSay: (o: LookOutcome) => set(l.instance.id, o) } : {})}
              />
            ))}
          </ol>
          {rest}
        </>
      )}
      {visit.looks.length > 0 && (
        <Fold bare title="Looked at" says={visit.looks.length}>
          <ul className="flex flex-col">
            {visit.looks.map((t) => {
              const instance = instances.find((i) => i.id === t.look);
              return (
                <li key={t.look} className="flex flex-wrap items-center gap-x-3 border-t border-line py-1">
                  <span className="min-w-0 flex-1">
                    <b>{instance?.name ?? t.look}</b>: {SAYS[t.outcome]}{' '}
                    <span className="text-sm text-soft">
                      {t.by}, {dayTime(t.at)}
                    </span>
                    <HeldBefore visit={visit} of={t.look} words={(said) => SAYS[said as LookOutcome]} />
                  </span>
                  {open && (
                    <Button
                      variant="plain"
                      aria-label={`Looked again, otherwise: ${instance?.name ?? t.look}`}
                      onClick={() => set(t.look, t.outcome === 'found' ? 'clear' : 'found')}
                    >
                      {t.outcome === 'found' ? 'Not there after all' : 'Found after all'}
                    </Button>
                  )}
                  {open && (
                    <Button
                      variant="plain"
                      aria-label={`Take back the look: ${instance?.name ?? t.look}`}
                      onClick={() => set(t.look, null)}
                    >
                      <RotateCcw className="size-5" aria-hidden />
                    </Button>
                  )}
                </li>
              );
            })}
          </ul>
        </Fold>
      )}
    </Panel>
  );
}

function Offered({ look, first, onSay }: { look: NextLook; first: boolean; onSay?: (outcome: LookOutcome) => void }) {
  const { instance, minutes, reachMinutes, ifFound, ifClear } = look;
  return (
    <li className="flex flex-col gap-2 py-3">
      <div>
        <p className={first ? 'flex items-start gap-2 text-xl font-bold' : 'text-lg font-semibold'}>
          {first && <Eye className="mt-1 size-6 shrink-0 text-steel" aria-hidden />}
          {instance.cause.look.what}
        </p>
        <p className="text-soft">
          {instance.name}. {minutes} min, {levelName(instance.cause.look.level)}
          {reachMinutes > 0 && `, ${reachMinutes} min to get there`}. If found {percent(ifFound)}, if not{' '}
          {percent(ifClear)}.
        </p>
      </div>
      {onSay && (
        <div className="flex flex-wrap gap-2" role="group" aria-label={instance.name}>
          <Button variant={first ? 'main' : 'quiet'} onClick={() => onSay('found')}>
            <Check className="size-5" aria-hidden />
            Found
          </Button>
          <Button onClick={() => onSay('clear')}>
            <X className="size-5" aria-hidden />
            Not there
          </Button>
          <Button
            variant="plain"
            aria-label="Cannot be looked at here"
            title="Cannot be looked at here"
            onClick={() => onSay('impossible')}
          >
            <Ban className="size-5" aria-hidden />
          </Button>
        </div>
      )}
    </li>
  );
}
