import { Fold } from '../../ui/Fold.tsx';
import { Help } from '../../ui/help/Help.tsx';
import { PLATES } from '@eclat/core/movement';
import type { OilPoint } from '@eclat/core/oiling';
import { PlateFigure } from '../survey/PlateFigure.tsx';
import { useThisVisit } from '../visit/useThisVisit.ts';
import { GRADE_NAMES, GradeShape } from './GradeMark.tsx';

export function OnThePlates({
  shown,
  ticked,
  chosen,
  setChosen,
  pointAt,
}: {
  shown: OilPoint | null;
  ticked: Map<
    string,
    { product: string; batch: string; stockId: string | null; differs: string; by: string; at: string; point: string }
  >;
  chosen: string | null;
  setChosen: (next: string | null) => void;
  pointAt: (key: string) => OilPoint | null;
}) {
  const visit = useThisVisit();
  const { traits, plates } = visit.movement;
  return (
    <Fold title="On the plates" aside={<Help about="oil" />}>
      <p className="mb-3 min-h-14" aria-live="polite">
        {shown ? (
          <>
            <b>{shown.where}:</b> {GRADE_NAMES[shown.grade].toLowerCase()}, {shown.amount}
            {ticked.has(shown.id) ? '; ticked' : ''}.
          </>
        ) : (
          'Press a hole to see its point. A filled ring is ticked.'
        )}
      </p>
      <div className="grid gap-4 sm:grid-cols-2">
        {PLATES.map((plate) => (
          <PlateFigure
            key={plate}
            traits={traits}
            plate={plate}
            arrangement={plates}
            stateOf={() => 'not looked at'}
            chosen={chosen}
            onChoose={setChosen}
            markOf={(key) => {
              const p = pointAt(key);
              return p
                ? {
                    mark: <GradeShape grade={p.grade} done={ticked.has(p.id)} />,
                    says: `${GRADE_NAMES[p.grade].toLowerCase()}, ${ticked.has(p.id) ? 'ticked' : 'to do'}`,
                  }
                : { mark: null, says: 'no point' };
            }}
          />
        ))}
      </div>
    </Fold>
  );
}
