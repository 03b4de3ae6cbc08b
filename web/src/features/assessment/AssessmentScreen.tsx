import { BigAction } from '../../ui/BigAction.tsx';
import type { Finding, Visit } from '@eclat/contract';
import { SEVERITIES } from '@eclat/core/assess';
import { api } from '../../data/api.ts';
import { walkOf } from '@eclat/core/assess';
import { byCount, counted } from '@eclat/core/units';
import clsx from 'clsx';
import { Eye, FileText, Pencil, Plus, ShieldAlert, Trash2 } from 'lucide-react';
import { useEffect, useRef, useState } from 'react';
import { useTakeOut } from '../../data/useTakeOut.ts';
import { Answer, Empty, Panel } from '../../ui/Answer.tsx';
import { Button } from '../../ui/Button.tsx';
import { Around } from '../visit/Around.tsx';
import { Cautions } from '../visit/Cautions.tsx';
import { StageFoot } from '../visit/StageFoot.tsx';
import { useThisVisit } from '../visit/useThisVisit.ts';
import { DocumentLink } from '../documents/Documents.tsx';
import { Dating } from './Dating.tsx';
import { FindingForm } from './FindingForm.tsx';
import { KnownOfType } from './KnownOfType.tsx';
import { Measurements } from './Measurements.tsx';
import { LaterLook } from './LaterLook.tsx';
import { Walk } from './Walk.tsx';

/** Worst first, by what it does. Shape and word before colour. */
const SEVERITY_LOOK: Record<(typeof SEVERITIES)[number], string> = {
  safety: 'bg-danger text-danger-ink border-danger',
  'stops it': 'border-danger text-danger',
  'harms it': 'border-brass-fill text-brass border-dashed',
  'keeps bad time': 'border-steel text-steel',
  looks: 'border-line text-soft',
};

export function AssessmentScreen() {
  const visit = useThisVisit();
  const { traits } = visit.movement;
  const [editing, setEditing] = useState<Finding | string | null>(null);
  const form = useRef<HTMLDivElement>(null);
  const sorted = [...visit.findings].sort((a, b) => SEVERITIES.indexOf(a.severity) - SEVERITIES.indexOf(b.severity));
  useEffect(() => {
    if (editing !== null) form.current?.querySelector<HTMLElement>(editing === '' ? 'input' : 'textarea')?.focus();
  }, [editing]);
  return (
    <>
      <Summary
        findings={visit.findings}
        left={walkOf(traits).filter((p) => !visit.places.some((x) => x.place === p.place)).length}
      />
      <Around>
        <Cautions stage="assess" />
        <KnownOfType />
      </Around>
      <div className="grid items-start gap-5 xl:grid-cols-[24rem_minmax(0,1fr)]">
        <Walk onFinding={setEditing} />
        <div className="flex min-w-0 flex-col gap-5">
          {editing !== null && (
            <div ref={form}>
              <FindingForm
                key={typeof editing === 'string' ? `new ${editing}` : editing.id}
                finding={editing}
                onClose={() => setEditing(null)}
              />
            </div>
          )}
          <Panel
            title="Findings"
            aside={
              <div className="flex flex-wrap gap-2">
                <DocumentLink document="condition">
                  <FileText className="size-5" aria-hidden />
                  Condition report
                </DocumentLink>
              </div>
            }
          >
            {sorted.length === 0 ? (
              <Empty>
                Walk the clock in order. What is in order is recorded too, otherwise nobody knows that it was looked at.
              </Empty>
            ) : (
              <ul className="flex flex-col divide-y divide-line">
                {sorted.map((f) => (
                  <Row key={f.id} finding={f} visit={visit} onEdit={() => setEditing(f)} />
                ))}
              </ul>
            )}
          </Panel>
          <Around>
            <Measurements />
            <Dating />
          </Around>
        </div>
      </div>
      {!visit.closedAt && editing === null && (
        <BigAction>
          <Button
            variant="main"
            aria-label="Add a finding"
            className="whitespace-nowrap max-sm:px-3"
            onClick={() => setEditing('')}
          >
            <Plus className="size-5" aria-hidden />
            <span className="max-sm:hidden">Add a finding</span>
            <span className="sm:hidden">Finding</span>
          </Button>
        </BigAction>
      )}
      <StageFoot stage="assess" />
    </>
  );
}

