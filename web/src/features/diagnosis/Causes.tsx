import type { Diagnosis, RankedCause } from '@eclat/core/faults';
import { Minus, Plus, Wrench } from 'lucide-react';
import { Empty, Panel } from '../../ui/Answer.tsx';
import { useFew } from '../../ui/Few.tsx';
import { Help } from '../../ui/help/Help.tsx';
import { percent } from './Looks.tsx';

const AT_FIRST = 4;

export function Causes({ present, found }: { present: number; found: Diagnosis }) {
  const { ranked } = found;
  const [shown, rest] = useFew(ranked, AT_FIRST, 'causes');
  return (
    <Panel
      className={present > 0 ? 'xl:col-start-2 xl:row-start-2' : ''}
      title="Causes, likeliest first"
      aside={
        <span className="flex items-center gap-2 text-sm text-soft">
          Several may be true at once: they do not add up to 100 %.
          <Help about="causes" className="-my-2" />
        </span>
      }
    >
      {present === 0 ? (
        <Empty>Pick one symptom: the causes are ranked here, each with its reasons.</Empty>
      ) : (
        <>
          <p className="mb-1 rounded-lg bg-sunk px-3 py-2">{together(found)}</p>
          <ol className="flex flex-col divide-y divide-line">
            {shown.map((r) => (
              <Ranked key={r.instance.id} ranked={r} />
            ))}
          </ol>
          {rest}
        </>
      )}
    </Panel>
  );
}

/** The likeliest explanations of what is there, each without any other. */
export function together({ combinations: [best, next] }: Diagnosis): string {
  if (!best || best.instances.length === 0) return 'Nothing in the table explains it well: look where it costs least.';
  const names = best.instances.map((i) => i.name.toLowerCase()).join(' and ');
  const other =
    next && next.instances.length > 0
      ? `; or ${next.instances.map((i) => i.name.toLowerCase()).join(' and ')}, ${percent(next.probability)}`
      : '';
  return `It is only ${names}: ${percent(best.probability)}${other}.`;
}

export function Ranked({ ranked: { instance, probability, reasons, found } }: { ranked: RankedCause }) {
  return (
    <li className="grid grid-cols-[5.5rem_minmax(0,1fr)] gap-4 py-3">
      <div>
        <span className="text-2xl font-bold">{percent(probability)}</span>
        <span className="mt-1 block h-2 overflow-hidden rounded-full bg-sunk" aria-hidden>
          <span className="block h-full bg-steel" style={{ width: `${probability * 100}%` }} />
        </span>
      </div>
      <div>
        <p className="text-lg font-bold">
          {instance.name}
          {found && found.times > 0 && (
            <span className="ml-3 text-base font-normal text-soft">
              found {found.times} of {found.of} times it was looked for
            </span>
          )}
        </p>
        {reasons.map((r) => (
          <p key={r.text} className="flex items-start gap-2">
            {r.speaks === 'for' ? (
              <Plus className="mt-1 size-4 shrink-0 text-good" aria-label="for" />
            ) : (
              <Minus className="mt-1 size-4 shrink-0 text-danger" aria-label="against" />
            )}
            <span>
              {r.text}
              {r.strength === 'strongly' && <b className="font-semibold">, strongly</b>}
            </span>
          </p>
        ))}
        <p className="flex items-start gap-2 text-soft">
          <Wrench className="mt-1 size-4 shrink-0" aria-label="Remedy" />
          {instance.cause.remedy}
        </p>
      </div>
    </li>
  );
}
