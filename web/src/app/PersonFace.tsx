import type { ButtonHTMLAttributes, Ref } from 'react';

/** Who is at the bench, in the corner of every screen. */
export function PersonFace({
  name,
  shop,
  ...rest
}: { name: string; shop: string; ref?: Ref<HTMLButtonElement> } & ButtonHTMLAttributes<HTMLButtonElement>) {
  return (
    <button
      type="button"
      aria-haspopup="menu"
      className="flex min-h-12 items-center gap-2 rounded-lg px-3 font-semibold hover:bg-steel-wash"
      {...rest}
    >
      {name}
      <span className="hidden text-sm font-normal text-soft 2xl:inline">{shop}</span>
    </button>
  );
}
