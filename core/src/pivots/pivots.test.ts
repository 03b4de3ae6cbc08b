import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { chooseBush, STARTING_STOCK } from './bush.ts';
import { judgeDepth, trueCentre } from './centre.ts';
import { clearanceFromLean, clearanceFromPlay, leanBetweenPlatesDeg, leanDeg } from './lean.ts';
import { readStock, writeStock } from './stock.ts';
import { judgeHole, measureProblem } from './verdict.ts';

// House rule (practice): clearance between 0.02 mm and a tenth of the pivot for a train arbor.
describe('the verdict on a hole', () => {
  const judge = (
    pivotMm: number,
    holeLongMm: number,
    holeShortMm: number,
    arbor: 'train' | 'escape' | 'barrel' = 'train',
  ) => judgeHole({ pivotMm, holeLongMm, holeShortMm }, arbor).verdict;

  it.each([
    [1.2, 1.25, 1.24, 'sound'],
    [1.2, 1.32, 1.3, 'sound'],
    [1.2, 1.21, 1.21, 'tight'],
    [1.2, 1.35, 1.3, 'marginal'],
    [1.2, 1.55, 1.28, 'bush'],
  ] as const)('pivot %d in %d × %d', (p, long, short, want) => expect(judge(p, long, short)).toBe(want));

  it('is stricter at the fast end, and looser at the barrel, up to a limit in millimetres', () => {
    expect(judge(1.2, 1.31, 1.3, 'escape')).toBe('marginal');
    expect(judge(2, 2.18, 2.16, 'train')).toBe('marginal'); // a tenth would pass 0.2 mm
    expect(judge(2, 2.18, 2.16, 'barrel')).toBe('sound');
    // Practice: worn, whatever a tenth says.
    expect(judge(6, 6.7, 6.6, 'barrel')).toBe('bush');
    expect(judge(6, 6.25, 6.2, 'barrel')).toBe('sound');
  });
  it('is oval from half the limit on, though its play passes', () => {
    expect(judge(1.2, 1.3, 1.25)).toBe('sound'); // 0.05 of 0.06
    expect(judge(1.2, 1.31, 1.24)).toBe('marginal'); // 0.07
    expect(judge(1.2, 1.32, 1.22)).toBe('bush'); // 0.10
  });
  // Practice: about 0.01 mm is right in a jewel, which is never eased or bushed but renewed.
  it('of a jewel is its own', () => {
    const jewel = (play: number) =>
      judgeHole({ pivotMm: 0.2, holeLongMm: 0.2 + play, holeShortMm: 0.2 + play }, 'balance', true).verdict;
    expect([jewel(0.002), jewel(0.01), jewel(0.025), jewel(0.06)]).toEqual(['renew', 'sound', 'marginal', 'renew']);
  });

  it('never gets better as the hole grows', () => {
    const rank = { tight: 0, sound: 1, marginal: 2, bush: 3, renew: 3 };
    fc.assert(
      fc.property(
        fc.integer({ min: 20, max: 500 }),
        fc.integer({ min: 0, max: 200 }),
        fc.integer({ min: 0, max: 100 }),
        (p, a, b) => {
          const pivot = p / 100,
            short = pivot + 0.02;
          expect(rank[judge(pivot, short + (a + b) / 100, short)]).toBeGreaterThanOrEqual(
            rank[judge(pivot, short + a / 100, short)],
          );
        },
      ),
    );
  });

  it('names the field that cannot be', () => {
    expect(measureProblem({ pivotMm: 1, holeLongMm: 1.1, holeShortMm: 1.2 })?.field).toBe('holeShortMm');
    expect(measureProblem({ pivotMm: 0, holeLongMm: 1.1, holeShortMm: 1 })?.field).toBe('pivotMm');
    expect(() => judgeHole({ pivotMm: Number.NaN, holeLongMm: 1, holeShortMm: 1 }, 'train')).toThrow(RangeError);
  });
});

