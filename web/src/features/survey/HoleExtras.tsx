import { END_SHAKE_MM, judgeEndShake, PASTS, WEAR_TOWARDS, type Past } from '@eclat/core/pivots';
import type { Hole } from '@eclat/core/movement';
import { LengthField, lengthMm } from '../../ui/LengthField.tsx';
import { SelectField } from '../../ui/Field.tsx';

export interface Extras {
  wearDeg: number | null;
  endShake: string;
  spins: boolean | null;
  past: Past;
}
const RANGE = [0, 10] as const;
export const endShakeMm = (typed: string): number | null => (typed.trim() === '' ? null : lengthMm(typed, RANGE));

/** What is seen of a hole beside its play: where it wore, end shake, whether the arbor spins, and the hole's past. */
export function HoleExtras({
  hole,
  value,
  onChange,
}: {
  hole: Hole;
  value: Extras;
  onChange: (value: Extras) => void;
}) {
  const set = (change: Partial<Extras>) => onChange({ ...value, ...change });
  const [least, most] = END_SHAKE_MM[hole.arbor.class];
  const shake = endShakeMm(value.endShake);
  const judged = shake === null ? null : judgeEndShake(shake, hole.arbor.class);
  return (
    <div className="grid grid-cols-2 gap-x-3 gap-y-2">
      <SelectField
        label="Worn towards"
        value={value.wearDeg ?? ''}
        onChange={(e) => set({ wearDeg: e.target.value === '' ? null : Number(e.target.value) })}
      >
        <option value="">round</option>
        {WEAR_TOWARDS.map(([name, deg]) => (
          <option key={deg} value={deg}>
            {name}
          </option>
        ))}
      </SelectField>
      <div>
        <LengthField
          name="endShake"
          label="End shake"
          value={value.endShake}
          plausible={RANGE}
          onChange={(endShake) => set({ endShake })}
        />
        <p
          aria-live="polite"
          className={judged && judged !== 'right' ? 'text-sm font-bold text-danger' : 'text-sm text-soft'}
        >
          {judged ? `${judged}: ${least} to ${most} mm` : `${least} to ${most} mm`}
        </p>
      </div>
      <SelectField label="The hole" value={value.past} onChange={(e) => set({ past: e.target.value as Past })}>
        {PASTS.map((p) => (
          <option key={p}>{p}</option>
        ))}
      </SelectField>
      <SelectField
        label="The arbor spins"
        value={value.spins === null ? '' : String(value.spins)}
        onChange={(e) => set({ spins: e.target.value === '' ? null : e.target.value === 'true' })}
      >
        <option value="">not tried</option>
        <option value="true">freely</option>
        <option value="false">it drags</option>
      </SelectField>
    </div>
  );
}
