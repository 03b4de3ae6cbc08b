import { ImagePlus } from 'lucide-react';
import { ChooseFile } from '../../ui/ChooseFile.tsx';

/** Photos from files: the device's own camera is among them on a phone. */
export function ChoosePhotos({ add, busy }: { add: (files: Iterable<File>) => void; busy: boolean }) {
  return (
    <ChooseFile multiple accept="image/jpeg,image/png,image/webp" onFiles={add}>
      <ImagePlus className="size-5" aria-hidden />
      {busy ? 'Sending …' : 'Choose photos'}
    </ChooseFile>
  );
}
