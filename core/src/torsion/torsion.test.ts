import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { beatsWith, neighbours, STRIP_STEP_MM, thicknessFor, torsionBeats } from './index.ts';

describe('a torsion strip', () => {
  it('is as strong as the practice says', () => {
    // Practice: 0.0038 in at 7.6 a minute wants 0.00393 for 8.
    expect(thicknessFor(0.0038 * 25.4, 7.6, 8, 'equal width') / 25.4).toBeCloseTo(0.00393, 5);
    const [thin, thick] = neighbours(0.0038 * 25.4, 7.6, 8, 'equal width');
    expect(thick!.thicknessMm - thin!.thicknessMm).toBeCloseTo(STRIP_STEP_MM, 12);
    expect(thin!.rateSecondsPerDay).toBeLessThan(0);
    expect(thick!.rateSecondsPerDay).toBeGreaterThan(0);
  });
  it('comes back from thickness to beats, under either law', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.06, max: 0.2, noNaN: true }),
        fc.double({ min: 6, max: 10, noNaN: true }),
        fc.constantFrom('equal width' as const, 'width grows with strength' as const),
        (t, n, law) => {
          expect(beatsWith(thicknessFor(t, n, 8, law), t, n, law)).toBeCloseTo(8, 9);
        },
      ),
    );
  });
  it('obeys the law of its own first principles', () => {
    // Published: the torsion constant of a thin rectangle tends to b t³/3, so n goes as t^1.5 where the strip is thin.
    const strip = { thicknessMm: 0.05, widthMm: 5, lengthMm: 100, inertiaKgM2: 2e-4, rigidityGPa: 65 };
    expect(torsionBeats({ ...strip, thicknessMm: 0.1 }) / torsionBeats(strip)).toBeCloseTo(2 ** 1.5, 1);
    expect(torsionBeats({ ...strip, lengthMm: 400 }) / torsionBeats(strip)).toBeCloseTo(0.5, 9);
    expect(() => torsionBeats({ ...strip, widthMm: 0.1 })).toThrow(RangeError);
  });
  it('offers only what is in the drawer', () =>
    expect(neighbours(0.1, 8, 8.2, 'equal width', [0.09, 0.12]).map((c) => c.thicknessMm)).toEqual([0.09, 0.12]));
});
