import { api } from '../../data/api.ts';
import type { StageId } from '@eclat/core/workflow';
import clsx from 'clsx';
import { Camera, ImagePlus } from 'lucide-react';
import { lazy, useEffect, useId, useState } from 'react';
import { say, useAppState } from '../../data/app-state.ts';
import { urlOf } from '../../data/call.ts';
import { useMe } from '../../data/queries.ts';
import { useCommand } from '../../data/useCommand.ts';
import { Empty, Panel } from '../../ui/Answer.tsx';
import { Button, buttonClass } from '../../ui/Button.tsx';
import { PhotoSheet } from './PhotoSheet.tsx';
import { PhotoThumb } from './PhotoThumb.tsx';
import { UnsentPhotos } from './UnsentPhotos.tsx';
import { useThisVisit } from '../visit/useThisVisit.ts';
import { Late } from '../../ui/Late.tsx';

const CameraSheet = lazy(() => import('../../devices/CameraSheet.tsx').then((m) => ({ default: m.CameraSheet })));
/** So many stand there at once; the others come by a press. */
const FIRST = 24;
const MOST_BYTES = 15 * 1024 * 1024;

/**
 * Photos from file, drag, paste or the camera. While the server is away they stand here all the same.
 */
export function Photos({ stage }: { stage: StageId }) {
  const visit = useThisVisit();
  const [over, setOver] = useState(false);
  const [all, setAll] = useState(false);
  const [open, setOpen] = useState<string | null>(null);
  const [camera, setCamera] = useState(false);
  const { unsent, busy, add } = useUploads(stage);
  useEffect(() => {
    if (visit.closedAt) return;
    const paste = (e: ClipboardEvent) => {
      if (e.clipboardData && e.clipboardData.files.length > 0) add(e.clipboardData.files);
    };
    window.addEventListener('paste', paste);
    return () => window.removeEventListener('paste', paste);
  });
  const shown = visit.photos.find((p) => p.id === open);
  return (
    <Panel
      title={`Photos${visit.photos.length > 0 ? ` (${visit.photos.length})` : ''}`}
      aside={!visit.closedAt && <Pickers add={add} busy={busy} onCamera={() => setCamera(true)} />}
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
        {visit.photos.length + unsent.length === 0 ? (
          <Empty>
            Photographs before anybody touches anything. Choose files, take them with the camera, drop or paste them
            here.
          </Empty>
        ) : (
          <PhotoGrid all={all} setOpen={setOpen} />
        )}
        {!all && visit.photos.length > FIRST && (
          <Button className="mt-3" onClick={() => setAll(true)}>
            All {visit.photos.length} photos
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

/** What is kept on this device for this visit, and the way to add more. */
function useUploads(stage: StageId) {
  const visit = useThisVisit();
  const params = { visitId: visit.id };
  const upload = useCommand(api.photos.add, { what: 'Photo' });
  const here = urlOf(api.photos.add, params);
  const me = useMe();
  const unsent = useAppState((s) => s.unsent).filter((u) => u.personId === me?.id && u.url.split('?')[0] === here);
  const add = (files: Iterable<File>) => {
    for (const file of files) {
      if (file.size > MOST_BYTES) say(`${file.name} is over 15 MB.`, 'danger');
      else upload.mutate({ params, query: { stage, caption: '' }, file });
    }
  };
  return { unsent, busy: upload.isPending, add };
}

function PhotoGrid({ all, setOpen }: { all: boolean; setOpen: (next: string | null) => void }) {
  const visit = useThisVisit();
  return (
    <ul
      className={
        'grid grid-cols-3 gap-3 [contain-intrinsic-size:auto_24rem] [content-visibility:auto] ' +
        'sm:grid-cols-4 lg:grid-cols-6'
      }
    >
      {(all ? visit.photos : visit.photos.slice(0, FIRST)).map((p) => (
        <PhotoThumb key={p.id} photo={p} onPress={() => setOpen(p.id)} />
      ))}
    </ul>
  );
}

function Pickers({
  add,
  busy,
  onCamera,
}: {
  add: (files: Iterable<File>) => void;
  busy: boolean;
  onCamera: () => void;
}) {
  const id = useId();
  return (
    <div className="flex flex-wrap gap-2">
      <input
        id={id}
        type="file"
        multiple
        accept="image/jpeg,image/png,image/webp"
        className="sr-only"
        onChange={(e) => {
          add([...(e.target.files ?? [])]);
          e.target.value = '';
        }}
      />
      <label htmlFor={id} className={buttonClass('quiet')}>
        <ImagePlus className="size-5" aria-hidden />
        {busy ? 'Sending …' : 'Choose photos'}
      </label>
      <Button onClick={onCamera}>
        <Camera className="size-5" aria-hidden />
        Camera
      </Button>
    </div>
  );
}
