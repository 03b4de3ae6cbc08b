import { describe, expect, it } from 'vitest';
import { FAMILIES, familyById, type Fitting } from '../movement/index.ts';
import { BATHS } from './materials.ts';
import { basketOpens, halfOf, isWhole, likelyMaterials, usualParts } from './parts.ts';
import { planRun } from './plan.ts';
import { sequenceById, stepsOf } from './sequences.ts';
import { oilChart } from '../oiling/index.ts';

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

  it('may be the whole movement, whatever its plates, with what cannot be taken off it; and half at a time', () => {
    const whole = (family: string, ...more: Fitting[]) => {
      const { traits } = familyById(family);
      return usualParts({ ...traits, fittings: [...traits.fittings, ...more] }).filter((p) => isWhole(p.name));
    };
    for (const { id } of FAMILIES) expect(whole(id), id).toHaveLength(1);
    const limit = (family: string, ...more: Fitting[]) => planRun(whole(family, ...more), 'detergent');
    expect(limit('mantel-barrels')).toMatchObject({ limitMin: 10, forbidden: [] }); // plain steel
    expect(limit('torsion').limitMin).toBe(5); // lacquered plates
    expect(limit('synchronous').forbidden).toMatchObject([{ material: 'coil or wiring' }]);
    expect(planRun(whole('regulator', 'jewelled pallets'), 'ammoniated water').forbidden).toHaveLength(1);
    const [first] = whole('mantel-barrels').map((p) => halfOf(p, 'first half'));
    expect(first).toMatchObject({ name: 'whole movement, first half', materials: ['bare brass', 'plain steel'] });
    // A wound movement in a bath: its springs are let down first, as for the plates.
    expect(basketOpens([first!], [])).toBe('plates');
  });

  it('never lets blued steel, hairsprings, coils or paint slip into the ammoniated bath', () => {
    for (const { traits } of FAMILIES) {
      const barred = planRun(usualParts(traits), 'ammoniated water').forbidden.map((f) => f.part);
      expect(barred).toEqual(expect.arrayContaining([expect.stringMatching(/^hands/), 'nuts, pins and screws']));
      if (traits.fittings.includes('hairspring')) expect(barred).toContain('balance and hairspring');
      if (traits.fittings.includes('coil')) expect(barred).toContain('coil');
    }
  });

  // Common practice: heat moves shellac; wood and bellows are never wetted; enamel is wiped.
  it('stones of any escapement stay cool, wood and enamel stay dry', () => {
    for (const [family, fitting] of [
      ['lever-platform', 'platform'],
      ['visible-escapement', 'visible escapement'],
      ['regulator', 'jewelled pallets'],
    ] as const) {
      const { traits } = familyById(family);
      const jewelled = { ...traits, fittings: [...traits.fittings, fitting] };
      const parts = [{ name: 'pallets', materials: likelyMaterials('pallets', jewelled)! }];
      for (const id of ['ultrasonic', 'soapy', 'solvent', 'whole', 'light'] as const)
        for (const bath of sequenceById(id).baths)
          expect(
            stepsOf(id, { bath, minutes: 5, parts, choices: {} }).filter((s) => /^(hot|warm|low warm)/i.test(s.what)),
            `${family} ${id} ${bath}`,
          ).toEqual([]);
      expect(
        usualParts(jewelled).some((p) => p.materials.includes('shellac setting')),
        family,
      ).toBe(true);
    }
    const { traits } = familyById('bird');
    const wooden = { ...traits, fittings: [...traits.fittings, 'wooden arbors' as const] };
    for (const what of ['going second wheel', 'strike fly', 'bellows', 'wheels on wooden arbors'])
      for (const bath of BATHS)
        expect(
          planRun([{ name: what, materials: likelyMaterials(what, wooden)! }], bath).forbidden,
          `${what} in ${bath}`,
        ).not.toEqual([]);
    expect(usualParts(wooden).some((p) => p.name.endsWith('wheels and arbors'))).toBe(false);
    const oiled = oilChart(wooden).filter((p) => p.grade !== 'none');
    expect(oiled.filter((p) => /^Train pivots/.test(p.where))).toEqual([]);
    for (const bath of BATHS)
      expect(planRun([{ name: 'dial', materials: ['enamel dial'] }], bath).forbidden).not.toEqual([]);
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
