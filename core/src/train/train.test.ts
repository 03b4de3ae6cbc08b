import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { quarterNotes } from '../strike/index.ts';
import {
  beatsPerHour,
  blowsPerTurn,
  centreDistanceMm,
  moduleOfCentres,
  moduleOfPinion,
  moduleOfWheel,
  nearestUsual,
  pinionDiameterMm,
  ratioOf,
  searchMeshes,
  turnsChimed,
  turnsForDays,
  turnsStruck,
  wheelDiameterMm,
} from './index.ts';

const base = { ratio: 60, tolerance: 0, unknown: 2, wheels: [48, 72], pinions: [6, 8] } as const;

describe('trains', () => {
  // Practice: counts that the trade knows.
  it.each([
    [
      [
        [64, 8],
        [60, 8],
      ],
      30,
      3600,
    ],
    [
      [
        [75, 10],
        [60, 10],
        [48, 6],
      ],
      15,
      10800,
    ],
    [
      [
        [80, 10],
        [75, 10],
        [70, 7],
      ],
      15,
      18000,
    ],
  ] as const)('%j with %d teeth beats %d', (pairs, teeth, beats) => {
    expect(
      beatsPerHour(
        pairs.map(([wheel, pinion]) => ({ wheel, pinion })),
        teeth,
      ),
    ).toBeCloseTo(beats, 6);
    expect(nearestUsual(beats + 3)).toBe(beats);
  });
  it('of a longcase turn the barrel sixteen times in eight days', () => {
    expect(turnsForDays(8, ratioOf([{ wheel: 96, pinion: 8 }]))).toBe(16);
    expect(turnsStruck(8, blowsPerTurn([{ wheel: 78, pinion: 8 }], 8), 'hours')).toBeCloseTo(16, 9);
    // Published, tune of 1793: the notes of an hour, on a drum of five changes of four bells.
    const notesAnHour = ([1, 2, 3, 4] as const).reduce((n, quarter) => n + quarterNotes(quarter), 0);
    expect(turnsChimed(1, [])).toBe((24 * notesAnHour) / (5 * 4));
  });
  it('refuses a wheel without teeth', () => expect(() => ratioOf([{ wheel: 0, pinion: 8 }])).toThrow(RangeError));
});

describe('sizes of a mesh', () => {
  it('agree from whichever was measured', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.1, max: 2, noNaN: true }),
        fc.integer({ min: 24, max: 120 }),
        fc.integer({ min: 6, max: 16 }),
        (m, N, n) => {
          expect(moduleOfWheel(wheelDiameterMm(m, N), N)).toBeCloseTo(m, 9);
          expect(moduleOfPinion(pinionDiameterMm(m, n), n)).toBeCloseTo(m, 9);
          expect(moduleOfCentres(centreDistanceMm(m, N, n), N, n)).toBeCloseTo(m, 9);
          // A fact of gears: the tips of wheel and pinion reach past the line of centres' sum, never short of it.
          expect(wheelDiameterMm(m, N) + pinionDiameterMm(m, n)).toBeGreaterThan(2 * centreDistanceMm(m, N, n));
        },
      ),
    );
  });
});

describe('the search for a lost wheel', () => {
  it('finds what brute force finds', () => {
    // Oracle: all four counts tried one after another.
    const all = new Set<string>();
    for (let a = 48; a <= 72; a++)
      for (let p = 6; p <= 8; p++)
        for (let b = 48; b <= 72; b++)
          for (let q = 6; q <= 8; q++)
            if (a * b === 60 * p * q)
              all.add(
                [
                  [a, p],
                  [b, q],
                ]
                  .map(([w, n]) => `${w}/${n}`)
                  .sort()
                  .join(' '),
              );
    const found = searchMeshes(base);
    expect(
      new Set(
        found.found.map((f) =>
          f.meshes
            .map((m) => `${m.wheel}/${m.pinion}`)
            .sort()
            .join(' '),
        ),
      ),
    ).toEqual(all);
    expect(found.total).toBe(all.size);
  });
  it('keeps to the tolerance, and counts what it does not list', () => {
    const { found, total } = searchMeshes({ ...base, tolerance: 0.01, wheels: [24, 120], pinions: [6, 16] });
    expect(found.length).toBe(300);
    expect(total).toBeGreaterThan(1000);
    for (const f of found) expect(Math.abs(ratioOf(f.meshes) / 60 - 1)).toBeLessThanOrEqual(0.01 + 1e-9);
  });
  it('puts first what the measured sizes agree on', () => {
    const moduleMm = 0.42;
    const { found } = searchMeshes({
      ratio: 7.5,
      tolerance: 0,
      unknown: 1,
      wheels: [24, 120],
      pinions: [6, 16],
      pinionMm: pinionDiameterMm(moduleMm, 10),
      centresMm: centreDistanceMm(moduleMm, 75, 10),
    });
    expect(found[0]!.meshes).toEqual([{ wheel: 75, pinion: 10 }]);
    expect(found[0]!.misfit).toBeCloseTo(0, 9);
  });
  it('will not search without end', () => {
    expect(() => searchMeshes({ ...base, wheels: [24, 5000] })).toThrow(/400/);
    expect(() => searchMeshes({ ...base, wheels: [12, 400], pinions: [4, 40] })).toThrow(/Narrow/);
    expect(() => searchMeshes({ ...base, wheels: [90, 24] })).toThrow(RangeError);
    expect(searchMeshes({ ...base, ratio: 1e6 }).found).toEqual([]);
  });
});
