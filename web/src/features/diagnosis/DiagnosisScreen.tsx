import { Fold } from '../../ui/Fold.tsx';
import { Causes } from './Causes.tsx';
import { api } from '../../data/api.ts';
import {
  diagnose,
  groupOf,
  symptomsFor,
  SYMPTOM_GROUPS,
  SYMPTOMS,
  unobservable,
  type SymptomId,
  type Observations,
} from '@eclat/core/faults';
import { toldBy } from '@eclat/core/intake';
import { isTogether } from '@eclat/core/workflow';
import { useMemo } from 'react';
import { useCommand } from '../../data/useCommand.ts';
import { useKept } from '../../data/useDraft.ts';
import { Answer, Panel } from '../../ui/Answer.tsx';
import { Button } from '../../ui/Button.tsx';
import { Choice } from '../../ui/Choice.tsx';
import { TextField } from '../../ui/Field.tsx';
import { HeldBefore } from './HeldBefore.tsx';
import { Looks, percent } from './Looks.tsx';
import { useKnowledge } from './useKnowledge.ts';
import { Cautions } from '../visit/Cautions.tsx';
import { StageFoot } from '../visit/StageFoot.tsx';
import { useThisVisit } from '../visit/useThisVisit.ts';

/** From the symptom to the cause: what is likely, why, and where to look. */
export function DiagnosisScreen() {
  const visit = useThisVisit();
  const { traits } = visit.movement;
  const shop = useKnowledge();
  // What was told at the counter counts until somebody has looked.
  const told = useMemo(() => toldBy(traits, visit.answers), [traits, visit.answers]);
  const seen = useMemo(() => ({ ...told, ...visit.observations }), [told, visit.observations]);
  const found = useMemo(
    () =>
      diagnose(
        traits,
        seen,
        Object.fromEntries(visit.looks.map((l) => [l.look, l.outcome])),
        visit.strip.begun && !isTogether(visit.stages, visit.strip.passes) ? 3 : 0,
        shop,
      ),
    [traits, visit, seen, shop],
  );
  const { ranked, looks } = found;
  const present = Object.values(seen).filter((s) => s === 'present').length;
  const first = ranked[0]!;
  const possible = symptomsFor(traits, shop.causes);
  const groups = SYMPTOM_GROUPS.map(([group]) => ({
    group,
    list: possible.filter((s) => groupOf(s) === group),
  })).filter(({ list }) => list.length > 0);
  // The group that most is seen of is open; the others say how they stand.
  const most = groups.toSorted((a, b) => yesIn(b.list, seen) - yesIn(a.list, seen))[0];
  const inHand = present === 0 ? groups.find(({ list }) => list.includes('dead')) : most;
  return (
    <>
      {present === 0 ? (
        <Answer tone="info" title="What does it do, and what not?">
          Press <b>yes</b> for what is there and <b>no</b> for what was looked for and is not. What was not asked counts
          for nothing.
        </Answer>
      ) : (
        <Answer tone="info" title={`Likeliest: ${first.instance.name.toLowerCase()}, ${percent(first.probability)}`}>
          {looks[0] && (
            <>
              Look next: <b>{looks[0].instance.cause.look.what}</b>
            </>
          )}
        </Answer>
      )}
      <Cautions stage="diagnose" />
      <div className="grid items-start gap-5 lg:grid-cols-[24rem_minmax(0,1fr)] lg:grid-rows-[auto_1fr]">
        {present > 0 && (
          <div className="min-w-0 lg:col-start-2 lg:row-start-1">
            <Looks visit={visit} looks={looks} />
          </div>
        )}
        <Panel title="Symptoms" className="lg:col-start-1 lg:row-span-2 lg:row-start-1">
          {groups.map(({ group, list }) => (
            <Fold bare key={group} title={group} says={countSeen(list, seen)} open={group === inHand?.group}>
              <ul className="divide-y divide-line">
                {list.map((s) => (
                  <SymptomRow key={s} seen={seen} symptom={s} told={told} />
                ))}
              </ul>
            </Fold>
          ))}
        </Panel>
        <Causes present={present} found={found} />
      </div>
      <Settle key={visit.cause} suggestion={present > 0 ? first.instance.name : ''} />
      <StageFoot stage="diagnose" />
    </>
  );
}

