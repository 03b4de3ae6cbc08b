import { GRADES, CauseForm } from './CauseForm.tsx';
import type { ReplyOf } from '@eclat/contract';
import { CAUSES, SYMPTOMS, type SymptomId } from '@eclat/core/faults';
import { byCount } from '@eclat/core/units';
import { Plus, Trash2 } from 'lucide-react';
import { useState } from 'react';
import { api } from '../../data/api.ts';
import { useMe } from '../../data/queries.ts';
import { useCommand } from '../../data/useCommand.ts';
import { Answer, Empty, Failed, Loading, Panel } from '../../ui/Answer.tsx';
import { Button } from '../../ui/Button.tsx';
import { useCauses } from './useKnowledge.ts';

type Knowledge = ReplyOf<typeof api.diagnosis.knowledge>;

/** The table of causes, the shop's own beside it, and what its signed visits found. */
export function CausesScreen() {
  const { data, error } = useCauses();
  const me = useMe();
  const [all, setAll] = useState(false);
  if (error && !data) return <Failed error={error} />;
  if (!data) return <Loading what="the causes" />;
  return (
    <div className="mx-auto flex max-w-6xl flex-col gap-5 px-4 py-5 md:px-6">
      <h1 className="text-3xl">Causes and counts</h1>
      <Counting data={data} me={me} />
      <FoundHere data={data} />
      <OwnCauses me={me} data={data} />
      <Panel
        title={`The table: ${CAUSES.length} causes`}
        aside={
          <Button variant="plain" onClick={() => setAll(!all)}>
            {all ? 'Close it' : 'Show it'}
          </Button>
        }
      >
        {all && (
          <ul className="grid gap-x-8 sm:grid-cols-2">
            {CAUSES.map((c) => (
              <li key={c.id} className="border-t border-line py-2">
                <b>{c.name}</b>
                {c.of !== 'movement' && <span className="text-soft">, each {c.of}</span>}
                <span className="block text-sm text-soft">
                  {c.look.what} {c.look.minutes} min. {c.remedy}.
                </span>
              </li>
            ))}
          </ul>
        )}
      </Panel>
    </div>
  );
}

function Counting({ data, me }: { data: Knowledge; me: ReturnType<typeof useMe> }) {
  const learn = useCommand(api.diagnosis.setLearning, { what: 'Learning' });
  return (
    <Answer tone="info" title={learntWords(data)}>
      {data.learn
        ? 'A starting value counts as twenty clocks; each signed visit of this shop in which a look or ' +
          'a finding confirmed a cause adds one. Nothing comes from elsewhere.'
        : 'The shop’s own visits are not counted. Nothing of them is lost: turn it on again at any time.'}
      {me?.role === 'owner-of-shop' && (
        <div className="mt-2">
          <Button onClick={() => learn.mutate({ params: {}, body: { learn: !data.learn } })} busy={learn.isPending}>
            {data.learn ? 'Use Eclat’s numbers' : 'Count the shop’s own visits'}
          </Button>
        </div>
      )}
    </Answer>
  );
}

function learntWords(data: Knowledge) {
  if (!data.learn) return 'Eclat’s numbers alone';
  if (data.signedVisits === 0) return 'No signed visit has confirmed a cause yet';
  return `${data.signedVisits} signed ${byCount(data.signedVisits, 'visit sharpens', 'visits sharpen')} the numbers`;
}

function FoundHere({ data }: { data: Knowledge }) {
  const found = Object.entries(data.experience)
    .filter(([, e]) => e.found.times > 0)
    .sort(([, a], [, b]) => b.found.times - a.found.times);
  const nameOf = (id: string) => {
    const [base, train] = id.split('.');
    const c = CAUSES.find((x) => x.id === base)?.name ?? data.causes.find((x) => x.id === id)?.name ?? id;
    return train ? `${c}, ${train}` : c;
  };
  return (
    <Panel title="Found here" aside={<span className="text-soft">of the times it was looked for</span>}>
      {found.length === 0 ? (
        <Empty>What looks and findings of signed visits confirm is counted here.</Empty>
      ) : (
        <ul className="grid gap-x-8 sm:grid-cols-2">
          {found.map(([id, e]) => (
            <li key={id} className="flex items-baseline justify-between gap-4 border-t border-line py-2">
              <span className="font-semibold">{nameOf(id)}</span>
              <span className="text-lg whitespace-nowrap tabular-nums">
                <b>{e.found.times}</b> of {e.found.of}
              </span>
            </li>
          ))}
        </ul>
      )}
    </Panel>
  );
}

function OwnCauses({ data, me }: { data: Knowledge; me: ReturnType<typeof useMe> }) {
  const remove = useCommand(api.diagnosis.removeCause, { what: 'Cause' });
  const [adding, setAdding] = useState(false);
  return (
    <Panel
      title="Causes of your own"
      aside={
        !adding &&
        me?.role !== 'counter' && (
          <Button variant="main" onClick={() => setAdding(true)}>
            <Plus className="size-5" aria-hidden />
            Add a cause
          </Button>
        )
      }
    >
      {adding && <CauseForm onClose={() => setAdding(false)} />}
      {data.causes.length === 0 && !adding ? (
        <Empty>A fault that the table does not know, and that you have met: it counts like the others.</Empty>
      ) : (
        <ul className="divide-y divide-line">
          {data.causes.map((c) => (
            <li key={c.id} className="flex items-center gap-4 py-2">
              <span className="min-w-0 flex-1">
                <b className="text-lg">{c.name}</b>
                <span className="block">
                  {c.look.what}. {c.remedy}.
                </span>
                <span className="block text-sm text-soft">
                  {Object.entries(c.shows)
                    .map(([s, g]) => `${SYMPTOMS[s as SymptomId]} (${GRADES[g]})`)
                    .join(', ')}{' '}
                  · {c.by}
                </span>
              </span>
              {me?.role !== 'counter' && (
                <button
                  type="button"
                  aria-label={`Take out: ${c.name}`}
                  className="grid size-12 place-items-center rounded-lg hover:bg-danger-wash"
                  onClick={() => remove.mutate({ params: { cause: c.id } })}
                >
                  <Trash2 className="size-5" />
                </button>
              )}
            </li>
          ))}
        </ul>
      )}
    </Panel>
  );
}
