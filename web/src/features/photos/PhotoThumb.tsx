import type { Photo } from '@eclat/contract';
import { stageName } from '@eclat/core/workflow';
import clsx from 'clsx';
import type { ReactNode } from 'react';
import { dayTime } from '../../ui/dates.ts';

interface Props {
  photo: Photo;
  onPress: () => void;
  /** Left out where a press opens it and chooses nothing. */
  chosen?: boolean;
  /** By which it is moved among the others. */
  grip?: ReactNode;
}

/** What a photo is called: its caption, or else the stage it was taken at. */
export const photoName = (p: Photo): string => p.caption || stageName(p.stage);

/** A photo among others, to be pressed. */
export const PhotoThumb = (props: Props) => (
  <li>
    <PhotoFace {...props} />
  </li>
);

/** One photo, small, with its numbered points and its caption, or else the stage it was taken at. */
export function PhotoFace({ photo: p, onPress, chosen, grip }: Props) {
  const name = photoName(p);
  return (
    <>
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
      <span className="flex items-center gap-1 text-sm text-soft">
        {grip}
        <span className="min-w-0 flex-1 truncate">{name}</span>
        {p.marks.length > 0 && (
          <b className="text-steel" title="Numbered marks on it">
            {p.marks.map((m) => m.number).join(' ')}
          </b>
        )}
      </span>
    </>
  );
}
