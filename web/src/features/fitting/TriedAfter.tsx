import { LOCATED, type Located } from '@eclat/core/pivots';
import { SelectField } from '../../ui/Field.tsx';
import { LengthField } from '../../ui/LengthField.tsx';

interface Tried {
  located: Located | '';
  setLocated: (next: Located | '') => void;
  shake: string;
  setShake: (next: string) => void;
  spins: string;
  setSpins: (next: string) => void;
}

/** How the centre of a bush was found, and what was tried after it. */
export function TriedAfter({ of, onEnter }: { of: Tried; onEnter?: () => void }) {
  return (
    <>
      <SelectField
        label="Centre found"
        value={of.located}
        onChange={(e) => of.setLocated(e.target.value as Located | '')}
      >
        <option value="">not said</option>
        {LOCATED.map((l) => (
          <option key={l}>{l}</option>
        ))}
      </SelectField>
      <LengthField
        name="endShakeAfter"
        label="End shake after"
        value={of.shake}
        onChange={of.setShake}
        plausible={[0, 10]}
        {...(onEnter && { onEnter })}
      />
      <SelectField label="Spins after" value={of.spins} onChange={(e) => of.setSpins(e.target.value)}>
        <option value="">not tried</option>
        <option value="true">freely</option>
        <option value="false">it drags: open the bore</option>
      </SelectField>
    </>
  );
}
