import type { OilPoint } from '@eclat/core/oiling';
import { useState } from 'react';
import { Button } from '../../ui/Button.tsx';
import { TextField } from '../../ui/Field.tsx';
import { Sheet } from '../../ui/Sheet.tsx';
import { GRADE_NAMES } from './GradeMark.tsx';

export function Differs({
  point,
  value,
  onClose,
  onKeep,
}: {
  point: OilPoint;
  value: string;
  onClose: () => void;
  onKeep: (differs: string) => void;
}) {
  const [differs, setDiffers] = useState(value);
  return (
    <Sheet
      open
      onClose={onClose}
      title={`Otherwise than the chart: ${point.where}`}
      description={
        `The house rule says ${GRADE_NAMES[point.grade].toLowerCase()}, ${point.amount}. What was done ` +
        'instead, and why, is kept with the point.'
      }
    >
      <form
        className="flex flex-col gap-4"
        onSubmit={(e) => {
          e.preventDefault();
          onKeep(differs.trim());
        }}
      >
        <TextField
          label="What, and why"
          autoFocus
          value={differs}
          maxLength={200}
          onChange={(e) => setDiffers(e.target.value)}
        />
        <div className="flex gap-3">
          <Button type="submit" variant="main" disabled={differs.trim() === '' && value === ''}>
            Keep and tick it
          </Button>
          <Button onClick={onClose}>Close</Button>
        </div>
      </form>
    </Sheet>
  );
}
