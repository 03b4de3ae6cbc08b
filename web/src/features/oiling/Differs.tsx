import type { OilPoint } from '@eclat/core/oiling';
import { useState } from 'react';
import { Button } from '../../ui/Button.tsx';
import { useKept } from '../../data/useDraft.ts';
import { useThisVisit } from '../visit/useThisVisit.ts';
import { Choice } from '../../ui/Choice.tsx';
import { TextField } from '../../ui/Field.tsx';
import { Sheet } from '../../ui/Sheet.tsx';
import { GRADE_NAMES } from './GradeMark.tsx';
import type { Oiled } from './OilPointRow.tsx';

export function Differs({
  point,
  on,
  onClose,
  onKeep,
}: {
  point: OilPoint;
  on: Oiled | undefined;
  onClose: () => void;
  onKeep: (differs: string, dry: boolean) => void;
}) {
  const visit = useThisVisit();
  const [differs, setDiffers, forget] = useKept(`oil.${visit.id}.${point.id}`, on?.differs ?? '');
  const [dry, setDry] = useState(on?.dry ?? false);
  const asksOil = point.grade !== 'none';
  return (
    <Sheet
      open
      onClose={onClose}
      title={`Not as the chart says: ${point.where}`}
      description={
        `The house rule says ${GRADE_NAMES[point.grade].toLowerCase()}, ${point.amount}. What was done ` +
        'instead, and why, is kept with the point.'
      }
    >
      <form
        className="flex flex-col gap-4"
        onSubmit={(e) => {
          e.preventDefault();
          forget();
          onKeep(differs.trim(), dry);
        }}
      >
        {asksOil && (
          <Choice
            label="It was"
            value={dry ? 'left dry' : 'oiled otherwise'}
            options={[
              ['oiled otherwise', 'oiled otherwise'],
              ['left dry', 'left dry'],
            ]}
            onChange={(how) => setDry(how === 'left dry')}
          />
        )}
        <TextField
          label={dry ? 'Why it stays dry' : 'What, and why'}
          autoFocus
          value={differs}
          maxLength={200}
          onChange={(e) => setDiffers(e.target.value)}
        />
        <div className="flex gap-3">
          <Button type="submit" variant="main" disabled={differs.trim() === '' && (dry || !on?.differs)}>
            Save and tick it
          </Button>
          <Button onClick={onClose}>Close</Button>
        </div>
      </form>
    </Sheet>
  );
}
