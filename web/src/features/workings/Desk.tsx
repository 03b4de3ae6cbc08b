import { fieldsOf, type Field, type Typed, type Working } from '@eclat/core/workings';
import { ShieldAlert } from 'lucide-react';
import { useMemo, type ReactNode } from 'react';
import { Answer, Panel } from '../../ui/Answer.tsx';
import { Button } from '../../ui/Button.tsx';
import { Figure } from './figures/index.tsx';
import { Result } from './Result.tsx';
import { TypedForm } from './TypedForm.tsx';
import type { Reckoning } from './useReckoning.ts';

interface Props {
  working: Working;
  typed: Typed;
  onTyped: (typed: Typed) => void;
  reckoning: Reckoning;
  /** What can be done with the answer. */
  actions?: ReactNode;
  /** In a sheet, one below the other. */
  narrow?: boolean;
}

/** One working at work: what it says, what is known, the figures and the picture, live as it is typed. */
export function Desk({ working, typed, onTyped, reckoning, actions, narrow = false }: Props) {
  const fields = useMemo(() => fieldsOf(working.inputs), [working]);
  const { form, outcome, busy, stop, error } = reckoning;
  const problems = outcome && !outcome.ok ? outcome.problems : [];
  // What was not typed yet is asked for, not complained of.
  const missing = fields.filter((f) => !typed[f.name]?.length && problems.some((p) => p.field === f.name));
  const refused = problems.filter((p) => !missing.some((f) => f.name === p.field));
  const unread = form.problems.length > 0 || form.asks.length > 0;
  return (
    <div className="flex flex-col gap-5">
      <Says {...{ outcome, busy, stop, error, unread, asks: form.asks.length > 0, refused, missing }} />
      {actions}
      {working.caution && (
        <p className="flex items-start gap-3 rounded-lg border-l-8 border-brass-fill bg-brass-wash px-4 py-2">
          <ShieldAlert className="mt-0.5 size-6 shrink-0 text-brass" aria-hidden />
          {working.caution}
        </p>
      )}
      <div
        className={narrow ? 'flex flex-col gap-5' : 'grid items-start gap-5 lg:grid-cols-[minmax(0,5fr)_minmax(0,6fr)]'}
      >
        <Panel title="What is known">
          <TypedForm fields={fields} typed={typed} read={form} refused={refused} onChange={onTyped} />
        </Panel>
        {outcome?.ok && (
          <Panel title="What follows" className={unread || busy ? 'opacity-50' : ''}>
            {!narrow && (
              <div className="mb-5">
                <Figure name={working.figure} input={form.input} result={outcome.result} />
              </div>
            )}
            <Result working={working} result={outcome.result} says={outcome.says} />
          </Panel>
        )}
      </div>
    </div>
  );
}

type SaysProps = Pick<Reckoning, 'outcome' | 'busy' | 'stop' | 'error'> & {
  unread: boolean;
  asks: boolean;
  refused: readonly { field: string; message: string }[];
  missing: readonly Field[];
};

function Says({ outcome, busy, stop, error, unread, asks, refused, missing }: SaysProps) {
  if (error) return <Answer tone="danger" title={error} />;
  if (asks) return <Answer tone="due" title="Millimetres or thousandths? Say which." />;
  if (unread) return <Answer tone="due" title="One of the figures cannot be read." />;
  if (busy)
    return (
      <Answer tone="info" title="Calculating …">
        <Button className="mt-2" onClick={stop}>
          Stop
        </Button>
      </Answer>
    );
  if (refused.length > 0) return <Answer tone="due" title={refused[0]!.message} />;
  return outcome?.ok ? (
    <Answer tone="info" title={outcome.says} />
  ) : (
    <Answer tone="info" title="Type what is known.">
      {missing.length > 0 && `Still needed: ${missing.map((f) => f.title.toLowerCase()).join(', ')}.`}
    </Answer>
  );
}
