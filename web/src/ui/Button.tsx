import clsx from 'clsx';
import type { ButtonHTMLAttributes, Ref } from 'react';

const VARIANTS = {
  main: 'bg-steel text-steel-ink border-steel hover:brightness-110',
  quiet: 'bg-enamel text-ink border-line hover:bg-steel-wash',
  danger: 'bg-danger text-danger-ink border-danger hover:brightness-110',
  plain: 'border-transparent text-steel hover:bg-steel-wash',
};

export const buttonClass = (variant: keyof typeof VARIANTS = 'quiet', extra?: string) =>
  clsx(
    'inline-flex min-h-12 items-center justify-center gap-2 rounded-lg border px-4 text-base',
    'font-semibold disabled:cursor-not-allowed disabled:opacity-50 aria-busy:cursor-progress aria-busy:opacity-50',
    VARIANTS[variant],
    extra,
  );

interface Props extends ButtonHTMLAttributes<HTMLButtonElement> {
  variant?: keyof typeof VARIANTS;
  busy?: boolean;
  ref?: Ref<HTMLButtonElement>;
}

/**
 * While it is busy a press does nothing, nor does Enter in its form; it keeps the focus, which a disabled one would
 * lose: the next press is where the last one was.
 */
export function Button({ variant = 'quiet', busy = false, className, type = 'button', onClick, ...rest }: Props) {
  return (
    <button
      type={type}
      data-main={variant === 'main' || undefined}
      className={buttonClass(variant, className)}
      aria-busy={busy}
      aria-disabled={busy || undefined}
      onClick={busy ? (e) => e.preventDefault() : onClick}
      {...rest}
    />
  );
}
