import { HOLE_RANGE_MM } from '@eclat/core/pivots';
import { readLength } from '@eclat/core/units';
import { useRef, type KeyboardEvent } from 'react';
import { TextField } from './Field.tsx';
import { WhichUnit } from './WhichUnit.tsx';

interface Props {
  label: string;
  value: string;
  onChange: (value: string) => void;
  plausible?: readonly [number, number];
  onEnter?: () => void;
  name: string;
}

export const PIVOT_RANGE = HOLE_RANGE_MM;
/** The length in mm, or null while it is not one. */
export const lengthMm = (text: string, plausible: readonly [number, number] = PIVOT_RANGE): number | null => {
  const read = readLength(text, plausible);
  return read.kind === 'length' ? read.mm : null;
};

/** Takes what a person or a caliper types. Asks between millimetres and thousandths where both could be meant. */
export function LengthField({ label, value, onChange, plausible = PIVOT_RANGE, onEnter, name }: Props) {
  const field = useRef<HTMLInputElement>(null);
  const read = value.trim() === '' ? null : readLength(value, plausible);
  const hint = read?.kind === 'length' ? `${read.mm.toFixed(3)} mm` : 'mm, in, thou';
  // The hand is at the caliper: after the answer, Enter is the field's again.
  const answer = (text: string) => {
    onChange(text);
    field.current?.focus();
  };
  return (
    <div>
      <TextField
        ref={field}
        name={name}
        label={label}
        value={value}
        inputMode="decimal"
        data-figure
        hint={hint}
        error={read?.kind === 'problem' ? read.message : undefined}
        onChange={(e) => onChange(e.target.value)}
        onKeyDown={(e: KeyboardEvent) => {
          // What is typed wrong is not gone on from; without a way of its own Enter leads to the next field.
          if (e.key !== 'Enter' || (!onEnter && read?.kind !== 'problem' && read?.kind !== 'ask')) return;
          e.preventDefault();
          if (read?.kind === 'length') onEnter?.();
        }}
      />
      {read?.kind === 'ask' && <WhichUnit typed={value} asThousandths={read.asThousandths} onAnswer={answer} />}
    </div>
  );
}
