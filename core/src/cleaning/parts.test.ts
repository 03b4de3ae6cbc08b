import { describe, expect, it } from 'vitest';
import { FAMILIES, familyById, type Fitting } from '../movement/index.ts';
import { usualParts } from './parts.ts';
import { planRun } from './plan.ts';

const names = (family: string, ...more: Fitting[]) => {
  const { traits } = familyById(family);
  return usualParts({ ...traits, fittings: [...traits.fittings, ...more] }).map((p) => p.name);
};

// Common practice: of what a movement's parts are usually made.
describe('what usually goes into the basket', () => {
  it('follows the traits', () => {
    expect(names('mantel-barrels')).toEqual(expect.arrayContaining(['plates', 'strike wheels and arbors', 'barrels', 'mainsprings']));
    expect(names('torsion')).toContain('lacquered plates');
    expect(names('torsion')).not.toContain('plates');
    expect(names('longcase')).not.toContain('mainsprings');
    expect(names('quarter-chime')).toContain('chime wheels and arbors');
    expect(names('riveted-alarm', 'luminous paint')).toContain('dial with luminous paint');
  });

  it('never lets blued steel, hairsprings, coils or paint slip into the ammoniated bath', () => {
    for (const { traits } of FAMILIES) {
      const barred = planRun(usualParts(traits), 'ammoniated water').forbidden.map((f) => f.part);
      expect(barred).toEqual(expect.arrayContaining(['hands', 'nuts, pins and screws']));
      if (traits.fittings.includes('hairspring')) expect(barred).toContain('balance and hairspring');
      if (traits.fittings.includes('coil')) expect(barred).toContain('coil');
    }
  });

  it('leaves something that may go in', () => {
    for (const { traits } of FAMILIES) {
      const may = usualParts(traits).filter((p) => planRun([p], 'detergent').forbidden.length === 0);
      expect(may.length).toBeGreaterThan(0);
    }
  });
});
