import type { Photo } from '@eclat/contract';
import type { MarkShape, Spot } from '@eclat/core/photo';
import { stageName } from '@eclat/core/workflow';
import { ArrowLeft, ArrowRight, Columns2, Trash2 } from 'lucide-react';
import { useState } from 'react';
import { Link } from 'react-router';
import { api } from '../../data/api.ts';
import { useCommand } from '../../data/useCommand.ts';
import { useTakeOut } from '../../data/useTakeOut.ts';
import { Button, buttonClass } from '../../ui/Button.tsx';
import { Choice } from '../../ui/Choice.tsx';
import { dayTime } from '../../ui/dates.ts';
import { SelectField, TextField } from '../../ui/Field.tsx';
import { Sheet } from '../../ui/Sheet.tsx';
import { MarkedPhoto } from './MarkedPhoto.tsx';
import { PhotoPair } from './PhotoPair.tsx';
import { useThisVisit } from '../visit/useThisVisit.ts';
import { newId } from '../../data/new-id.ts';

const SHAPES = [
  ['point', 'Point'],
  ['arrow', 'Arrow'],
  ['outline', 'Outline'],
] as const;
const ASKS: Record<MarkShape, string> = {
  point: 'Press where the point goes',
  arrow: 'Press where the arrow begins',
  outline: 'Press one corner of the outline',
};
const nameOf = (m: Photo['marks'][number]): string => `${SHAPES.find(([id]) => id === m.shape)![1]} ${m.number}`;

/** One photo, large: caption, place in the order, and numbered marks tied to what was found there. */
export function PhotoSheet({ photo, onClose }: { photo: Photo; onClose: () => void }) {
  const visit = useThisVisit();
  const params = { visitId: visit.id, photoId: photo.id };
  const [caption, setCaption] = useState(photo.caption);
  const [chosen, setChosen] = useState<string | null>(null);
  const [shape, setShape] = useState<MarkShape>('point');
  const change = useCommand(api.photos.change, { what: 'Photo' });
  const mark = useCommand(api.photos.setMark, { what: 'Mark' });
  const open = !visit.closedAt;
  const keep = () => {
    if (caption.trim() !== photo.caption) change.mutate({ params, body: { caption } });
  };
  const moved = photo.marks.find((m) => m.id === chosen);
  const drawn = moved?.shape ?? shape;
  /** The chosen mark is moved; with none chosen, a new one is placed. */
  const place = (at: Spot, to: Spot | null) => {
    const { findingId = null, note = '' } = moved ?? {};
    const markId = moved?.id ?? newId();
    mark.mutate({ params: { ...params, markId }, body: { ...at, to, shape: drawn, findingId, note } });
    setChosen(null);
  };
  return (
    <Sheet
      open
      wide
      onClose={() => {
        keep();
        onClose();
      }}
      title={photo.caption || 'Photo'}
      description={`${stageName(photo.stage)}, ${photo.by}, ${dayTime(photo.at)}`}
    >
      <div className="grid gap-4 lg:grid-cols-[minmax(0,1fr)_19rem]">
        <div className="flex min-w-0 flex-col gap-2">
          {open && (
            <Choice
              inline
              dense
              label="Draw on it"
              value={drawn}
              options={SHAPES}
              disabled={moved !== undefined}
              onChange={setShape}
            />
          )}
          <MarkedPhoto
            src={`/api/photos/${photo.id}/medium`}
            alt={photo.caption || 'The photo'}
            photo={photo}
            chosen={moved?.number ?? null}
            {...(open ? { press: { asks: ASKS[drawn], shape: drawn, onPress: place } } : {})}
          />
        </div>
        <div className="flex flex-col gap-3">
          <TextField
            label="Caption"
            readOnly={!open}
            value={caption}
            maxLength={200}
            onChange={(e) => setCaption(e.target.value)}
            onBlur={keep}
            onKeyDown={(e) => {
              if (e.key !== 'Enter') return;
              e.preventDefault();
              keep();
            }}
          />
          <PhotoTools photo={photo} change={change} />
          <PhotoPair photo={photo} change={change} />
          <ol className="flex flex-col gap-3">
            {photo.marks.map((m) => (
              <MarkRow key={m.id} setMark={mark} mark={m} chosen={chosen} setChosen={setChosen} photo={photo} />
            ))}
          </ol>
        </div>
      </div>
    </Sheet>
  );
}

