import type { Visit } from '@eclat/contract';
import type { StageId } from '@eclat/core/workflow';
import clsx from 'clsx';
import { Camera, GripVertical } from 'lucide-react';
import { lazy, useState } from 'react';
import { api } from '../../data/api.ts';
import { useCommand } from '../../data/useCommand.ts';
import { Empty, Panel } from '../../ui/Answer.tsx';
import { Button } from '../../ui/Button.tsx';
import { ChoosePhotos } from './ChoosePhotos.tsx';
import { PhotoSheet } from './PhotoSheet.tsx';
import { PhotoFace, photoName } from './PhotoThumb.tsx';
import { UnsentPhotos } from './UnsentPhotos.tsx';
import { usePhotos } from './usePhotos.ts';
import { Sortable, SortableRow } from '../../ui/Sortable.tsx';
import { useThisVisit } from '../visit/useThisVisit.ts';
import { Late } from '../../ui/Late.tsx';

const CameraSheet = lazy(() => import('../../devices/CameraSheet.tsx').then((m) => ({ default: m.CameraSheet })));
/** So many stand there at once; the others come by a press. */
const FIRST = 24;

/**
 * Photos from file, drag, paste or the camera. While the server is away they stand here all the same.
 */
export function Photos({ stage, bare = false }: { stage: StageId; bare?: boolean }) {
  const visit = useThisVisit();
  const [over, setOver] = useState(false);
  const [all, setAll] = useState(false);
  const [open, setOpen] = useState<string | null>(null);
  const [camera, setCamera] = useState(false);
  const { unsent, busy, add } = usePhotos(stage);
  // What waits stands by itself below, with what may be done about it.
  const photos = visit.photos.filter((p) => unsent.every((u) => u.key !== p.id));
  const shown = visit.photos.find((p) => p.id === open);
  return (
    <Panel
      bare={bare}
      title={`Photos${photos.length > 0 ? ` (${photos.length})` : ''}`}
      aside={
        !visit.closedAt && (
          <div className="flex flex-wrap gap-2">
            <ChoosePhotos add={add} busy={busy} />
            <Button onClick={() => setCamera(true)}>
              <Camera className="size-5" aria-hidden />
              Camera
            </Button>
          </div>
        )
      }
    >
      <div
        className={clsx('rounded-lg', over && 'outline-3 outline-dashed outline-steel')}
        onDragOver={(e) => {
          e.preventDefault();
          setOver(true);
        }}
        onDragLeave={() => setOver(false)}
        onDrop={(e) => {
          e.preventDefault();
          setOver(false);
          add(e.dataTransfer.files);
        }}
      >
        {photos.length + unsent.length === 0 ? (
          <Empty>
            Photographs before anybody touches anything. Choose files, take them with the camera, drop or paste them
            here.
          </Empty>
        ) : (
          <PhotoGrid photos={all ? photos : photos.slice(0, FIRST)} setOpen={setOpen} />
        )}
        {!all && photos.length > FIRST && (
          <Button className="mt-3" onClick={() => setAll(true)}>
            All {photos.length} photos
          </Button>
        )}
      </div>
      {unsent.length > 0 && <UnsentPhotos unsent={unsent} />}
      {shown && <PhotoSheet key={shown.id} photo={shown} onClose={() => setOpen(null)} />}
      {camera && (
        <Late>
          <CameraSheet onPhoto={(file) => add([file])} onClose={() => setCamera(false)} />
        </Late>
      )}
    </Panel>
  );
}

function PhotoGrid({ photos, setOpen }: { photos: Visit['photos']; setOpen: (next: string | null) => void }) {
  const visit = useThisVisit();
  const change = useCommand(api.photos.change, { what: 'Photo' });
  const fixed = visit.closedAt !== null || photos.length < 2;
  return (
    <Sortable
      grid
      rows={photos}
      nameOf={photoName}
      busy={change.isPending}
      onMove={(p, where) =>
        change.mutate({ params: { visitId: visit.id, photoId: p.id }, body: { position: visit.photos.indexOf(where) } })
      }
    >
      {(sorted) => (
        <ul
          className={
            'grid grid-cols-[repeat(auto-fill,minmax(6.5rem,1fr))] gap-3 [contain-intrinsic-size:auto_24rem] ' +
            '[content-visibility:auto] sm:grid-cols-[repeat(auto-fill,minmax(9rem,1fr))]'
          }
        >
          {sorted.map((p) => (
            <SortableRow
              key={p.id}
              id={p.id}
              name={`Move photo ${photoName(p)}`}
              grip={<GripVertical className="size-5" aria-hidden />}
              gripClass="grid h-11 w-8 shrink-0 place-items-center rounded-lg hover:bg-steel-wash"
              disabled={fixed}
            >
              {(grip) => <PhotoFace photo={p} onPress={() => setOpen(p.id)} grip={fixed ? null : grip} />}
            </SortableRow>
          ))}
        </ul>
      )}
    </Sortable>
  );
}
