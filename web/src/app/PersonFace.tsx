import clsx from 'clsx';
import type { ButtonHTMLAttributes, Ref } from 'react';

/** Who is at the bench, in the corner of every screen. */
export function PersonFace({
  name,
  shop,
  few = false,
  ...rest
}: {
  name: string;
  shop: string;
  few?: boolean;
  ref?: Ref<HTMLButtonElement>;
} & ButtonHTMLAttributes<HTMLButtonElement>) {
  return (
    <button
      type="button"
      aria-haspopup="menu"
      className="flex min-h-12 min-w-12 items-center gap-2 rounded-lg px-1.5 font-semibold hover:bg-steel-wash"
      {...rest}
    >
      <span
        aria-hidden
        className={clsx('grid size-9 place-items-center rounded-full bg-steel-wash text-steel', !few && 'lg:hidden')}
      >
        {initials(name)}
      </span>
      <span className={few ? 'sr-only' : 'max-lg:sr-only'}>{name}</span>
      <span className={clsx('hidden text-sm font-normal text-soft', !few && '2xl:inline')}>{shop}</span>
    </button>
  );
}

const initials = (name: string): string =>
  name
    .split(/\s+/)
    .slice(0, 2)
    .map((w) => [...w][0] ?? '')
    .join('')
    .toUpperCase();
