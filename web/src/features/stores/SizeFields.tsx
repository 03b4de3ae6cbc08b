import { kindOf, SIZES, type KindId, type SizeId, type Sizes } from '@eclat/core/stores';
import { readLength } from '@eclat/core/units';
import { useState } from 'react';
import { LengthField } from '../../ui/LengthField.tsx';
import { TextField } from '../../ui/Field.tsx';

const RANGE = [0.01, 50_000] as const;

/** The sizes that a kind is told by, each with what a person or a caliper types. */
export function SizeFields({
  kind,
  value,
  onChange,
  errors = {},
}: {
  kind: KindId;
  value: Sizes;
  onChange: (sizes: Sizes) => void;
  errors?: Partial<Record<string, { message?: string }>> | undefined;
}) {
  return kindOf(kind).sizes.map((size) => (
    <One
      key={`${kind}.${size}`}
      size={size}
      value={value[size]}
      error={errors[size]?.message}
      onChange={(n) => {
        const { [size]: _, ...rest } = value;
        onChange(n === null ? rest : { ...rest, [size]: n });
      }}
    />
  ));
}

function One({
  size,
  value,
  error,
  onChange,
}: {
  size: SizeId;
  value: number | undefined;
  error: string | undefined;
  onChange: (n: number | null) => void;
}) {
  const [text, setText] = useState(value === undefined ? '' : String(value));
  // What is cleared from outside is cleared here; what is typed stays as it is typed.
  const [before, setBefore] = useState(value);
  if (before !== value) {
    setBefore(value);
    if (value === undefined && before !== undefined) setText('');
    else if (value !== undefined && value !== numberOf(size, text)) setText(String(value));
  }
  const type = (t: string) => {
    setText(t);
    const n = numberOf(size, t);
    setBefore(n ?? undefined);
    onChange(n);
  };
  if (size.endsWith('_mm'))
    return (
      <div>
        <LengthField name={size} label={SIZES[size]} value={text} plausible={RANGE} onChange={type} />
        {error && <p className="text-sm font-semibold text-danger">{error}</p>}
      </div>
    );
  const wrong = text !== '' && numberOf(size, text) === null;
  return (
    <TextField
      label={SIZES[size]}
      name={size}
      inputMode="decimal"
      value={text}
      onChange={(e) => type(e.target.value)}
      error={error ?? (wrong ? 'A number.' : undefined)}
      hint={HINTS[size]}
    />
  );
}

const HINTS: Partial<Record<SizeId, string>> = { ohms: 'Ω', volts: 'V' };

function numberOf(size: SizeId, text: string): number | null {
  if (text.trim() === '') return null;
  if (size.endsWith('_mm')) {
    const read = readLength(text, RANGE);
    return read.kind === 'length' ? Number(read.mm.toFixed(3)) : null;
  }
  const n = Number(text.replace(',', '.'));
  return Number.isFinite(n) && n > 0 ? n : null;
}
