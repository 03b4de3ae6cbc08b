import { trainName, type Hole } from '@eclat/core/movement';
import { polishKey, shakeKey } from '@eclat/core/pivots';
import { counted } from '@eclat/core/units';
import { Button } from '../../ui/Button.tsx';
import { useKeys } from '../../ui/useKeys.ts';
import { useThisVisit } from '../visit/useThisVisit.ts';
import { useAllAtOnce } from './useAllAtOnce.ts';
import type { Survey } from './useSurvey.ts';

/** What holds for the whole train of the hole in hand, one press each; what has its own word keeps it. */
export function TrainAtOnce({ hole, survey }: { hole: Hole; survey: Survey }) {
  const visit = useThisVisit();
  const name = `${trainName(hole.train)} train`;
  const polish = useAllAtOnce(`The pivots of the ${name} are polished.`);
  const shake = useAllAtOnce(`End shake is right in the rest of the ${name}.`);
  const ofTrain = survey.all.filter((h) => h.train.id === hole.train.id);
  const looked = new Set(visit.partConditions.map((l) => l.key));
  const unlooked = (keys: string[]) => [...new Set(keys)].filter((k) => !looked.has(k));
  const rough = unlooked(ofTrain.map((h) => polishKey(h.key)));
  const unfelt = unlooked(ofTrain.map((h) => shakeKey(h.arbor.id)));
  const open = ofTrain.filter((h) => survey.isOpen(h.key)).map((h) => h.key);
  const all = [
    ['h', rough, () => polish.send(rough), polish.isPending, 'Pivots polished', counted(rough.length, 'pivot')],
    ['y', unfelt, () => shake.send(unfelt), shake.isPending, 'End shake right', counted(unfelt.length, 'arbor')],
    ['k', open, () => survey.restSound(open), false, 'The rest is sound', counted(open.length, 'hole')],
  ] as const;
  useKeys(Object.fromEntries(all.map(([key, of, press]) => [key, () => of.length > 0 && press()])));
  if (visit.closedAt || all.every(([, of]) => of.length === 0)) return null;
  return (
    <div role="group" aria-label={`All of the ${name}`}>
      <p className="mb-1 font-semibold">All of the {name}</p>
      <div className="grid grid-cols-3 gap-1.5">
        {all.map(([key, of, press, busy, what, many]) => (
          <Button
            key={key}
            busy={busy}
            disabled={of.length === 0}
            onClick={press}
            className="flex-col gap-0 px-1 text-sm leading-tight"
          >
            {what}
            <span className="font-normal text-soft">{of.length === 0 ? 'all said' : many}</span>
          </Button>
        ))}
      </div>
    </div>
  );
}
