import clsx from 'clsx';
import {
  useId,
  type InputHTMLAttributes,
  type ReactNode,
  type Ref,
  type SelectHTMLAttributes,
  type TextareaHTMLAttributes,
} from 'react';
import './enter.ts';

const box = 'w-full min-h-12 rounded-lg border bg-enamel px-3 py-2 text-lg text-ink placeholder:text-soft/70';

interface Common {
  label: string;
  hint?: ReactNode;
  error?: string | undefined;
  className?: string;
}

interface Wired {
  id: string;
  'aria-invalid': boolean;
  'aria-describedby': string | undefined;
  className: string;
}

/** A field with its label, and its error where the eye is. */
function Frame({ label, hint, error, className, children }: Common & { children: (wired: Wired) => ReactNode }) {
  const id = useId();
  const told = error ?? hint;
  return (
    <div className={clsx('flex flex-col gap-1', className)}>
      <label htmlFor={id} className="font-semibold">
        {label}
      </label>
      {children({
        id,
        'aria-invalid': Boolean(error),
        'aria-describedby': told ? `${id}-told` : undefined,
        className: clsx(box, error ? 'border-danger border-2' : 'border-line'),
      })}
      {told && (
        <p id={`${id}-told`} className={clsx('text-sm', error ? 'font-semibold text-danger' : 'text-soft')}>
          {told}
        </p>
      )}
    </div>
  );
}

export function TextField({
  label,
  hint,
  error,
  className,
  ...rest
}: Common & InputHTMLAttributes<HTMLInputElement> & { ref?: Ref<HTMLInputElement> }) {
  return (
    <Frame label={label} hint={hint} error={error} className={className ?? ''}>
      {(wired) => <input autoComplete="off" {...rest} {...wired} />}
    </Frame>
  );
}

export function TextArea({
  label,
  hint,
  error,
  className,
  ...rest
}: Common & TextareaHTMLAttributes<HTMLTextAreaElement> & { ref?: Ref<HTMLTextAreaElement> }) {
  return (
    <Frame label={label} hint={hint} error={error} className={className ?? ''}>
      {(wired) => <textarea rows={3} {...rest} {...wired} />}
    </Frame>
  );
}

export function SelectField({
  label,
  hint,
  error,
  className,
  children,
  ...rest
}: Common & SelectHTMLAttributes<HTMLSelectElement> & { ref?: Ref<HTMLSelectElement> }) {
  return (
    <Frame label={label} hint={hint} error={error} className={className ?? ''}>
      {(wired) => (
        <select {...rest} {...wired}>
          {children}
        </select>
      )}
    </Frame>
  );
}

export function Tick({
  label,
  ...rest
}: { label: string } & InputHTMLAttributes<HTMLInputElement> & { ref?: Ref<HTMLInputElement> }) {
  return (
    <label className="flex min-h-12 items-center gap-3 font-semibold">
      <input type="checkbox" className="size-6 shrink-0 accent-steel" {...rest} />
      {label}
    </label>
  );
}
