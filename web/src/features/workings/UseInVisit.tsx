import type { BenchRow } from '@eclat/contract';
import type { StageId } from '@eclat/core/workflow';
import type { Working } from '@eclat/core/workings';
import { useNavigate } from 'react-router';
import { api } from '../../data/api.ts';
import { useBench } from '../../data/queries.ts';
import { Kept, useCommand } from '../../data/useCommand.ts';
import { say } from '../../data/app-state.ts';
import { Failed, Loading } from '../../ui/Answer.tsx';
import { Sheet } from '../../ui/Sheet.tsx';

/** Keeps a working with one of the clocks on the bench, at its present stage when the working belongs there. */
export function UseInVisit({
  working,
  input,
  onClose,
}: {
  working: Working;
  input: Record<string, unknown>;
  onClose: () => void;
}) {
  const { data, error } = useBench();
  const keep = useCommand(api.workings.keep, { what: working.title, onSent: onClose });
  return (
    <Sheet
      open
      onClose={onClose}
      title="Use in which visit?"
      description="The figures, the answer and the version of the calculation are kept with it."
    >
      <OnTheBench working={working} keep={keep} input={input} error={error} data={data} />
    </Sheet>
  );
}

function OnTheBench({
  working,
  keep,
  input,
  error,
  data,
}: {
  working: Working;
  keep: ReturnType<typeof useCommand<typeof api.workings.keep>>;
  input: Record<string, unknown>;
  error: Error | null;
  data: BenchRow[] | undefined;
}) {
  const go = useNavigate();
  const use = (visitId: string, now: StageId) => {
    const stage = working.stages.includes(now) ? now : working.stages[0]!;
    keep.mutate(
      { params: { visitId }, body: { working: working.id, stage, input } },
      {
        onSuccess: (reply) => {
          if (!(reply instanceof Kept)) {
            say(`${working.title} is kept with the visit.`);
            void go(`/visits/${visitId}/${stage}?look=workings`);
          }
        },
      },
    );
  };
  if (error && !data) return <Failed error={error} />;
  if (!data) return <Loading what="the bench" />;
  if (data.length === 0) return <p>No clock is on the bench.</p>;
  return (
    <ul className="max-h-[60vh] overflow-y-auto rounded-lg border border-line">
      {data.map((r) => (
        <li key={r.visitId} className="border-b border-line last:border-b-0">
          <button
            type="button"
            disabled={keep.isPending}
            className="block min-h-12 w-full px-4 py-2 text-left hover:bg-steel-wash"
            onClick={() => use(r.visitId, r.next.stage)}
          >
            <span className="block font-bold">{r.clock}</span>
            <span className="block text-sm text-soft">
              {r.claim} · {r.owner} · {r.movementCode}
            </span>
          </button>
        </li>
      ))}
    </ul>
  );
}
