import { ImagePlus } from 'lucide-react';
import { useId } from 'react';
import { buttonClass } from '../../ui/Button.tsx';

/** Photos from files: the device's own camera is among them on a phone. */
export function ChoosePhotos({ add, busy }: { add: (files: Iterable<File>) => void; busy: boolean }) {
  const id = useId();
  return (
    <span>
      <input
        id={id}
        type="file"
        multiple
        accept="image/jpeg,image/png,image/webp"
        className="peer sr-only"
        onChange={(e) => {
          add([...(e.target.files ?? [])]);
          e.target.value = '';
        }}
      />
      <label
        htmlFor={id}
        className={buttonClass('quiet', 'peer-focus-visible:outline-3 peer-focus-visible:outline-brass-fill')}
      >
        <ImagePlus className="size-5" aria-hidden />
        {busy ? 'Sending …' : 'Choose photos'}
      </label>
    </span>
  );
}
