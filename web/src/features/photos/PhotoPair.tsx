import type { Photo } from '@eclat/contract';
import { showsAfter } from '@eclat/core/photo';
import { Columns2 } from 'lucide-react';
import { useState } from 'react';
import { api } from '../../data/api.ts';
import { say } from '../../data/app-state.ts';
import { useCommand } from '../../data/useCommand.ts';
import { Button } from '../../ui/Button.tsx';
import { useThisVisit } from '../visit/useThisVisit.ts';
import { photoName, PhotoThumb } from './PhotoThumb.tsx';

interface Props {
  photo: Photo;
  change: ReturnType<typeof useCommand<typeof api.photos.change>>;
}

/** The photo that shows the same before the work: the two stand side by side in the book. */
export function PhotoPair({ photo, change }: Props) {
  const visit = useThisVisit();
  const [choosing, setChoosing] = useState(false);
  const params = { visitId: visit.id, photoId: photo.id };
  const before = visit.photos.find((p) => p.id === photo.beforeId);
  const after = visit.photos.filter((p) => p.beforeId === photo.id);
  const open = !visit.closedAt;
  const pair = (beforeId: string) => {
    change.mutate({ params, body: { beforeId } });
    setChoosing(false);
  };
  const part = useCommand(api.photos.change, {
    what: 'Photo',
    onDone: (_reply, _sent, undo) => say('No pair any more.', 'good', undo),
  });
  // The earliest first: before anybody touched it.
  const others = visit.photos.filter((p) => !showsAfter(visit.photos, p.id, photo.id));
  return (
    <>
      {before && (
        <div className="flex flex-wrap items-center gap-3 rounded-lg bg-sunk p-2">
          <Small photo={before} />
          <span className="min-w-44 flex-1">
            <b className="block">Before</b>
            {photoName(before)}
          </span>
          {open && (
            <Button
              variant="plain"
              aria-label={`Not this one: ${photoName(before)}`}
              onClick={() => part.mutate({ params, body: { beforeId: null } })}
            >
              Not this one
            </Button>
          )}
        </div>
      )}
      {after.map((p) => (
        <div key={p.id} className="flex items-center gap-3 rounded-lg bg-sunk p-2">
          <Small photo={p} />
          <span>
            <b className="block">After</b>
            {photoName(p)}
          </span>
        </div>
      ))}
      {open && !before && !choosing && others.length > 0 && (
        <Button className="self-start" onClick={() => setChoosing(true)}>
          <Columns2 className="size-5" aria-hidden />
          Choose its before
        </Button>
      )}
      {choosing && (
        <div role="group" aria-label="Which photo shows it before?">
          <p className="font-semibold">Which photo shows it before?</p>
          <ul className="mt-1 grid max-h-80 grid-cols-3 gap-2 overflow-y-auto">
            {others.map((p) => (
              <PhotoThumb key={p.id} photo={p} onPress={() => pair(p.id)} />
            ))}
          </ul>
          <Button variant="plain" onClick={() => setChoosing(false)}>
            None of them
          </Button>
        </div>
      )}
    </>
  );
}

const Small = ({ photo }: { photo: Photo }) => (
  <img src={`/api/photos/${photo.id}/small`} alt="" className="size-16 rounded-lg object-cover" />
);
