interface Props {
  legend: string;
  /** `key`: its id, or its hash. */
  photos: readonly { key: string; said: string }[];
  chosen: readonly string[];
  onToggle: (key: string) => void;
}

/** Photos in a row, of which some belong to what is noted. */
export function PhotoStrip({ legend, photos, chosen, onToggle }: Props) {
  if (photos.length === 0) return null;
  return (
    <fieldset className="min-w-0">
      <legend className="font-semibold">{legend}</legend>
      <div className="flex gap-2 overflow-x-auto py-1">
        {photos.map(({ key, said }) => (
          <button
            key={key}
            type="button"
            aria-pressed={chosen.includes(key)}
            aria-label={said}
            title={said}
            className="shrink-0 rounded-lg border-4 border-transparent aria-pressed:border-steel"
            onClick={() => onToggle(key)}
          >
            <img src={`/api/photos/${key}/small`} alt="" className="size-16 rounded object-cover" />
          </button>
        ))}
      </div>
    </fieldset>
  );
}
