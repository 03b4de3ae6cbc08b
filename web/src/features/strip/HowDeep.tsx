import { DEPTHS, isShallow, MENDS, type Depth, type Mends } from '@eclat/core/workflow';
import { Choice } from '../../ui/Choice.tsx';

export interface Apart {
  depth: Depth;
  mends: Mends;
}
export const AS_USUAL: Apart = { depth: 'plates', mends: 'our own work' };

/** How deep it comes apart again, and whose work that puts right. */
export function HowDeep({ value, onChange }: { value: Apart; onChange: (value: Apart) => void }) {
  return (
    <>
      <div>
        <Choice
          label="How deep"
          value={value.depth}
          options={DEPTHS.map((d) => [d, d])}
          onChange={(depth) => onChange({ ...value, depth })}
        />
        <p className="mt-1 text-soft">
          {isShallow(value.depth)
            ? 'The trains may stay wound. Only what lies there is checked, oiled and set again.'
            : 'Every train is made safe first. What lies so deep is checked, oiled and set again.'}
        </p>
      </div>
      <Choice
        label="Puts right"
        value={value.mends}
        options={MENDS.map((m) => [m, m])}
        onChange={(mends) => onChange({ ...value, mends })}
      />
    </>
  );
}
