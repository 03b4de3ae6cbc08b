import { describe, expect, it } from 'vitest';
import { BATHS, MATERIALS, bathRule } from './materials.ts';
import { correct, dilute } from './dilution.ts';
import { keptDry, planRun } from './plan.ts';

// Common practice throughout.
describe('a basket in a bath', () => {
  const plates = { name: 'plates', materials: ['bare brass' as const] };
  const arbor = { name: 'third wheel', materials: ['bare brass' as const, 'plain steel' as const] };

  it('is limited by its strictest material', () => {
    expect(planRun([plates, arbor], 'ammoniated water')).toMatchObject({ limitMin: 15, forbidden: [] });
    expect(planRun([plates, arbor], 'detergent')).toMatchObject({
      limitMin: 10,
      limitedBy: { part: 'third wheel', material: 'plain steel' },
    });
    expect(planRun([plates], 'petroleum solvent').limitMin).toBeNull();
  });

  it('names each part that must come out, with the reason', () => {
    const plan = planRun(
      [
        plates,
        { name: 'hour hand', materials: ['blued or polished steel'] },
        { name: 'barrel cap', materials: ['lacquered brass'] },
      ],
      'ammoniated water',
    );
    expect(plan.forbidden.map((f) => f.part)).toEqual(['hour hand', 'barrel cap']);
    expect(plan.forbidden[1]!.reason).toContain('lacquer');
  });

  it('lets nothing that can poison or ruin into any bath', () => {
    for (const material of [
      'luminous paint',
      'mercury vessel',
      'silvered dial',
      'painted or paper dial',
      'coil or wiring',
    ] as const)
      for (const bath of BATHS) expect(planRun([{ name: 'x', materials: [material] }], bath).forbidden).toHaveLength(1);
    expect(MATERIALS.every((m) => BATHS.every((b) => bathRule(m, b) !== undefined))).toBe(true);
  });
});

describe('dilution', () => {
  // Practice: one part and n parts of water fill n + 1.
  it('fills the tank', () => expect(dilute(4, 7)).toEqual({ concentrateL: 0.5, waterL: 3.5 }));
  it('puts a wrong bath right, whichever way it is wrong', () => {
    for (const [c, w] of [
      [1, 9],
      [2, 3],
      [1, 4],
    ] as const) {
      const fix = correct(c, w, 4);
      expect(
        (w + (fix.add === 'water' ? fix.litres : 0)) / (c + (fix.add === 'concentrate' ? fix.litres : 0)),
      ).toBeCloseTo(4, 9);
    }
    expect(() => dilute(0, 7)).toThrow(RangeError);
  });
});

describe('steel and water', () => {
  // Practice: a steel pinion rusts in minutes; many shops leave steel out of the water bath.
  it('are kept apart by house rule, and a wheel on its arbor goes in with its brass', () => {
    const parts = [
      { name: 'screws', materials: ['plain steel'] as const },
      { name: 'wheels', materials: ['bare brass', 'plain steel'] as const },
    ];
    expect(keptDry(parts, ['ammoniated water'], {}).map((p) => p.name)).toEqual(['screws']);
    expect(keptDry(parts, ['petroleum solvent'], {})).toEqual([]);
    expect(keptDry(parts, ['ammoniated water'], { steel: 'in' })).toEqual([]);
  });
});
