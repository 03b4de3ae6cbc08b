import { api } from '../../data/api.ts';
import { stageName, type StageId } from '@eclat/core/workflow';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import clsx from 'clsx';
import { Camera, ImagePlus } from 'lucide-react';
import { lazy, useEffect, useId, useState } from 'react';
import { call } from '../../data/call.ts';
import { afterCommand } from '../../data/refresh.ts';
import { say } from '../../data/app-state.ts';
import { Empty, Panel } from '../../ui/Answer.tsx';
import { Button, buttonClass } from '../../ui/Button.tsx';
import { dayTime } from '../../ui/dates.ts';
import { PhotoSheet } from './PhotoSheet.tsx';
import { useThisVisit } from '../visit/useThisVisit.ts';
import { Late } from '../../ui/Late.tsx';
import { newId } from '../../data/new-id.ts';

const CameraSheet = lazy(() => import('../../devices/CameraSheet.tsx').then((m) => ({ default: m.CameraSheet })));
/** So many stand there at once; the others come by a press. */
const FIRST = 24;
const MOST_BYTES = 15 * 1024 * 1024;

/**
 * Photos from file, drag, paste or the camera. Each file has its own key, so that a second try makes no second photo.
 */
export function Photos({ stage }: { stage: StageId }) {
  const visit = useThisVisit();
  const [over, setOver] = useState(false);
  const [all, setAll] = useState(false);
  const [open, setOpen] = useState<string | null>(null);
  const [camera, setCamera] = useState(false);
  const { failed, setFailed, upload, add } = useUploads(stage);
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
      aside={!visit.closedAt && <Pickers add={add} busy={upload.isPending} onCamera={() => setCamera(true)} />}
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
        {visit.photos.length === 0 ? (
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
      {failed.map((f) => (
        <FailedUpload
          key={f.key}
          failed={f}
          onAgain={() => {
            setFailed((x) => x.filter((y) => y !== f));
            upload.mutate(f);
          }}
          onLeave={() => setFailed((x) => x.filter((y) => y !== f))}
        />
      ))}
      {shown && <PhotoSheet key={shown.id} photo={shown} onClose={() => setOpen(null)} />}
      {camera && (
        <Late>
          <CameraSheet onPhoto={(file) => add([file])} onClose={() => setCamera(false)} />
        </Late>
      )}
    </Panel>
  );
}

function useUploads(stage: StageId) {
  const visit = useThisVisit();
  const queries = useQueryClient();
  const [failed, setFailed] = useState<Failed[]>([]);
  const upload = useMutation({
    mutationFn: ({ file, key }: { file: File; key: string }) =>
      call(api.photos.add, { params: { visitId: visit.id }, query: { stage, caption: '' }, file, key }),
    onSuccess: (photo) => afterCommand(queries, api.photos.add, { visitId: visit.id }, photo),
    onError: (error, item) =>
      setFailed((f) => [...f.filter((x) => x.key !== item.key), { ...item, why: error.message }]),
    networkMode: 'always',
  });
  const add = (files: Iterable<File>) => {
    for (const file of files) {
      if (file.size > MOST_BYTES) say(`${file.name} is over 15 MB.`, 'danger');
      else upload.mutate({ file, key: newId() });
    }
  };
  return { failed, setFailed, upload, add };
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
        <li key={p.id}>
          <button
            type="button"
            className="block w-full overflow-hidden rounded-lg border border-line"
            onClick={() => setOpen(p.id)}
            aria-label={`Photo ${p.caption || stageName(p.stage)}, ${dayTime(p.at)}`}
          >
            <img
              src={`/api/photos/${p.id}/small`}
              alt={p.caption}
              loading="lazy"
              className="aspect-square w-full object-cover"
            />
          </button>
          {p.marks.length > 0 && (
            <span className="float-right text-sm font-bold text-steel" title="Numbered points on it">
              {p.marks.map((m) => m.number).join(' ')}
            </span>
          )}
          <span className="block truncate text-sm text-soft">{p.caption || stageName(p.stage)}</span>
        </li>
      ))}
    </ul>
  );
}

interface Failed {
  file: File;
  key: string;
  why: string;
}

function FailedUpload({ failed: f, onAgain, onLeave }: { failed: Failed; onAgain: () => void; onLeave: () => void }) {
  return (
    <p className="mt-2 flex flex-wrap items-center gap-3 rounded-lg bg-danger-wash px-3 py-2 text-danger">
      <span className="font-semibold">
        {f.file.name}: {f.why}
      </span>
      <button type="button" className="min-h-11 font-semibold underline" onClick={onAgain}>
        Try again
      </button>
      <button type="button" onClick={onLeave}>
        Leave it
      </button>
    </p>
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
