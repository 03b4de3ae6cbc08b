import type { PlatePhoto } from '@eclat/contract';
import type { Photo } from '@eclat/contract';
import type { Spot } from '@eclat/core/photo';
import { holesOf, type Plate, type Hole } from '@eclat/core/movement';
import { useState, type Dispatch, type SetStateAction } from 'react';
import { api } from '../../data/api.ts';
import { useCommand } from '../../data/useCommand.ts';
import { useTakeOut } from '../../data/useTakeOut.ts';
import { Empty } from '../../ui/Answer.tsx';
import { Button } from '../../ui/Button.tsx';
import { Sheet } from '../../ui/Sheet.tsx';
import { MarkedPhoto } from '../photos/MarkedPhoto.tsx';
import { useThisVisit } from '../visit/useThisVisit.ts';

type Points = Record<string, { x: number; y: number }>;

/** Each hole is pressed once on a photo of the real plate, in the order of the trains. */
export function PlacePhoto({ plate, onClose }: { plate: Plate; onClose: () => void }) {
  const visit = useThisVisit();
  const laid = visit.platePhotos.find((p) => p.plate === plate);
  const [photoId, setPhoto] = useState(laid?.photoId ?? null);
  const [points, setPoints] = useState<Points>(laid?.points ?? {});
  const [again, setAgain] = useState<string | null>(null);
  const keep = useCommand(api.survey.setPlatePhoto, { what: 'Photo of the plate', onSent: onClose });
  const remove = useTakeOut(api.survey.removePlatePhoto, 'Photo');
  const holes = holesOf(visit.movement.traits).filter((h) => h.plate === plate);
  const next = holes.find((h) => h.key === again) ?? holes.find((h) => !points[h.key]);
  const photo = visit.photos.find((p) => p.id === photoId);
  return (
    <Sheet open wide onClose={onClose} title={`Photo of the ${plate} plate`} description={saysOf(photo, next)}>
      {!photo ? (
        <ChoosePhoto setPhoto={setPhoto} laid={laid} setPoints={setPoints} />
      ) : (
        <PlaceHoles
          plate={plate}
          next={next}
          setPoints={setPoints}
          setAgain={setAgain}
          holes={holes}
          points={points}
          photo={photo}
          keep={keep}
          laid={laid}
          setPhoto={setPhoto}
          remove={remove}
          onClose={onClose}
        />
      )}
    </Sheet>
  );
}

function saysOf(photo: Photo | undefined, next: Hole | undefined) {
  if (!photo) return 'Choose the photo that shows this plate squarely.';
  return next ? `Press where ${next.arbor.id} ${next.arbor.name} is.` : 'Every hole is placed.';
}

function ChoosePhoto({
  setPhoto,
  laid,
  setPoints,
}: {
  setPhoto: (next: string | null) => void;
  laid: PlatePhoto | undefined;
  setPoints: (next: Points) => void;
}) {
  const visit = useThisVisit();
  if (visit.photos.length === 0)
    return <Empty>There is no photo in this visit yet. Take one at the intake or in the strip.</Empty>;
  return (
    <ul className="flex flex-wrap gap-3">
      {visit.photos.map((p) => (
        <li key={p.id}>
          <button
            type="button"
            className="rounded-lg border-4 border-transparent hover:border-steel"
            onClick={() => {
              setPhoto(p.id);
              if (p.id !== laid?.photoId) setPoints({});
            }}
          >
            <img
              src={`/api/photos/${p.id}/small`}
              alt={p.caption || 'Photo'}
              className="size-32 rounded object-cover"
            />
          </button>
        </li>
      ))}
    </ul>
  );
}

function PlaceHoles({
  plate,
  next,
  setPoints,
  setAgain,
  holes,
  points,
  photo,
  keep,
  laid,
  setPhoto,
  remove,
  onClose,
}: {
  plate: Plate;
  next: Hole | undefined;
  setPoints: Dispatch<SetStateAction<Points>>;
  setAgain: (next: string | null) => void;
  holes: Hole[];
  points: Points;
  photo: Photo;
  keep: ReturnType<typeof useCommand<typeof api.survey.setPlatePhoto>>;
  laid: PlatePhoto | undefined;
  setPhoto: (next: string | null) => void;
  remove: (command: { params: { visitId: string; plate: string } }) => void;
  onClose: () => void;
}) {
  const visit = useThisVisit();
  const params = { visitId: visit.id, plate };
  const put = (at: Spot) => {
    if (next) {
      setPoints((p) => ({ ...p, [next.key]: at }));
      setAgain(null);
    }
  };
  const placed = holes.filter((h) => points[h.key]);
  return (
    <div className="flex flex-col gap-3">
      <div className="mx-auto w-full max-w-[60vh]">
        <MarkedPhoto
          src={`/api/photos/${photo.id}/large`}
          alt={photo.caption || 'The plate'}
          photo={{
            width: photo.width,
            height: photo.height,
            marks: placed.map((h) => ({ number: holes.indexOf(h) + 1, ...points[h.key]! })),
          }}
          chosen={null}
          press={{ asks: next ? `Press where ${next.arbor.id} ${next.arbor.name} is` : null, onPress: put }}
        />
      </div>
      <HoleButtons holes={holes} next={next} setAgain={setAgain} points={points} />
      <div className="flex flex-wrap gap-3">
        <Button
          variant="main"
          disabled={placed.length === 0}
          busy={keep.isPending}
          onClick={() => keep.mutate({ params, body: { photoId: photo.id, points, version: laid?.version ?? 0 } })}
        >
          Use as background
        </Button>
        <Button onClick={() => setPhoto(null)}>Another photo</Button>
        {laid && (
          <Button
            variant="plain"
            onClick={() => {
              remove({ params });
              onClose();
            }}
          >
            Back to the drawing
          </Button>
        )}
      </div>
    </div>
  );
}

function HoleButtons({
  holes,
  next,
  setAgain,
  points,
}: {
  holes: Hole[];
  next: Hole | undefined;
  setAgain: (next: string | null) => void;
  points: Points;
}) {
  return (
    <div className="flex flex-wrap gap-2" role="group" aria-label="Holes">
      {holes.map((h, i) => (
        <button
          key={h.key}
          type="button"
          aria-pressed={next?.key === h.key}
          className={
            'min-h-11 rounded-full border border-line px-3 font-semibold aria-pressed:border-steel ' +
            'aria-pressed:bg-steel aria-pressed:text-steel-ink'
          }
          onClick={() => setAgain(h.key)}
        >
          {i + 1}. {h.arbor.id}
          {points[h.key] ? '' : ' …'}
        </button>
      ))}
    </div>
  );
}