describe('the choice of a bush', () => {
  const wanted = { finishedPivotMm: 1.2, clearanceMm: 0.04, holeLongMm: 1.6, holeShortMm: 1.28, plateMm: 1.8 };

  it('swallows the oval, keeps a wall and stands as high as the plate', () => {
    const bush = chooseBush(wanted)!;
    // Worked by hand: the oval reaches 1.6 − 0.64 = 0.96 from the true centre, so at least ⌀ 1.92; wall wants 1.24 +
    // 0.8 = 2.04.
    expect(bush).toMatchObject({ outsideMm: 2.5, boreMm: 1.2, heightMm: 2 });
    // Practice: press fit 0.01 to 0.02 mm.
    expect(bush.outsideMm - bush.reamToMm).toBeCloseTo(0.015, 9);
    expect(bush.centreBackMm).toBeCloseTo(0.16, 9);
  });

  it('covers every point of the worn hole, by walking its edge', () => {
    fc.assert(
      fc.property(fc.integer({ min: 30, max: 300 }), fc.integer({ min: 0, max: 60 }), (p, wear) => {
        const pivot = p / 100,
          short = pivot + 0.05,
          long = short + wear / 100;
        const bush = chooseBush({
          finishedPivotMm: pivot,
          clearanceMm: 0.04,
          holeLongMm: long,
          holeShortMm: short,
          plateMm: 1.5,
        });
        if (!bush) return;
        for (let i = 0; i < 360; i++) {
          // the slot left by a pivot of the short diameter that moved by `wear`
          const a = (i * Math.PI) / 180;
          const x = (Math.cos(a) > 0 ? wear / 100 : 0) + (short / 2) * Math.cos(a);
          expect(Math.hypot(x, (short / 2) * Math.sin(a))).toBeLessThanOrEqual(bush.outsideMm / 2 + 1e-9);
        }
      }),
    );
  });

  it('says there is none rather than offer a wrong one', () => {
    expect(chooseBush({ ...wanted, plateMm: 9 })).toBeNull();
    expect(
      chooseBush(
        wanted,
        STARTING_STOCK.filter((b) => b.outsideMm < 2),
      ),
    ).toBeNull();
    expect(() => chooseBush({ ...wanted, holeShortMm: 2 })).toThrow(RangeError);
  });
});

describe('lean and clearance', () => {
  it('come back from each other', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 0.25, noNaN: true }),
        fc.double({ min: 0.5, max: 5, noNaN: true }),
        (c, h) => {
          expect(clearanceFromLean(leanDeg(c, h), h)).toBeCloseTo(c, 9);
        },
      ),
    );
  });
  // Practice: lean is for one plate only; between plates it is too little to see.
  it('between plates is hundredths of a degree', () => expect(leanBetweenPlatesDeg(0.1, 30)).toBeLessThan(0.2));
  // Oracle: an arbor laid to either side of its two holes, the swing read on the way between them.
  it('shares sideways play between both pivots', () => {
    const clearance = fc.double({ min: 0, max: 0.5, noNaN: true });
    fc.assert(
      fc.property(clearance, clearance, fc.double({ min: 1, max: 40, noNaN: true }), (near, far, at) => {
        const side = (to: 1 | -1) => (to * far) / 2 + ((to * (near - far)) / 2) * (at / 40);
        const play = side(1) - side(-1);
        expect(clearanceFromPlay(play, at, 40, far)).toBeCloseTo(near, 9);
        if (Math.abs(near - far) < 1e-3) expect(clearanceFromPlay(play, at, 40)).toBeCloseTo(near, 2);
      }),
    );
    // Both worn alike: neither gets the play of both.
    expect(clearanceFromPlay(0.2, 20, 40)).toBeCloseTo(0.2, 12);
  });
});

describe('the true centre', () => {
  it('lies where the hole was before the pivot wore it along', () => {
    // Oracle: a round hole of the short diameter and its slot, walked along its edge; the far unworn edge belongs to
    // both.
    const centre = trueCentre({ xMm: 0.2, yMm: 0 }, 1.4, 1, 0);
    expect(centre).toEqual({ xMm: expect.closeTo(0, 12), yMm: expect.closeTo(0, 12) });
    expect(() => trueCentre({ xMm: 0, yMm: 0 }, 1, 1.2, 0)).toThrow(RangeError);
  });
  it('is judged by the module', () =>
    expect([17.01, 17.1, 16.9].map((c) => judgeDepth(c, 17, 0.5).depth)).toEqual(['right', 'too shallow', 'too deep']));
});

describe('a stock list', () => {
  const csv = 'shelf;bore_mm;outside_mm;height_mm\nA;1,2;2,5;2\nB;oops;2;2\n';
  it('is read with comma or point, and says which line is wrong', () =>
    expect(readStock(csv)).toEqual({
      stock: [{ boreMm: 1.2, outsideMm: 2.5, heightMm: 2 }],
      problems: [{ line: 3, message: expect.any(String) }],
    }));
  it('comes back from its own table', () =>
    expect(readStock(writeStock(STARTING_STOCK)).stock).toEqual(STARTING_STOCK));
  it('names the columns that are not there', () =>
    expect(readStock('a,b\n1,2').problems[0]!.message).toContain('bore_mm'));
});
