import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  addedWeightEffect,
  airCarried,
  adviseSetting,
  beatsForLength,
  chooseSuspension,
  circularErrorSecondsPerDay,
  gravityAt,
  lengthenMm,
  lengthMmFor,
  nutEffect,
  settingWords,
  STEEL_MPA,
  suspensionStressMpa,
  temperatureSecondsPerDayPerC,
} from './index.ts';

/** Period of θ″ = −(g/L) sin θ released at rest, by Runge–Kutta; the oracle for what the formulas say of a swing. */
function periodByIntegration(lengthM: number, g: number, startDeg: number): number {
  let [angle, speed, t] = [(startDeg * Math.PI) / 180, 0, 0];
  const h = Math.sqrt(lengthM / g) / 2000;
  const pull = (a: number) => (-g / lengthM) * Math.sin(a);
  for (;;) {
    const [k1, l1] = [speed, pull(angle)];
    const [k2, l2] = [speed + (h / 2) * l1, pull(angle + (h / 2) * k1)];
    const [k3, l3] = [speed + (h / 2) * l2, pull(angle + (h / 2) * k2)];
    const [k4, l4] = [speed + h * l3, pull(angle + h * k3)];
    const next = angle + (h / 6) * (k1 + 2 * k2 + 2 * k3 + k4);
    speed += (h / 6) * (l1 + 2 * l2 + 2 * l3 + l4);
    if (next <= 0) return 4 * (t + (h * angle) / (angle - next)); // a quarter of the period, to the crossing
    angle = next;
    t += h;
  }
}

describe('a pendulum', () => {
  it('swings as its equation of motion does', () => {
    // Oracle: numerical integration of the pendulum's equation.
    expect(7200 / beatsForLength(993.621)).toBeCloseTo(periodByIntegration(0.993621, 9.80665, 0.01), 6);
    for (const arc of [1, 2, 3, 5, 10, 30]) {
      const small = periodByIntegration(0.25, 9.80665, 0.02);
      const wide = periodByIntegration(0.25, 9.80665, arc);
      expect(circularErrorSecondsPerDay(arc)).toBeCloseTo(86400 * (1 - small / wide), 1);
    }
  });

  // Published values of the series for circular error; of WGS 84 gravity at 45°; handbook lengths.
  it.each([
    [1, 1.6449],
    [2, 6.5797],
    [3, 14.8042],
    [5, 41.1217],
    [10, 164.467],
  ])('loses at %d° %d s a day', (arc, loss) => expect(circularErrorSecondsPerDay(arc)).toBeCloseTo(loss, 3));
  it.each([
    [3600, 993.621],
    [7200, 248.405],
    [9000, 158.979],
    [10800, 110.402],
    [14400, 62.101],
  ])('of %d beats is %d mm long', (beats, mm) => expect(lengthMmFor(beats)).toBeCloseTo(mm, 2));
  it('knows the gravity of a place', () => {
    expect(gravityAt(45, 0)).toBeCloseTo(9.806198, 6);
    for (const [latitude, mm] of [
      [0, 990.954],
      [45, 993.576],
      [90, 996.209],
    ] as const)
      expect(lengthMmFor(3600, gravityAt(latitude, 0))).toBeCloseTo(mm, 2);
    expect(() => gravityAt(91, 0)).toThrow(RangeError);
  });

  it('comes back from beats to length and from length to beats', () => {
    fc.assert(
      fc.property(fc.double({ min: 10, max: 5000, noNaN: true }), (mm) => {
        expect(lengthMmFor(beatsForLength(mm))).toBeCloseTo(mm, 6);
      }),
    );
  });

  it('changes with its length as two counted lengths do', () => {
    // However far out it is: two lengths counted, not a tangent drawn.
    for (const length of [700, 900, 993, 1000, 1100]) {
      const gains = 86400 * (beatsForLength(length) / beatsForLength(993.621) - 1);
      expect(length + lengthenMm(length, gains)).toBeCloseTo(993.621, 6);
    }
  });

  it('gains by a weight laid on it as its moment of inertia says', () => {
    // Oracle: period of a compound pendulum, T ∝ √(Σ m r²/Σ m r).
    const [M, L, m, h] = [5, 0.9936, 0.001, 0.4];
    const ratio = Math.sqrt((M * L * L) / (M * L) / ((M * L * L + m * h * h) / (M * L + m * h)));
    expect(addedWeightEffect(1000 * M, 1000 * L, 1000 * h)).toBeCloseTo(86400 * (ratio - 1), 2);
    expect(addedWeightEffect(5000, 1000, 500)).toBeGreaterThan(addedWeightEffect(5000, 1000, 300));
  });

  it('with a steel rod loses about half a second a day for each degree', () => {
    // From memory of handbooks.
    expect(temperatureSecondsPerDayPerC('steel')).toBeCloseTo(0.497, 3);
    expect(temperatureSecondsPerDayPerC('invar')).toBeCloseTo(0.052, 3);
  });
});

