import { zones } from '@eclat/core/days';
import type { ComponentProps } from 'react';
import { SelectField } from '../../ui/Field.tsx';

const ALL = zones();

/** Where the shop is, so that its days are its own. */
export function ZoneField({
  also,
  ...rest
}: Omit<ComponentProps<typeof SelectField>, 'label' | 'children'> & { also?: string }) {
  return (
    <SelectField label="Time zone of the shop" hint="Days of entries, promises and papers are counted there." {...rest}>
      {[...new Set(also ? [also, ...ALL] : ALL)].map((z) => (
        <option key={z} value={z}>
          {z.replaceAll('_', ' ')}
        </option>
      ))}
    </SelectField>
  );
}
