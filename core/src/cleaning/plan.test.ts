import fc from 'fast-check';
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
    // Oracle: it is done to two jars. What is poured out takes both along, and nothing runs over.
    fc.assert(
      fc.property(
        fc.double({ min: 0.05, max: 1, noNaN: true }),
        fc.double({ min: 0.05, max: 0.95, noNaN: true }),
        fc.double({ min: 0.2, max: 40, noNaN: true }),
        (full, share, parts) => {
          const tank = 4;
          const [c, w] = [tank * full * share, tank * full * (1 - share)];
          const { add, litres, pourOutL } = correct(c, w, parts, tank);
          const stays = 1 - pourOutL / (c + w);
          const [c2, w2] = [
            c * stays + (add === 'concentrate' ? litres : 0),
            w * stays + (add === 'water' ? litres : 0),
          ];
          expect(w2 / c2 / parts).toBeCloseTo(1, 6);
          expect(c2 + w2).toBeLessThanOrEqual(tank * (1 + 1e-6));
          expect(Math.min(litres, pourOutL, stays)).toBeGreaterThanOrEqual(-1e-9);
          // Nothing is thrown away that the tank would have held.
          if (pourOutL > 1e-6) expect(c2 + w2).toBeCloseTo(tank, 6);
        },
      ),
    );
    expect(() => correct(3, 3, 4, 4)).toThrow('More is in it');
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