describe('advice on what to turn', () => {
  it('starts from theory, and leaves it for what the clock did', () => {
    const theory = nutEffect(248.4, 0.5);
    expect(adviseSetting(theory, [], 60)).toMatchObject({ from: 'theory', amount: expect.closeTo(-60 / theory, 6) });
    const half = [
      { amount: 2, before: -80, after: 7 },
      { amount: -1, before: 7, after: -36 },
    ];
    const learnt = adviseSetting(theory, half, 40, 0, 1)!;
    expect(learnt.from).toBe('the clock');
    expect(learnt.perUnit).toBeCloseTo(43.4, 0);
  });
  it('needs a trial where there is no theory, and is surer with each', () => {
    expect(adviseSetting(null, [], 60)).toBeNull();
    const one = adviseSetting(null, [{ amount: 1, before: 60, after: 40 }], 40)!;
    const two = adviseSetting(
      null,
      [
        { amount: 1, before: 60, after: 40 },
        { amount: 1, before: 40, after: 20 },
      ],
      20,
    )!;
    expect(one.perUnit).toBeCloseTo(-20, 9); // it was turned the wrong way: the sign is learnt too
    expect(two.halfWidthPerUnit).toBeLessThan(one.halfWidthPerUnit);
  });
  it('reaches the wanted rate when the clock does as advised', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 5, max: 200, noNaN: true }),
        fc.double({ min: -600, max: 600, noNaN: true }),
        (effect, rate) => {
          const a = adviseSetting(effect, [{ amount: 1, before: rate - effect, after: rate }], rate)!;
          expect(rate + a.amount * effect).toBeCloseTo(0, 6);
        },
      ),
    );
  });
});

// A person reads it aloud: by hand.
describe('how far, in words', () => {
  it('is what an eighth is, however the machine holds it', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 400 }), fc.double({ min: -1e-9, max: 1e-9, noNaN: true }), (k, off) => {
        expect(settingWords('rating nut', k / 8 + off)).toBe(settingWords('rating nut', k / 8));
      }),
    );
    expect(
      [1.9999999999999996, 0.9999999999999999, 1, 0.9999, 1.001, 1.125, 0.875, -2.5].map((x) =>
        settingWords('regulator', x).replace(/ towards.*/, ''),
      ),
    ).toEqual([
      '2 divisions',
      '1 division',
      '1 division',
      '1 division',
      '1 division',
      '1⅛ divisions',
      '⅞ division',
      '2½ divisions',
    ]);
  });
});

/**
 * Bend at the chops of a strip pulled along the rod, φ″ = (W/EI) sin φ, by shooting: the angle must come to nothing at
 * the end of the strip. Oracle for the stress at the chops, per mm.
 */
function bendAtChops(pullPerStiffness: number, angle: number, lengthMm: number): number {
  const end = (bend: number) => {
    let [a, b] = [angle, bend];
    const h = lengthMm / 4000;
    for (let s = 0; s < 4000 && Math.abs(a) < 2; s++) {
      const middle = b + (h / 2) * pullPerStiffness * Math.sin(a);
      a += h * middle;
      b = middle + (h / 2) * pullPerStiffness * Math.sin(a);
    }
    return a;
  };
  let [low, high] = [-2 * angle, 0];
  for (let i = 0; i < 60; i++) {
    const mid = (low + high) / 2;
    if (end(mid) > 0) high = mid;
    else low = mid;
  }
  return -low;
}

describe('a suspension spring', () => {
  it.each([
    [5, 12.7, 0.15, 3],
    [0.15, 5, 0.06, 6],
  ])('%d kg on %d × %d mm bends as the equation of its curve does', (bobKg, widthMm, thicknessMm, deg) => {
    const strip = { bobKg, widthMm, thicknessMm };
    const stiffness = (STEEL_MPA * widthMm * thicknessMm ** 3) / 12;
    const pull = bobKg * 9.80665;
    const bend = bendAtChops(pull / stiffness, (deg * Math.PI) / 180, 4 * Math.sqrt(stiffness / pull));
    const stress = pull / (widthMm * thicknessMm) + (STEEL_MPA * thicknessMm * bend) / 2;
    expect(suspensionStressMpa(strip, deg) / stress).toBeCloseTo(1, 2);
  });
  it('is thicker for a heavier bob or a wider swing, and none bears an anvil', () => {
    // Practice: French bobs 0.05 to 0.1 mm, seconds longcase 0.13 to 0.2 mm.
    expect(chooseSuspension(0.2, 5, 4)).toBeLessThanOrEqual(0.05);
    expect(chooseSuspension(12, 12.7, 2.5)).toBeGreaterThanOrEqual(0.13);
    expect(chooseSuspension(60, 3, 5)).toBeNull();
  });
});

// Published: coefficients of inertia of spheroids, Lamb; a thin disc that swings edge on carries nearly nothing.
it.each([
  [1, 0.5],
  [0.9999, 0.5],
  [0.5, 0.31],
  [0.02, 0.016],
])('a bob of thickness %d of its width carries %d of its air', (share, carried) =>
  expect(airCarried(share)).toBeCloseTo(carried, 2),
);
