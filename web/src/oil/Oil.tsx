import { api } from '../api/doors.ts';
import { oilChart, type Grade } from '@eclat/core/oiling';
import { Check } from 'lucide-react';
import { useState } from 'react';
import { useCommand } from '../api/useCommand.ts';
import { Answer } from '../ui/Answer.tsx';
import { TextField } from '../ui/Field.tsx';
import { StageFoot } from '../visit/StageFoot.tsx';
import { useThisVisit } from '../visit/thisVisit.ts';

const GRADE_NAMES: Record<Grade, string> = { grease: 'Grease', heavy: 'Heavy oil', clock: 'Clock oil', fine: 'Fine oil', none: 'Leave dry' };

/** Drop by size; grease a dab; dry an empty drop crossed out. */
function GradeMark({ grade }: { grade: Grade }) {
  const drop = (s: number) => `M12 ${12 - 9 * s} C ${12 + 4 * s} ${12 - 3 * s} ${12 + 7 * s} ${12} ${12 + 7 * s} ${12 + 3 * s} A ${7 * s} ${7 * s} 0 0 1 ${12 - 7 * s} ${12 + 3 * s} C ${12 - 7 * s} ${12} ${12 - 4 * s} ${12 - 3 * s} 12 ${12 - 9 * s} Z`;
  return (
    <svg viewBox="0 0 24 24" className="size-9 shrink-0" aria-hidden>
      {grade === 'grease' && <path d="M3 18 C4 10 8 13 9 9 C11 4 15 5 15 10 C19 9 21 13 21 18 Z" className="fill-brass-fill" />}
      {grade === 'none' && <><path d={drop(0.85)} className="fill-none stroke-danger" strokeWidth={2} /><path d="M4 4 L20 20" className="stroke-danger" strokeWidth={2.4} /></>}
      {(grade === 'heavy' || grade === 'clock' || grade === 'fine') && <path d={drop({ heavy: 1.1, clock: 0.85, fine: 0.55 }[grade])} className="fill-steel" />}
    </svg>
  );
}

/** The right thing at the right points, little of it, and nothing where it must stay dry. */
export function Component() {
  const visit = useThisVisit();
  const chart = oilChart(visit.movement.traits, visit.rules.held);
  const [product, setProduct] = useState(() => visit.oiled.at(-1)?.product ?? '');
  const ticked = new Map(visit.oiled.map((o) => [o.point, o]));
  const tick = useCommand(api.oiling.tick, { what: 'Oil' });
  const untick = useCommand(api.oiling.untick, { what: 'Oil' });
  const left = chart.filter((p) => !ticked.has(p.id)).length;
  const dry = chart.filter((p) => p.grade === 'none').length;
  const params = (point: string) => ({ visitId: visit.id, point });
  return (
    <>
      <Answer tone={left === 0 ? 'good' : 'info'} title={left === 0 ? 'Every point is oiled or left dry' : `${left} of ${chart.length} points to go`}>Too much is the commoner fault. {dry} points stay dry, and are ticked too.</Answer>
      {!visit.closedAt && <TextField className="max-w-md" label="Oil in hand" hint="Product and batch: it is kept with each point ticked." value={product} onChange={(e) => setProduct(e.target.value)} />}
      <ul className="grid gap-2 xl:grid-cols-2">
        {chart.map((p) => {
          const on = ticked.get(p.id);
          return (
            <li key={p.id}>
              <button type="button" role="checkbox" aria-checked={Boolean(on)} disabled={visit.closedAt !== null}
                onClick={() => (on ? untick.mutate({ params: params(p.id) }) : tick.mutate({ params: params(p.id), body: { product: p.grade === 'none' ? '' : product } }))}
                className={`flex min-h-16 w-full items-center gap-4 rounded-xl border-2 px-4 py-2 text-left ${on ? 'border-line bg-sunk' : 'border-line bg-enamel hover:border-steel'}`}>
                <GradeMark grade={p.grade} />
                <span className="min-w-0 flex-1">
                  <span className="block text-lg leading-tight font-semibold">{p.where}</span>
                  <span className="block text-soft"><b className={p.grade === 'none' ? 'text-danger' : 'text-steel'}>{GRADE_NAMES[p.grade]}</b>, {p.amount}{on && <>. {on.by}{on.product && `, ${on.product}`}</>}</span>
                </span>
                <span className={`grid size-9 shrink-0 place-items-center rounded-lg border-2 ${on ? 'border-steel bg-steel text-steel-ink' : 'border-line'}`}>{on && <Check className="size-6" aria-hidden />}</span>
              </button>
            </li>
          );
        })}
      </ul>
      <StageFoot stage="oil" ready={left === 0} why={`${left} ${left === 1 ? 'point is' : 'points are'} not ticked.`} />
    </>
  );
}
