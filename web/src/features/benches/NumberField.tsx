import type { ReactNode } from 'react';
import { TextField } from '../../ui/Field.tsx';

/** What a person or a meter types, or null while it is not a number from the least to the most that is believed. */
export function numberOf(text: string, most: number, least = 0): number | null {
  const t = text
    .trim()
    .replace(',', '.')
    .replace(/^−/, '-')
    .replace(/\s*(MΩ|Ω|V|mA|ms|s|°C|kg|g|mm|%|°)$/, '');
  const n = /^[-+]?\d+(\.\d+)?$/.test(t) ? Number(t) : Number.NaN;
  return Number.isFinite(n) && n >= least && n <= most ? n : null;
}

/** A figure of a meter. */
export function NumberField({
  label,
  value,
  least = 0,
  most,
  hint,
  inTurn = false,
  onChange,
}: {
  label: string;
  value: string;
  least?: number | undefined;
  most: number;
  hint?: ReactNode;
  /** Measured one after another: Enter leads to the next one. */
  inTurn?: boolean;
  onChange: (text: string) => void;
}) {
  const wrong = value.trim() !== '' && numberOf(value, most, least) === null;
  return (
    <TextField
      label={label}
      inputMode="decimal"
      data-figure={inTurn || undefined}
      value={value}
      hint={hint}
      error={wrong ? `A number, ${least !== 0 ? `${least} to ${most}` : `at most ${most}`}.` : undefined}
      onChange={(e) => onChange(e.target.value)}
    />
  );
}
