import { holesOf, PLATES, trainName, trainsFromRight, type Plate } from '@eclat/core/movement';
import { ArrowLeftRight, Image } from 'lucide-react';
import { memo, useState } from 'react';
import { api } from '../../data/api.ts';
import { useCommand } from '../../data/useCommand.ts';
import { Button } from '../../ui/Button.tsx';
import { useThisVisit } from '../visit/useThisVisit.ts';
import { Centres } from './Centres.tsx';
import { PlacePhoto } from './PlacePhoto.tsx';

/** How the figure follows the real plates: sides of the trains, centre distances, a photo under the holes. */
export const PlatesLaid = memo(function PlatesLaid({ onHole }: { onHole: (key: string) => void }) {
  const visit = useThisVisit();
  const { movement } = visit;
  const [placing, setPlacing] = useState<Plate | null>(null);
  const lay = useCommand(api.movements.arrange, { what: 'Plates' });
  if (visit.closedAt) return null;
  const send = (change: Partial<typeof movement.plates>) =>
    lay.mutate({
      params: { movementId: movement.id },
      body: { ...movement.plates, ...change, visitId: visit.id, version: movement.version },
    });
  const trains = trainsFromRight(movement.traits, movement.plates);
  // The outermost goes to the other side: with two trains they change places, with three every order is a few presses
  // away.
  const turn = () => send({ sides: [...trains.slice(1), trains[0]!].map((t) => t.id) });
  const missing = PLATES.flatMap((plate) => {
    const laid = visit.platePhotos.find((p) => p.plate === plate);
    return laid ? holesOf(movement.traits).filter((h) => h.plate === plate && !laid.points[h.key]) : [];
  });
  return (
    <div className="no-print flex flex-col gap-3">
      <div className="flex flex-wrap gap-2">
        {trains.length > 1 && (
          <Button busy={lay.isPending} onClick={turn}>
            <ArrowLeftRight className="size-5" aria-hidden />
            {trains.length === 2 ? 'Swap sides' : 'Move trains'}
          </Button>
        )}
        {PLATES.map((p) => (
          <Button key={p} onClick={() => setPlacing(p)}>
            <Image className="size-5" aria-hidden />
            Photo of the {p} plate
          </Button>
        ))}
      </div>
      <p className="text-sm text-soft">
        On the front plate from the left: {trains.map(trainName).reverse().join(', ')}.
      </p>
      {missing.length > 0 && (
        <p>
          Not placed on the photo:{' '}
          {missing.map((h) => (
            <button
              key={h.key}
              type="button"
              className="mr-2 min-h-11 font-semibold text-steel underline"
              onClick={() => onHole(h.key)}
            >
              {h.arbor.id} {h.plate}
            </button>
          ))}
        </p>
      )}
      <Centres value={movement.plates.centresMm} busy={lay.isPending} onKeep={(centresMm) => send({ centresMm })} />
      {placing && <PlacePhoto plate={placing} onClose={() => setPlacing(null)} />}
    </div>
  );
});
