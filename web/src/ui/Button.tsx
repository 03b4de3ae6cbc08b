import clsx from 'clsx';
import type { ButtonHTMLAttributes } from 'react';

const VARIANTS = {
  main: 'bg-steel text-steel-ink border-steel hover:brightness-110',
  quiet: 'bg-enamel text-ink border-line hover:bg-steel-wash',
  danger: 'bg-danger text-danger-ink border-danger hover:brightness-110',
  plain: 'border-transparent text-steel hover:bg-steel-wash',
};

export const buttonClass = (variant: keyof typeof VARIANTS = 'quiet', extra?: string) =>
  clsx(
    'inline-flex min-h-12 items-center justify-center gap-2 rounded-lg border px-4 text-base',
    'font-semibold disabled:cursor-not-allowed disabled:opacity-50',
    VARIANTS[variant],
    extra,
  );

interface Props extends ButtonHTMLAttributes<HTMLButtonElement> {
  variant?: keyof typeof VARIANTS;
  busy?: boolean;
}

export function Button({ variant = 'quiet', busy = false, className, disabled, type = 'button', ...rest }: Props) {
  return (
    <button
      type={type}
      className={buttonClass(variant, className)}
      disabled={disabled ?? busy}
      aria-busy={busy}
      {...rest}
    />
  );
}
