import type { Visit } from '@eclat/contract';
import type { OilPoint } from '@eclat/core/oiling';
import clsx from 'clsx';
import { Check, PenLine } from 'lucide-react';
import { useThisVisit } from '../visit/useThisVisit.ts';
import { GRADE_NAMES, GradeMark } from './GradeMark.tsx';

export type Oiled = Visit['oiled'][number];

export const onOf = (on: Oiled | undefined) =>
  on ? 'border-line bg-sunk' : 'border-line bg-enamel hover:border-steel';

export interface OilPointProps {
  point: OilPoint;
  on: Oiled | undefined;
  chosen: boolean;
  onPress: () => void;
  onDiffers: () => void;
}

export function OilPointRow({ point: p, on, chosen, onPress, onDiffers }: OilPointProps) {
  const visit = useThisVisit();
  return (
    <li className={clsx('flex items-stretch rounded-xl border-2', chosen ? 'border-steel bg-steel-wash' : onOf(on))}>
      <button
        type="button"
        role="checkbox"
        aria-checked={Boolean(on)}
        disabled={visit.closedAt !== null}
        onClick={onPress}
        className="flex min-h-16 min-w-0 flex-1 items-center gap-4 px-4 py-2 text-left"
      >
        <GradeMark grade={p.grade} />
        <span className="min-w-0 flex-1">
          <span className="block text-lg leading-tight font-semibold">{p.where}</span>
          <span className="block text-soft">
            <b className={p.grade === 'none' ? 'text-danger' : 'text-steel'}>{GRADE_NAMES[p.grade]}</b>, {p.amount}
            {on && (
              <>
                . {on.by}
                {on.product && `, ${on.product}`}
                {on.batch && `, batch ${on.batch}`}
              </>
            )}
          </span>
          {on?.differs && (
            <span className="block font-semibold text-brass">
              {on.dry ? 'Left dry' : 'Not as the chart'}: {on.differs}
            </span>
          )}
        </span>
        <span
          className={
            'grid size-9 shrink-0 place-items-center rounded-lg border-2 ' +
            (on ? 'border-steel bg-steel text-steel-ink' : 'border-line')
          }
        >
          {on && <Check className="size-6" aria-hidden />}
        </span>
      </button>
      {!visit.closedAt && (
        <button
          type="button"
          aria-label={`Not as the chart says: ${p.where}`}
          title="Not as the chart says"
          className="grid w-12 place-items-center rounded-r-xl border-l border-line text-soft hover:bg-steel-wash"
          onClick={onDiffers}
        >
          <PenLine className="size-5" aria-hidden />
        </button>
      )}
    </li>
  );
}
