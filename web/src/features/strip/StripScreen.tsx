import type { StripStep } from '@eclat/contract';
import { bySubAssembly, staysWhole, whereIs } from '@eclat/core/strip';
import { counted } from '@eclat/core/units';
import { FileText } from 'lucide-react';
import { useMemo, useState } from 'react';
import { Link } from 'react-router';
import { Answer, Empty, Panel } from '../../ui/Answer.tsx';
import { Choice } from '../../ui/Choice.tsx';
import { useFew } from '../../ui/Few.tsx';
import { SearchField } from '../../ui/SearchField.tsx';
import { Sortable } from '../../ui/Sortable.tsx';
import { DocumentLink } from '../documents/Documents.tsx';
import { Cautions } from '../visit/Cautions.tsx';
import { StageFoot } from '../visit/StageFoot.tsx';
import { depthSaid } from '@eclat/core/workflow';
import { useThisVisit } from '../visit/useThisVisit.ts';
import { Custody } from './Custody.tsx';
import { Passes } from './Passes.tsx';
import { Phases } from './Phases.tsx';
import { StepForm } from './StepForm.tsx';
import { StepRow, useStepTools } from './StepRow.tsx';
import { Temporary } from './Temporary.tsx';
import { useHeldUp } from '../power-down/useHeldUp.ts';

const AT_ONCE = 4;

/** What comes off, what held it, where it goes: so that somebody else can put it together in eight months. */
export function StripScreen() {
  const visit = useThisVisit();
  const { steps } = visit.strip;
  const [editing, setEditing] = useState<StripStep | null>(null);
  const open = !visit.closedAt;
  return (
    <>
      <Said />
      <Cautions stage="strip" />
      <div className="grid items-start gap-4 lg:grid-cols-[minmax(0,1fr)_24rem]">
        <div className="flex min-w-0 flex-col gap-4">
          {open && <StepForm key={editing?.id ?? 'new'} step={editing} onClose={() => setEditing(null)} />}
          {!open && <Log />}
        </div>
        <div className="flex min-w-0 flex-col gap-2">
          {steps.length > 0 && <WhereIs />}
          {open && <Log onEdit={setEditing} />}
          <Phases />
          <Temporary />
          <Custody />
          <Passes />
        </div>
      </div>
      <StageFoot stage="strip" />
    </>
  );
}

/** What came off, the last thing first. */
function Log({ onEdit }: { onEdit?: (step: StripStep) => void }) {
  const { steps } = useThisVisit().strip;
  const tools = useStepTools();
  return (
    <Panel
      title="What came off"
      aside={
        steps.length > 0 && (
          <DocumentLink document="bench">
            <FileText className="size-5" aria-hidden />
            Bench sheet
          </DocumentLink>
        )
      }
    >
      <Rows tools={tools} setEditing={onEdit ?? (() => {})} />
    </Panel>
  );
}

function Said() {
  const visit = useThisVisit();
  const { steps, begun, passes } = visit.strip;
  const unsafe = useHeldUp('plates');
  const whole = staysWhole(visit.movement.traits);
  const pass = passes.at(-1)?.number ?? 1;
  if (!begun)
    return (
      <Answer tone="due" title="The strip has not begun">
        Power down comes first: nothing is taken off a wound movement.
      </Answer>
    );
  // Under the dial it comes off wound as it is.
  if (unsafe.length > 0 && depthSaid(passes) === null)
    return (
      <Answer tone="danger" title={`The ${unsafe.join(', the ')}`}>
        Hands and dial may come off.{' '}
        <Link className="font-semibold underline" to="../power">
          Make it safe
        </Link>{' '}
        before anything deeper.
      </Answer>
    );
  if (whole) return <Answer tone="info" title={whole} />;
  return (
    <Answer
      tone="info"
      title={
        steps.length === 0
          ? 'Log what comes off, before it is put down'
          : `${counted(steps.length, 'thing is', 'things are')} off${pass > 1 ? `, pass ${pass}` : ''}`
      }
    >
      Photo, what, held by, where it goes. The order of assembly is this list backwards.
    </Answer>
  );
}

function WhereIs() {
  const visit = useThisVisit();
  const { steps } = visit.strip;
  const [asked, setAsked] = useState('');
  const here = whereIs(steps, asked);
  return (
    <div>
      <SearchField label="Where is …?" placeholder="Where is …? strike third wheel" value={asked} onChange={setAsked} />
      {asked.trim() !== '' && (
        <ul role="status" className="mt-2">
          {here.length === 0 ? (
            <li className="text-soft">Nothing like that is logged.</li>
          ) : (
            here.slice(0, 4).map((s) => (
              <li key={s.id} className="text-xl">
                <b>{s.place || 'no place said'}</b>{' '}
                <span className="text-soft">
                  {s.what}
                  {s.fate !== 'apart' && `, ${s.fate}`}
                  {s.pass > 1 && `, pass ${s.pass}`}
                </span>
              </li>
            ))
          )}
        </ul>
      )}
    </div>
  );
}

function Rows({
  tools,
  setEditing,
}: {
  tools: ReturnType<typeof useStepTools>;
  setEditing: (next: StripStep) => void;
}) {
  const visit = useThisVisit();
  const { steps } = visit.strip;
  const [order, setOrder] = useState<'order' | 'groups'>('order');
  const grouped = steps.some((s) => s.group !== '');
  const latest = useMemo(() => steps.map((s) => ({ s, group: s.group })).reverse(), [steps]);
  const [shown, rest] = useFew(latest, AT_ONCE, 'steps');
  if (steps.length === 0) return <Empty>What comes off is listed here, the last one first.</Empty>;
  return (
    <>
      {grouped && (
        <div className="mb-3">
          <Choice
            hideLabel
            label="Shown"
            value={order}
            onChange={setOrder}
            options={[
              ['order', 'in their order'],
              ['groups', 'by sub-assembly'],
            ]}
          />
        </div>
      )}
      {(order === 'groups' && grouped ? bySubAssembly(shown) : [['', shown] as const]).map(([group, rows]) => (
        <section key={group} aria-label={group || 'What came off, in its order'}>
          {order === 'groups' && <h3 className="mt-3 text-lg first-letter:uppercase">{group || 'On its own'}</h3>}
          <Sortable
            rows={rows.map((row) => row.s)}
            nameOf={(s) => s.what}
            busy={tools.busy}
            onMove={(s, where) => tools.move(s, steps.indexOf(where))}
          >
            {(sorted) => (
              <ol className="flex flex-col divide-y divide-line">
                {sorted.map((s) => (
                  <StepRow
                    key={s.id}
                    step={s}
                    at={steps.indexOf(s)}
                    last={s === steps.at(-1)}
                    tools={tools}
                    onEdit={() => setEditing(s)}
                  />
                ))}
              </ol>
            )}
          </Sortable>
        </section>
      ))}
      {rest}
    </>
  );
}
