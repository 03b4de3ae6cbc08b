import type { Photo } from '@eclat/contract';
import { stageName } from '@eclat/core/workflow';
import clsx from 'clsx';
import { dayTime } from '../../ui/dates.ts';

interface Props {
  photo: Photo;
  onPress: () => void;
  /** Left out where a press opens it and chooses nothing. */
  chosen?: boolean;
}

/** One photo, small, with its numbered points and its caption, or else the stage it was taken at. */
export function PhotoThumb({ photo: p, onPress, chosen }: Props) {
  const name = p.caption || stageName(p.stage);
  return (
    <li>
      <button
        type="button"
        className={clsx(
          'block w-full overflow-hidden rounded-lg border',
          chosen ? 'border-steel outline-2 outline-steel' : 'border-line',
        )}
        aria-pressed={chosen}
        aria-label={`Photo ${name}, ${dayTime(p.at)}`}
        onClick={onPress}
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
      <span className="block truncate text-sm text-soft">{name}</span>
    </li>
  );
}
