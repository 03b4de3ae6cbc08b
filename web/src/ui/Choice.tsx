import clsx from 'clsx';
import { ToggleGroup } from 'radix-ui';
import type { ReactNode } from 'react';

interface Props<T extends string> {
  label: string;
  value: T | '';
  options: readonly (readonly [T, ReactNode])[];
  onChange: (value: T) => void;
  hideLabel?: boolean;
  /** Pressing the chosen one again takes the choice back. */
  onClear?: () => void;
  disabled?: boolean;
  /** All in one row where room is scarce. */
  dense?: boolean;
  /** Its name stands before it, not above. */
  inline?: boolean;
}

/** One of a few, each big enough for a gloved finger. */
export function Choice<T extends string>(props: Props<T>) {
  const { label, value, options, onChange, onClear, hideLabel, disabled, dense = false, inline = false } = props;
  return (
    <div className={clsx('flex', inline ? 'flex-wrap items-center gap-x-3' : 'flex-col', 'gap-1')}>
      {!hideLabel && <span className={clsx('font-semibold', inline && 'max-md:flex-1')}>{label}</span>}
      <ToggleGroup.Root
        type="single"
        aria-label={label}
        value={value}
        disabled={disabled ?? false}
        className={clsx('flex flex-wrap', dense ? 'gap-1 sm:gap-1.5' : 'gap-2')}
        onValueChange={(v) => (v ? onChange(v as T) : onClear?.())}
      >
        {options.map(([id, text]) => (
          <ToggleGroup.Item
            key={id}
            value={id}
            className={clsx(
              'inline-flex min-h-12 items-center gap-2 rounded-lg border font-semibold disabled:opacity-50',
              dense ? 'px-2 text-sm sm:px-2.5' : 'px-3.5',
              value === id ? 'border-steel bg-steel text-steel-ink' : 'border-line bg-enamel hover:bg-steel-wash',
            )}
          >
            {text}
          </ToggleGroup.Item>
        ))}
      </ToggleGroup.Root>
    </div>
  );
}
