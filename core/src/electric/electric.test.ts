import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  coilAt,
  duty,
  judgeCoil,
  ohmsAt20,
  E12,
  judgeSteps,
  lastSitting,
  judgeWindings,
  loadOf,
  resistorForPeak,
  suppressed,
  synchronousRpm,
} from './index.ts';

describe('a coil', () => {
  // Published: Ohm's law.
  it('draws what its resistance lets it', () =>
    expect(coilAt(18, 220)).toEqual({ milliamps: expect.closeTo(81.8, 1), watts: expect.closeTo(1.473, 3) }));
  it('decays through its resistor as the circuit does', () => {
    // Oracle: L di/dt = −(R + Rs) i, stepped; the current falls to 1/e in one time constant, and its first drop across
    // Rs is the peak.
    const [V, R, Rs, L] = [10, 220, 2200, 1.5];
    const said = suppressed(V, R, Rs, L);
    let i = V / R;
    expect(i * Rs).toBeCloseTo(said.coilPeakV, 9);
    const h = 1e-8;
    let t = 0;
    while (i > V / R / Math.E) {
      i -= (h * (R + Rs) * i) / L;
      t += h;
    }
    expect(1000 * t).toBeCloseTo(said.decayMs!, 2);
  });
  it('gets the largest usual resistor that keeps the peak', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 1.5, max: 48, noNaN: true }),
        fc.double({ min: 5, max: 5000, noNaN: true }),
        fc.double({ min: 1.2, max: 30, noNaN: true }),
        (V, R, over) => {
          const r = resistorForPeak(V, R, over * V);
          expect(suppressed(V, R, r).contactPeakV).toBeLessThanOrEqual(over * V * (1 + 1e-6));
          const next = E12.flatMap((e) => [-2, -1, 0, 1, 2, 3, 4, 5].map((d) => e * 10 ** d))
            .sort((a, b) => a - b)
            .find((x) => x > r * 1.001)!;
          expect(suppressed(V, R, next).contactPeakV).toBeGreaterThan(over * V * (1 - 1e-6));
        },
      ),
    );
  });
});

describe('a coil on the meter', () => {
  // Published: IEC 60028, annealed copper; the 234.5 °C rule of electrical handbooks gives the same within a
  // thousandth.
  it('is brought to 20 °C as copper is', () => {
    for (const t of [0, 35, 60]) expect(ohmsAt20(100, t)).toBeCloseTo((100 * (234.5 + 20)) / (234.5 + t), 0);
    expect(() => ohmsAt20(100, 300)).toThrow(RangeError);
  });
  // Practice: no reading is open, near zero is shorted.
  it.each([
    [null, 112, 'open'],
    [0.4, 112, 'shorted'],
    [70, 112, 'low'],
    [109, 112, 'right'],
    [150, 112, 'high'],
    [80, null, 'not known'],
    [0.2, null, 'shorted'],
  ] as const)('%s Ω where %s belong: %s', (ohms, expected, verdict) =>
    expect(judgeCoil(ohms, expected).verdict).toBe(verdict),
  );
  it('is not called high because it is warm', () =>
    expect([judgeCoil(126, 112).verdict, judgeCoil(126, 112, 45).verdict]).toEqual(['high', 'right']));
});

describe('contacts, motors and steps', () => {
  it('close for a share of the time', () => {
    expect(duty(1, 60)).toBeCloseTo(1 / 60, 12);
    expect(() => duty(2, 1)).toThrow(RangeError);
    expect([judgeWindings(1, 1.05), judgeWindings(1, 3), judgeWindings(2, 1)]).toEqual([
      'right',
      'too often',
      'too seldom',
    ]);
  });
  // Published: any text on electrical machines.
  it.each([
    [60, 2, 3600],
    [50, 2, 3000],
    [50, 16, 375],
  ])('%d Hz with %d poles: %d rpm', (f, poles, rpm) => expect(synchronousRpm(f, poles)).toBe(rpm));
  it('refuse an odd number of poles', () => expect(() => synchronousRpm(50, 3)).toThrow(/pairs/));
  it('are judged by advancing alone', () => {
    // Practice.
    const at = (volts: number, did: 'nothing' | 'moves' | 'lifts' | 'advances') => ({ volts, did });
    expect(judgeSteps([at(6, 'moves'), at(9, 'lifts')], 12)).toMatchObject({ pullInV: null });
    expect(judgeSteps([at(6, 'lifts'), at(8, 'advances'), at(9, 'advances')], 12)).toMatchObject({
      pullInV: 8,
      margin: 1.5,
    });
    expect(judgeSteps([at(11, 'advances')], 12).words).toMatch(/too little in hand/);
    // Before it was cleaned it wanted 14 V; that was another day, and says nothing of today.
    const on = (day: number, hour: number, volts: number, did: 'lifts' | 'advances', supplyV = 12) => ({
      at: new Date(Date.UTC(2031, 4, day, hour)).toISOString(),
      ...at(volts, did),
      supplyV,
    });
    const all = [on(2, 9, 11, 'lifts'), on(2, 10, 14, 'advances'), on(9, 9, 8, 'lifts'), on(9, 10, 9, 'advances')];
    expect(lastSitting(all)).toEqual(all.slice(2));
    expect(judgeSteps(lastSitting(all), 12).pullInV).toBe(9);
    expect(lastSitting([...all, on(9, 10, 9, 'lifts', 15)])).toHaveLength(1);
    expect(lastSitting([])).toEqual([]);
    expect(judgeSteps([at(13, 'advances')], 12).words).toMatch(/will not step/);
  });
  it('add up on one supply', () =>
    expect(
      loadOf(
        [
          { milliamps: 90, count: 4 },
          { milliamps: 120, count: 1 },
        ],
        500,
      ),
    ).toEqual({ milliamps: 480, share: 0.96 }));
});
