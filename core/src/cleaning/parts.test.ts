import { describe, expect, it } from 'vitest';
import { FAMILIES, familyById, type Fitting } from '../movement/index.ts';
import { BATHS } from './materials.ts';
import { likelyMaterials, usualParts } from './parts.ts';
import { planRun } from './plan.ts';

const names = (family: string, ...more: Fitting[]) => {
  const { traits } = familyById(family);
  return usualParts({ ...traits, fittings: [...traits.fittings, ...more] }).map((p) => p.name);
};

// Common practice: of what a movement's parts are usually made.
describe('what usually goes into the basket', () => {
  it('follows the traits', () => {
    expect(names('mantel-barrels')).toEqual(
      expect.arrayContaining(['plates', 'strike wheels and arbors', 'barrels', 'mainsprings']),
    );
    expect(names('torsion')).toContain('lacquered plates');
    expect(names('torsion')).not.toContain('plates');
    expect(names('riveted-alarm')).toContain('whole movement, balance out');
    expect(names('riveted-alarm')).not.toContain('plates');
    expect(names('longcase')).not.toContain('mainsprings');
    expect(names('quarter-chime')).toContain('chime wheels and arbors');
    expect(names('riveted-alarm', 'luminous paint')).toContain('dial with luminous paint');
  });

  it('never lets blued steel, hairsprings, coils or paint slip into the ammoniated bath', () => {
    for (const { traits } of FAMILIES) {
      const barred = planRun(usualParts(traits), 'ammoniated water').forbidden.map((f) => f.part);
      expect(barred).toEqual(expect.arrayContaining([expect.stringMatching(/^hands/), 'nuts, pins and screws']));
      if (traits.fittings.includes('hairspring')) expect(barred).toContain('balance and hairspring');
      if (traits.fittings.includes('coil')) expect(barred).toContain('coil');
    }
  });

  it('reads a material from the name of what came off, the strictest one, or asks', () => {
    const { traits } = familyById('mantel-barrels');
    expect(
      ['hands', 'front plate', 'strike third wheel', 'taper pins', 'the odd thing'].map((w) =>
        likelyMaterials(w, traits),
      ),
    ).toEqual([
      ['blued or polished steel'],
      ['bare brass'],
      ['bare brass', 'plain steel'],
      ['blued or polished steel'],
      null,
    ]);
    const poisoned = {
      ...traits,
      fittings: [...traits.fittings, 'luminous paint' as const, 'mercury pendulum' as const],
    };
    for (const what of ['hands', 'minute hand', 'pendulum bob'])
      for (const bath of BATHS)
        expect(
          planRun([{ name: what, materials: likelyMaterials(what, poisoned)! }], bath).forbidden,
          `${what} in ${bath}`,
        ).not.toEqual([]);
    expect(
      planRun(
        usualParts(poisoned).filter((p) => p.name.startsWith('hands')),
        'petroleum solvent',
      ).forbidden,
    ).toHaveLength(1);
    expect(likelyMaterials('lever', familyById('lever-platform').traits)).toContain('shellac setting');
    expect(likelyMaterials('front plate', familyById('torsion').traits)).toEqual(['lacquered brass']);
  });

  it('leaves something that may go in', () => {
    for (const { traits } of FAMILIES) {
      const may = usualParts(traits).filter((p) => planRun([p], 'detergent').forbidden.length === 0);
      expect(may.length).toBeGreaterThan(0);
    }
  });
});
