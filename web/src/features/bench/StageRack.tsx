import type { BenchRow } from '@eclat/contract';
import { counted } from '@eclat/core/units';
import { STAGES, type StageId } from '@eclat/core/workflow';
import clsx from 'clsx';

/**
 * The shop's work laid out as a toothed rack: one tooth a stage, its height the clocks that stand there. Pressing one
 * shows only those.
 */
export function StageRack({
  rows,
  chosen,
  onChoose,
}: {
  rows: readonly BenchRow[];
  chosen: StageId | null;
  onChoose: (stage: StageId | null) => void;
}) {
  const counts = new Map(STAGES.map(({ id }) => [id, rows.filter((r) => r.next.stage === id).length]));
  const most = Math.max(1, ...counts.values());
  return (
    <div
      role="group"
      aria-label="Show one stage"
      className={
        'grid grid-cols-4 gap-x-1 gap-y-2 rounded-xl border border-line bg-enamel px-3 pt-3 ' +
        'sm:grid-cols-7 lg:grid-cols-14'
      }
    >
      {STAGES.map(({ id, name }) => {
        const n = counts.get(id)!;
        const on = chosen === id;
        return (
          <button
            key={id}
            type="button"
            aria-pressed={on}
            aria-label={`${name}: ${counted(n, 'clock')}`}
            onClick={() => onChoose(on ? null : id)}
            className={clsx(
              'flex flex-col items-stretch justify-end rounded-t-lg pt-1 text-center hover:bg-steel-wash',
              on && 'bg-steel-wash',
            )}
          >
            <span className={clsx('text-xl font-bold', n === 0 && 'text-soft')}>{n}</span>
            <span
              className={clsx('min-h-10 text-sm leading-tight lg:min-h-0', on ? 'font-bold text-steel' : 'text-soft')}
            >
              {name}
            </span>
            <svg viewBox="0 0 100 30" preserveAspectRatio="none" className="mt-1 block h-7 w-full" aria-hidden>
              <path d={`M0 30 V25 H18 L30 ${25 - 23 * (n / most)} H70 L82 25 H100 V30 Z`} className={fillOf(on, n)} />
            </svg>
          </button>
        );
      })}
    </div>
  );
}

function fillOf(on: boolean, n: number) {
  if (on) return 'fill-brass-fill';
  if (n === 0) return 'fill-line';
  return 'fill-steel';
}
