import type { StripStep } from '@eclat/contract';
import { remarkName } from '@eclat/core/strip';
import { ArrowDown, ArrowUp, Pencil, Trash2 } from 'lucide-react';
import { api } from '../../data/api.ts';
import { useCommand } from '../../data/useCommand.ts';
import { useTakeOut } from '../../data/useTakeOut.ts';
import { SortableRow } from '../../ui/Sortable.tsx';
import { useThisVisit } from '../visit/useThisVisit.ts';
import { Heard } from '../recordings/SpokenRemark.tsx';

const tool = 'grid size-11 place-items-center rounded-lg hover:bg-steel-wash disabled:opacity-30';

/** What came off, what held it, where it is, and what to mind. */
export function StepWords({ step: s }: { step: StripStep }) {
  const mind = [...s.remarks.map(remarkName), s.note].filter(Boolean).join(', ');
  return (
    <span className="min-w-0 flex-1 basis-44">
      <span className="block text-lg">
        <b>{s.what}</b>
        {s.group && <span className="text-soft">, {s.group}</span>}
      </span>
      {/* One line, whatever is said of it: a press on one row does not move the next from under the finger. */}
      <span className="block">
        {[s.heldBy, s.place].filter(Boolean).join(' → ')}
        {s.fate !== 'apart' && (
          <span className="text-sm text-soft">
            {' '}
            {s.fate}
            {s.fateNote && `: ${s.fateNote}`}, {s.fateBy}
          </span>
        )}
      </span>
      {mind && <span className="block font-semibold text-brass">{mind}</span>}
      {s.overrideReason && (
        <span className="block font-semibold text-danger">Opened under power: {s.overrideReason}</span>
      )}
      {s.recordingId && <Heard id={s.recordingId} />}
    </span>
  );
}

/** What a row may do, once for all rows: a movement may have two hundred of them. */
export function useStepTools() {
  const visit = useThisVisit();
  const moving = useCommand(api.strip.moveStep, { what: 'Step' });
  const out = useTakeOut(api.strip.removeStep, 'Step');
  const params = (s: StripStep) => ({ visitId: visit.id, stepId: s.id });
  return {
    closed: visit.closedAt !== null,
    busy: moving.isPending,
    move: (s: StripStep, position: number) => moving.mutate({ params: params(s), body: { position } }),
    remove: (s: StripStep) => out({ params: params(s) }),
  };
}

export function StepRow({
  step: s,
  at,
  last,
  tools,
  onEdit,
}: {
  step: StripStep;
  at: number;
  last: boolean;
  tools: ReturnType<typeof useStepTools>;
  onEdit: () => void;
}) {
  return (
    <SortableRow
      id={s.id}
      name={`Move ${s.what}`}
      grip={at + 1}
      gripClass="grid size-11 shrink-0 place-items-center rounded-full border-2 border-line font-bold tabular-nums"
      disabled={tools.closed}
      className="flex flex-wrap items-start gap-3 py-2 [contain-intrinsic-size:auto_4.5rem] [content-visibility:auto]"
    >
      {(grip) => (
        <>
          {grip}
          {s.photoId && (
            <img
              src={`/api/photos/${s.photoId}/small`}
              alt=""
              loading="lazy"
              className="size-14 shrink-0 rounded-lg object-cover"
            />
          )}
          <StepWords step={s} />
          {!tools.closed && (
            <span className="flex shrink-0 flex-wrap">
              <button
                type="button"
                aria-label={`Later: ${s.what}`}
                className={tool}
                disabled={last || tools.busy}
                onClick={() => tools.move(s, at + 1)}
              >
                <ArrowUp className="size-5" />
              </button>
              <button
                type="button"
                aria-label={`Earlier: ${s.what}`}
                className={tool}
                disabled={at === 0 || tools.busy}
                onClick={() => tools.move(s, at - 1)}
              >
                <ArrowDown className="size-5" />
              </button>
              <button type="button" aria-label={`Correct: ${s.what}`} className={tool} onClick={onEdit}>
                <Pencil className="size-5" />
              </button>
              <button type="button" aria-label={`Take out: ${s.what}`} className={tool} onClick={() => tools.remove(s)}>
                <Trash2 className="size-5" />
              </button>
            </span>
          )}
        </>
      )}
    </SortableRow>
  );
}