const yesIn = (list: readonly SymptomId[], seen: Observations) => list.filter((s) => seen[s] === 'present').length;
/** What was said of a group: "2 seen, 1 not". */
function countSeen(list: readonly SymptomId[], seen: Observations): string {
  const of = (state: string) => list.filter((s) => seen[s] === state).length;
  const [yes, no] = [of('present'), of('absent')];
  return [yes > 0 && `${yes} yes`, no > 0 && `${no} no`].filter(Boolean).join(', ');
}

function SymptomRow({ seen, symptom: s, told }: { seen: Observations; symptom: SymptomId; told: Observations }) {
  const visit = useThisVisit();
  const observe = useCommand(api.diagnosis.observe, { what: 'Symptom' });
  const hidden = unobservable(seen);
  const set = (symptom: SymptomId, state: 'present' | 'absent' | null) =>
    observe.mutate({ params: { visitId: visit.id, symptom }, body: { state } });
  return (
    <li className="flex min-h-12 items-center justify-between gap-3 py-1">
      <span className={hidden.includes(s) ? 'text-soft' : 'font-semibold'}>
        {SYMPTOMS[s]}
        {hidden.includes(s) ? (
          <span className="block text-sm font-normal">cannot be seen while it is dead</span>
        ) : (
          told[s] &&
          !visit.observations[s] && <span className="block text-sm font-normal text-brass">told at the counter</span>
        )}
      </span>
      {!hidden.includes(s) && (
        <div className="shrink-0">
          <Choice
            hideLabel
            label={SYMPTOMS[s]}
            value={seen[s] ?? ''}
            disabled={visit.closedAt !== null}
            onChange={(v) => set(s, v)}
            onClear={() => set(s, null)}
            options={
              [
                ['present', 'Yes'],
                ['absent', 'No'],
              ] as const
            }
          />
        </div>
      )}
    </li>
  );
}

function Settle({ suggestion }: { suggestion: string }) {
  const visit = useThisVisit();
  const [cause, setCause, forget] = useKept(`named-cause.${visit.id}`, visit.cause);
  const [why, setWhy, forgetWhy] = useKept(`named-cause.${visit.id}.why`, '');
  const settle = useCommand(api.diagnosis.nameCause, { what: 'Cause', onSent: () => (forget(), forgetWhy()) });
  const another = visit.cause !== '' && cause !== visit.cause;
  return (
    <Panel title="The cause, in the words of the record">
      <form
        className="flex flex-wrap items-end gap-3"
        onSubmit={(e) => {
          e.preventDefault();
          settle.mutate({ params: { visitId: visit.id }, body: { cause, why: another ? why : '' } });
        }}
      >
        <TextField
          className="min-w-72 flex-1"
          label="Cause"
          value={cause}
          readOnly={visit.closedAt !== null}
          placeholder={suggestion}
          onChange={(e) => setCause(e.target.value)}
        />
        {another && (
          <TextField
            className="min-w-60 flex-1"
            label="Why it is another one"
            placeholder="leave empty to put it right"
            value={why}
            onChange={(e) => setWhy(e.target.value)}
          />
        )}
        {!visit.closedAt && (
          <>
            {suggestion && cause === '' && (
              <Button onClick={() => setCause(suggestion)}>Take “{suggestion.toLowerCase()}”</Button>
            )}
            <Button type="submit" variant="main" disabled={cause === visit.cause} busy={settle.isPending}>
              Save
            </Button>
          </>
        )}
      </form>
      <HeldBefore visit={visit} of="cause" />
    </Panel>
  );
}
