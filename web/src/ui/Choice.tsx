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
}

/** One of a few, each big enough for a gloved finger. */
export function Choice<T extends string>({ label, value, options, onChange, onClear, hideLabel, disabled }: Props<T>) {
  return (
    <div className="flex flex-col gap-1">
      {!hideLabel && <span className="font-semibold">{label}</span>}
      <ToggleGroup.Root
        type="single"
        aria-label={label}
        value={value}
        disabled={disabled ?? false}
        className="flex flex-wrap gap-2"
        onValueChange={(v) => (v ? onChange(v as T) : onClear?.())}
      >
        {options.map(([id, text]) => (
          <ToggleGroup.Item
            key={id}
            value={id}
            className={clsx(
              'inline-flex min-h-12 items-center gap-2 rounded-lg border px-3.5 font-semibold disabled:opacity-50',
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
