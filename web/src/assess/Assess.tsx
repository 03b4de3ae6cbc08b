import { SEVERITIES, type Finding, type Visit } from '@eclat/contract';
import { api } from '../api/doors.ts';
import clsx from 'clsx';
import { Pencil, Plus, ShieldAlert, Trash2 } from 'lucide-react';
import { useState } from 'react';
import { useCommand } from '../api/useCommand.ts';
import { say } from '../store.ts';
import { Answer, Empty, Panel } from '../ui/Answer.tsx';
import { Button } from '../ui/Button.tsx';
import { Cautions } from '../visit/Cautions.tsx';
import { Photos } from '../visit/Photos.tsx';
import { StageFoot } from '../visit/StageFoot.tsx';
import { useThisVisit } from '../visit/thisVisit.ts';
import { FindingForm } from './FindingForm.tsx';

/** Worst first, by what it does. Shape and word before colour. */
const SEVERITY_LOOK: Record<(typeof SEVERITIES)[number], string> = {
  safety: 'bg-danger text-danger-ink border-danger', 'stops it': 'border-danger text-danger', 'harms it': 'border-brass-fill text-brass border-dashed',
  'keeps bad time': 'border-steel text-steel', looks: 'border-line text-soft',
};

export function Component() {
  const visit = useThisVisit();
  const [editing, setEditing] = useState<Finding | 'new' | null>(visit.findings.length === 0 && !visit.closedAt ? 'new' : null);
  const sorted = [...visit.findings].sort((a, b) => SEVERITIES.indexOf(a.severity) - SEVERITIES.indexOf(b.severity));
  return (
    <>
      <Summary findings={visit.findings} />
      <Cautions stage="assess" />
      {editing && <FindingForm key={editing === 'new' ? 'new' : editing.id} finding={editing === 'new' ? null : editing} onClose={() => setEditing(null)} />}
      <Panel title="Findings" aside={!visit.closedAt && !editing && <Button look="main" onClick={() => setEditing('new')}><Plus className="size-5" aria-hidden />Add a finding</Button>}>
        {sorted.length === 0 ? <Empty>Walk the clock in order: case, dial, hands, movement outside, power, trains, escapement, strike. Each finding has a place, what was seen and what it does.</Empty> : (
          <ul className="flex flex-col divide-y divide-line">
            {sorted.map((f) => <Row key={f.id} finding={f} visit={visit} onEdit={() => setEditing(f)} />)}
          </ul>
        )}
      </Panel>
      <Photos stage="assess" />
      <StageFoot stage="assess" />
    </>
  );
}

function Summary({ findings }: { findings: Finding[] }) {
  const safety = findings.filter((f) => f.severity === 'safety').length;
  const stops = findings.filter((f) => f.severity === 'stops it').length;
  const rest = findings.length - safety - stops;
  if (findings.length === 0) return <Answer tone="info" title="Look and record first, clean second">Grime, bright spots and colour differences are evidence.</Answer>;
  const parts = [safety > 0 && `${safety} for safety`, stops > 0 && `${stops} that ${stops === 1 ? 'stops' : 'stop'} it`, rest > 0 && `${rest} other`].filter(Boolean).join(', ');
  return <Answer tone={safety > 0 ? 'danger' : 'info'} title={`${findings.length} ${findings.length === 1 ? 'finding' : 'findings'}: ${parts}`} />;
}

function Row({ finding: f, visit, onEdit }: { finding: Finding; visit: Visit; onEdit: () => void }) {
  const params = { visitId: visit.id };
  const again = useCommand(api.findings.add, { what: 'Finding' });
  const remove = useCommand(api.findings.remove, {
    what: 'Finding',
    onDone: () => say('Finding taken back.', 'good', () => {
      const { place, seen, severity, effect, proposal, earlierRepair, doNotDisturb } = f;
      again.mutate({ params, body: { place, seen, severity, effect, proposal, earlierRepair, doNotDisturb } });
    }),
  });
  return (
    <li className="grid grid-cols-[1fr_auto] items-center gap-x-4 gap-y-1 py-3 lg:grid-cols-[10.5rem_minmax(0,1fr)_auto] lg:items-start">
      <div><span className={clsx('inline-block rounded-full border-2 px-3 py-0.5 text-sm font-bold whitespace-nowrap', SEVERITY_LOOK[f.severity])}>{f.severity}</span></div>
      <div className="col-span-2 row-start-2 min-w-0 lg:col-span-1 lg:row-start-auto">
        <p className="text-lg"><span className="font-bold">{f.place}:</span> {f.seen}</p>
        {f.proposal && <p>Proposed: {f.proposal}</p>}
        <p className="text-sm text-soft">
          {f.effect !== 'none' && <>Affects {f.effect}. </>}{f.earlierRepair && 'Earlier repair. '}{f.by}
        </p>
        {f.doNotDisturb && <p className="flex items-center gap-2 font-semibold text-danger"><ShieldAlert className="size-5" aria-hidden />Do not disturb</p>}
      </div>
      {!visit.closedAt && (
        <div className="flex">
          <button type="button" aria-label={`Correct: ${f.place}`} className="grid size-12 place-items-center rounded-lg hover:bg-steel-wash" onClick={onEdit}><Pencil className="size-5" /></button>
          <button type="button" aria-label={`Take back: ${f.place}`} className="grid size-12 place-items-center rounded-lg hover:bg-danger-wash" onClick={() => remove.mutate({ params: { ...params, findingId: f.id } })}><Trash2 className="size-5" /></button>
        </div>
      )}
    </li>
  );
}
