import type { Visit } from '@eclat/contract';

interface Props {
  photos: Visit['photos'];
  value: string | null;
  onChange: (photoId: string | null) => void;
}

const AT_ONCE = 6;
/** The latest photos of the strip, of which one may belong to what is noted. */
export const stripPhotos = (visit: Visit): Visit['photos'] =>
  visit.photos
    .filter((p) => p.stage === 'strip')
    .slice(-AT_ONCE)
    .reverse();

export function PhotoPick({ photos, value, onChange }: Props) {
  if (photos.length === 0) return null;
  return (
    <fieldset>
      <legend className="font-semibold">Photo</legend>
      <div className="flex gap-2 overflow-x-auto py-1">
        {photos.map((p) => (
          <button
            key={p.id}
            type="button"
            aria-pressed={value === p.id}
            aria-label={p.caption || 'Photo of the strip'}
            className="shrink-0 rounded-lg border-4 border-transparent aria-pressed:border-steel"
            onClick={() => onChange(value === p.id ? null : p.id)}
          >
            <img src={`/api/photos/${p.id}/small`} alt="" className="size-16 rounded object-cover" />
          </button>
        ))}
      </div>
    </fieldset>
  );
}
