import type { KeptWorking, Visit } from '@eclat/contract';
import type { StageId } from '@eclat/core/workflow';
import { fieldsOf, suits, typedOf, workingById, WORKINGS, type Working } from '@eclat/core/workings';
import { Sigma, Trash2 } from 'lucide-react';
import { useState } from 'react';
import { Link } from 'react-router';
import { api } from '../../data/api.ts';
import { useCommand } from '../../data/useCommand.ts';
import { useTakeOut } from '../../data/useTakeOut.ts';
import { serverNow, useAppState } from '../../data/app-state.ts';
import { Button } from '../../ui/Button.tsx';
import { dayTime } from '../../ui/dates.ts';
import { Sheet } from '../../ui/Sheet.tsx';
import { toAddress } from './address.ts';
import { knownOf } from './prefill.ts';
import { Desk } from './Desk.tsx';
import { useReckoning } from './useReckoning.ts';
import { useTyped } from './useTyped.ts';

/**
 * The workings of a stage: those kept with this visit, and the ones that can be done. Beside the stages: all that were
 * kept.
 */
export default function StageWorkings({ visit, stage }: { visit: Visit; stage: StageId | undefined }) {
  const [open, setOpen] = useState<Working | null>(null);
  const kept = visit.workings.filter((k) => !stage || k.stage === stage);
  const offered =
    visit.closedAt || !stage ? [] : WORKINGS.filter((w) => w.stages.includes(stage) && suits(w, visit.movement.traits));
  return (
    <>
      {kept.length > 0 && (
        <ul className="mb-4 flex flex-col divide-y divide-line">
          {kept.map((k) => (
            <Kept key={k.id} visit={visit} kept={k} />
          ))}
        </ul>
      )}
      <ul className="no-print flex flex-wrap gap-2">
        {offered.map((w) => (
          <li key={w.id}>
            <Button onClick={() => setOpen(w)}>
              <Sigma className="size-4" aria-hidden />
              {w.title}
            </Button>
          </li>
        ))}
        <li>
          <Link
            className="inline-flex min-h-12 items-center px-3 font-semibold text-steel underline"
            to={stage ? `/workings?stage=${stage}` : '/workings'}
          >
            {stage ? 'All workings of this stage' : 'All workings'}
          </Link>
        </li>
      </ul>
      {open && stage && (
        <WorkSheet key={open.id} visit={visit} stage={stage} working={open} onClose={() => setOpen(null)} />
      )}
    </>
  );
}

function Kept({ visit, kept }: { visit: Visit; kept: KeptWorking }) {
  const units = useAppState((s) => s.units);
  const working = workingById(kept.working);
  const params = { visitId: visit.id };
  const out = useTakeOut(api.workings.remove, 'Working');
  const address = working
    ? `/workings/${working.id}?` +
      toAddress(typedOf(fieldsOf(working.inputs), kept.input, units)).toString() +
      (units === 'inch' ? '&units=inch' : '')
    : null;
  const older = working && working.version !== kept.version;
  return (
    <li className="flex flex-wrap items-center gap-x-4 gap-y-1 py-3">
      <div className="min-w-0 flex-1">
        <p className="text-lg font-semibold">{kept.says}</p>
        <p className="text-sm text-soft">
          {address ? (
            <Link className="font-semibold text-steel underline" to={address}>
              {working!.title}
            </Link>
          ) : (
            kept.working
          )}
          , {kept.by}, {dayTime(kept.at)}
          {older && `, by version ${kept.version} of it; it is ${working.version} now`}
        </p>
      </div>
      {!visit.closedAt && (
        <button
          type="button"
          aria-label={`Take back: ${working?.title ?? kept.working}`}
          className="no-print grid size-12 place-items-center rounded-lg hover:bg-danger-wash"
          onClick={() => out({ params: { ...params, keptId: kept.id } })}
        >
          <Trash2 className="size-5" aria-hidden />
        </button>
      )}
    </li>
  );
}

function WorkSheet({
  visit,
  stage,
  working,
  onClose,
}: {
  visit: Visit;
  stage: StageId;
  working: Working;
  onClose: () => void;
}) {
  const [known] = useState(() => knownOf(working, visit, serverNow()));
  const [typed, change] = useTyped(working, { known, visitId: visit.id });
  const units = useAppState((s) => s.units);
  const reckoning = useReckoning(working, typed);
  const keep = useCommand(api.workings.keep, { what: working.title, onSent: onClose });
  const { outcome, form } = reckoning;
  return (
    <Sheet open onClose={onClose} title={working.title} description={working.asks} wide>
      <Desk
        narrow
        working={working}
        typed={typed}
        onTyped={change}
        reckoning={reckoning}
        actions={
          <div className="flex flex-wrap items-center gap-3">
            <Button
              variant="main"
              busy={keep.isPending}
              disabled={!outcome?.ok || keep.isPending}
              onClick={() =>
                keep.mutate({ params: { visitId: visit.id }, body: { working: working.id, stage, input: form.input } })
              }
            >
              Save with this visit
            </Button>
            <Link
              className="inline-flex min-h-11 items-center font-semibold text-steel underline"
              to={`/workings/${working.id}?${toAddress(typed).toString()}${units === 'inch' ? '&units=inch' : ''}`}
            >
              With picture, formula and checks
            </Link>
          </div>
        }
      />
    </Sheet>
  );
}