function MarkRow({
  setMark: mark,
  mark: m,
  chosen,
  setChosen,
  photo,
}: {
  setMark: ReturnType<typeof useCommand<typeof api.photos.setMark>>;
  mark: Photo['marks'][number];
  chosen: string | null;
  setChosen: (next: string | null) => void;
  photo: Photo;
}) {
  const visit = useThisVisit();
  const params = { visitId: visit.id, photoId: photo.id };
  const open = !visit.closedAt;
  const said = (m: Photo['marks'][number], change: { findingId?: string | null; note?: string }) =>
    mark.mutate({
      params: { ...params, markId: m.id },
      body: { x: m.x, y: m.y, shape: m.shape, to: m.to, findingId: m.findingId, note: m.note, ...change },
    });
  return (
    <li className={`rounded-lg border-2 p-2 ${m.id === chosen ? 'border-steel' : 'border-line'}`}>
      <MarkHead mark={m} chosen={chosen} setChosen={setChosen} photo={photo} />
      <SelectField
        label={`${nameOf(m)} shows`}
        disabled={!open}
        value={m.findingId ?? ''}
        onChange={(e) => said(m, { findingId: e.target.value || null })}
      >
        <option value="">words of its own</option>
        {visit.findings.map((f) => (
          <option key={f.id} value={f.id}>
            {f.place}: {f.seen}
          </option>
        ))}
      </SelectField>
      {!m.findingId && (
        <TextField
          className="mt-2"
          label="In words"
          readOnly={!open}
          defaultValue={m.note}
          maxLength={200}
          onBlur={(e) => {
            if (e.target.value !== m.note) said(m, { note: e.target.value });
          }}
        />
      )}
    </li>
  );
}

function MarkHead({
  mark: m,
  chosen,
  setChosen,
  photo,
}: {
  mark: Photo['marks'][number];
  chosen: string | null;
  setChosen: (next: string | null) => void;
  photo: Photo;
}) {
  const visit = useThisVisit();
  const params = { visitId: visit.id, photoId: photo.id };
  const open = !visit.closedAt;
  const point = useTakeOut(api.photos.removeMark, 'Mark');
  return (
    <div className="flex items-center gap-2">
      <b className="text-xl">{m.number}</b>
      {open && (
        <>
          <Button
            variant="plain"
            className="min-h-11"
            aria-pressed={m.id === chosen}
            onClick={() => setChosen(m.id === chosen ? null : m.id)}
          >
            {m.id === chosen ? 'Press where it goes' : 'Move'}
          </Button>
          <button
            type="button"
            aria-label={`Take away: ${nameOf(m)}`}
            className="ml-auto grid size-11 place-items-center rounded-lg hover:bg-danger-wash"
            onClick={() => point({ params: { ...params, markId: m.id } })}
          >
            <Trash2 className="size-5" />
          </button>
        </>
      )}
    </div>
  );
}

function PhotoTools({
  photo,
  change,
}: {
  photo: Photo;
  change: ReturnType<typeof useCommand<typeof api.photos.change>>;
}) {
  const visit = useThisVisit();
  const params = { visitId: visit.id, photoId: photo.id };
  const open = !visit.closedAt;
  const at = visit.photos.findIndex((p) => p.id === photo.id);
  return (
    <div className="flex gap-2">
      {open && (
        <>
          <Button
            aria-label="Earlier in the order"
            disabled={at <= 0 || change.isPending}
            onClick={() => change.mutate({ params, body: { position: at - 1 } })}
          >
            <ArrowLeft className="size-5" aria-hidden />
          </Button>
          <Button
            aria-label="Later in the order"
            disabled={at >= visit.photos.length - 1 || change.isPending}
            onClick={() => change.mutate({ params, body: { position: at + 1 } })}
          >
            <ArrowRight className="size-5" aria-hidden />
          </Button>
        </>
      )}
      <Link
        className={buttonClass('quiet')}
        to={`/compare/${visit.movement.id}?${photo.beforeId ? `left=${photo.beforeId}&right` : 'left'}=${photo.id}`}
      >
        <Columns2 className="size-5" aria-hidden />
        Compare
      </Link>
    </div>
  );
}