function Summary({ findings: all, left }: { findings: Finding[]; left: number }) {
  // What a later look found otherwise stands in the list, and counts no more.
  const findings = all.filter((f) => f.overturned === null);
  const safety = findings.filter((f) => f.severity === 'safety').length;
  const stops = findings.filter((f) => f.severity === 'stops it').length;
  const rest = findings.length - safety - stops;
  if (findings.length === 0)
    return (
      <Answer tone="info" title="Look and record first, clean second">
        Grime, bright spots and colour differences are evidence.
      </Answer>
    );
  const parts = [
    safety > 0 && `${safety} for safety`,
    stops > 0 && `${stops} that ${byCount(stops, 'stops', 'stop')} it`,
    rest > 0 && `${rest} other`,
  ]
    .filter(Boolean)
    .join(', ');
  return (
    <Answer
      tone={safety > 0 ? 'danger' : 'info'}
      title={`${counted(findings.length, 'finding')}${safety + stops > 0 ? `: ${parts}` : ', none that stops it'}`}
    >
      {left > 0 ? `${counted(left, 'place has', 'places have')} no answer yet.` : 'Every place has an answer.'}
    </Answer>
  );
}

function Row({ finding: f, visit, onEdit }: { finding: Finding; visit: Visit; onEdit: () => void }) {
  const points = visit.photos
    .flatMap((p) => p.marks)
    .filter((m) => m.findingId === f.id)
    .map((m) => m.number);
  const [again, setAgain] = useState(false);
  const because = visit.findings.find((x) => x.id === f.followsFrom);
  return (
    <li className="grid grid-cols-[minmax(0,1fr)_auto] items-start gap-x-4 py-3">
      <div className="min-w-0">
        <p className="text-lg">
          <span
            className={clsx(
              'mr-2 inline-block rounded-full border-2 px-3 align-middle text-sm font-bold whitespace-nowrap',
              SEVERITY_LOOK[f.severity],
            )}
          >
            {f.severity}
          </span>
          {points.map((n) => (
            <span
              key={n}
              className={
                'mr-2 inline-grid size-7 place-items-center rounded-full border-2 border-steel ' + 'text-base font-bold'
              }
              title="Point on a photo"
            >
              {n}
            </span>
          ))}
          <span className="font-bold">{f.place}:</span>{' '}
          <span className={clsx(f.overturned && 'line-through decoration-1')}>{f.seen}</span>
        </p>
        {because && (
          <p>
            Because of <b>{because.place}</b>: {because.seen}
          </p>
        )}
        <LaterLook finding={f} asking={again} onClose={() => setAgain(false)} />
        {f.proposal && (
          <p>
            Proposed: {f.proposal}
            {f.hours !== null && `, ${f.hours} h`}
          </p>
        )}
        <p className="text-sm text-soft">
          {f.effect !== 'none' && <>Affects {f.effect}. </>}
          {f.earlierRepair && 'Earlier repair. '}
          {f.by}
        </p>
        {f.doNotDisturb && (
          <p className="flex items-center gap-2 font-semibold text-danger">
            <ShieldAlert className="size-5" aria-hidden />
            Do not disturb
          </p>
        )}
      </div>
      {!visit.closedAt && <RowTools finding={f} onEdit={onEdit} onAgain={() => setAgain(true)} />}
    </li>
  );
}

interface ToolsProps {
  finding: Finding;
  onEdit: () => void;
  onAgain: () => void;
}

function RowTools({ finding: f, onEdit, onAgain }: ToolsProps) {
  const command = { params: { visitId: useThisVisit().id, findingId: f.id } };
  const out = useTakeOut(api.assessment.removeFinding, 'Finding');
  return (
    <div className="flex">
      {!f.overturned && (
        <button
          type="button"
          aria-label={`A later look: ${f.place}`}
          title="A later look found something else"
          className="grid size-12 place-items-center rounded-lg hover:bg-steel-wash"
          onClick={onAgain}
        >
          <Eye className="size-5" />
        </button>
      )}
      <button
        type="button"
        aria-label={`Correct: ${f.place}`}
        className="grid size-12 place-items-center rounded-lg hover:bg-steel-wash"
        onClick={onEdit}
      >
        <Pencil className="size-5" />
      </button>
      <button
        type="button"
        aria-label={`Take back: ${f.place}`}
        className="grid size-12 place-items-center rounded-lg hover:bg-danger-wash"
        onClick={() => out(command)}
      >
        <Trash2 className="size-5" />
      </button>
    </div>
  );
}
