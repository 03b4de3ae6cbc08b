import type { Visit } from '@eclat/contract';
import { PhotoStrip } from '../../ui/PhotoStrip.tsx';

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

export const PhotoPick = ({ photos, value, onChange }: Props) => (
  <PhotoStrip
    legend="Photo"
    photos={photos.map((p) => ({ key: p.id, said: p.caption || 'Photo of the strip' }))}
    chosen={value === null ? [] : [value]}
    onToggle={(id) => onChange(value === id ? null : id)}
  />
);
