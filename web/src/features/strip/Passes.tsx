import { Fold } from '../../ui/Fold.tsx';
import type { Visit } from '@eclat/contract';
import { isShallow } from '@eclat/core/workflow';
import { useState } from 'react';
import { api } from '../../data/api.ts';
import { useCommand } from '../../data/useCommand.ts';
import { useKept } from '../../data/useDraft.ts';
import { say } from '../../data/app-state.ts';
import { Button } from '../../ui/Button.tsx';
import { TextField } from '../../ui/Field.tsx';
import { AS_USUAL, HowDeep, type Apart } from './HowDeep.tsx';
import { useThisVisit } from '../visit/useThisVisit.ts';

/** A movement that has to come apart again: each pass with its reason, its cure and its hours. */
export function Passes() {
  const visit = useThisVisit();
  const { passes, begun } = visit.strip;
  const [reason, setReason] = useKept(`pass.${visit.id}`, '');
  const [apart, setApart] = useState<Apart>(AS_USUAL);
  const open = useCommand(api.strip.openPass, {
    what: 'Pass',
    onSent: () => setReason(''),
    onDone: (p) =>
      say(
        isShallow(p.depth)
          ? `Pass ${p.number}, ${p.depth}: the trains may stay wound.`
          : `Pass ${p.number}: power down comes first again.`,
      ),
  });
  // Only what our own work cost is lost.
  const hours = passes.filter((p) => p.mends === 'our own work').reduce((h, p) => h + (p.hours ?? 0), 0);
  if (!begun) return null;
  return (
    <Fold
      title="Apart again"
      says={passes.length > 0 && `${passes.length + 1} passes${hours > 0 ? `, ${hours} h lost` : ''}`}
    >
      <ol className="divide-y divide-line">
        {passes.map((p) => (
          <Cure key={`${p.number} ${p.cure} ${p.hours}`} pass={p} />
        ))}
      </ol>
      {!visit.closedAt && (
        <form
          className="mt-1 flex flex-col gap-2"
          onSubmit={(e) => {
            e.preventDefault();
            open.mutate({ params: { visitId: visit.id }, body: { reason, ...apart } });
          }}
        >
          <TextField
            label="It has to come apart again, because"
            placeholder="strike runs on"
            value={reason}
            onChange={(e) => setReason(e.target.value)}
          />
          {reason.trim() !== '' && <HowDeep value={apart} onChange={setApart} />}
          <Button type="submit" className="self-start" disabled={reason.trim() === ''} busy={open.isPending}>
            Open a pass
          </Button>
        </form>
      )}
    </Fold>
  );
}

function Cure({ pass: p }: { pass: Visit['strip']['passes'][number] }) {
  const visit = useThisVisit();
  const [cure, setCure, forgetCure] = useKept(`cure.${visit.id}.${p.number}`, p.cure);
  const [hours, setHours, forgetHours] = useKept(
    `cure.${visit.id}.${p.number}.hours`,
    p.hours === null ? '' : String(p.hours),
  );
  const close = useCommand(api.strip.closePass, { what: 'Pass', onSent: () => (forgetCure(), forgetHours()) });
  const figure = hours.trim() === '' ? null : Number(hours.replace(',', '.'));
  const wrong = figure !== null && !(figure >= 0 && figure <= 500);
  return (
    <li className="flex flex-col gap-2 py-2">
      <span>
        <b>
          Pass {p.number}, {p.depth}
        </b>
        : {p.reason}. Puts right {p.mends}.
      </span>
      {visit.closedAt ? (
        <span>{p.cure}</span>
      ) : (
        <span className="grid grid-cols-[minmax(0,1fr)_6rem] gap-2">
          <TextField label={`Cure of pass ${p.number}`} value={cure} onChange={(e) => setCure(e.target.value)} />
          <TextField
            label="Hours"
            inputMode="decimal"
            error={wrong ? 'Hours, such as 1.5.' : undefined}
            value={hours}
            onChange={(e) => setHours(e.target.value)}
          />
          {(cure !== p.cure || figure !== p.hours) && !wrong && (
            <Button
              className="col-span-2 justify-self-start"
              busy={close.isPending}
              onClick={() =>
                close.mutate({ params: { visitId: visit.id, pass: String(p.number) }, body: { cure, hours: figure } })
              }
            >
              Save
            </Button>
          )}
        </span>
      )}
    </li>
  );
}
