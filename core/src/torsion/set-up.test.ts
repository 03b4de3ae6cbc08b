import { describe, expect, it } from 'vitest';
import {
  ADJUSTER_S,
  beaten,
  beatsOn,
  blockTurn,
  PER_DEGREE,
  rankStrips,
  sayTorsion,
  setUpOf,
  stripsFor,
  STRIP_STEP_MM,
  thicknessFor,
  torsionBeats,
  withFitted,
  type SetUpEntry,
  type TorsionTest,
} from './index.ts';

const IN = 25.4;
let minute = 0;
const entry = (test: TorsionTest, of: SetUpEntry['of'] = 'visit'): SetUpEntry => ({
  test,
  of,
  by: 'Ines',
  at: new Date(Date.UTC(2031, 4, 2, 9, minute++)).toISOString(),
});
const strip = (inches: number, is: 'as it came' | 'tried' = 'tried', widthMm: number | null = null): TorsionTest => ({
  kind: 'torsion strip',
  strip: is,
  ...{ thicknessMm: inches * IN, widthMm, freeMm: null, alloy: 'not known', note: '' },
});
const beats = (n: number, seconds: number): TorsionTest => ({ kind: 'torsion beats', beats: n, seconds, wanted: 8 });
const swing = (clockwise: number, anticlockwise: number): TorsionTest => ({
  kind: 'torsion escapement',
  ...{ lockPercent: 10, clockwise, anticlockwise, pin: 'free' },
});

/**
 * A bob that is pushed on its way through the middle of the escapement, stepped through time: how far it swings on
 * after the drop to either side, degrees.
 */
function simulated(rest: number): { clockwise: number; anticlockwise: number } {
  const [dt, damping, push, drop] = [0.002, 0.02, 8, 100];
  const omega = Math.PI / 7.5;
  let [angle, speed, far, near] = [rest + 130, 0, 0, 0];
  for (let t = 0; t < 1200; t += dt) {
    const before = angle;
    speed += (-omega * omega * (angle - rest) - damping * speed) * dt;
    angle += speed * dt;
    if (before * angle < 0) speed += Math.sign(speed) * push;
    if (t > 1100) [far, near] = [Math.max(far, angle), Math.min(near, angle)];
  }
  return { clockwise: far - drop, anticlockwise: -drop - near };
}

describe('setting up a torsion pendulum', () => {
  it('times the beat as well as a hand can, and one beat in eight is three sizes of strip', () => {
    // From memory: five minutes on a stopwatch leave about two minutes a day.
    const found = beaten({ beats: 40, seconds: 300, wanted: 8 });
    expect(found.perMinute).toBe(8);
    expect(found.halfWidth / 60).toBeCloseTo(2, 0);
    // Practice: one beat in 8 is three strip sizes.
    expect((thicknessFor(0.0033 * IN, 7, 8, 'equal width') - 0.0033 * IN) / STRIP_STEP_MM).toBeCloseTo(3, 0);
  });
  it('reckons by the widths where both are known, as the first principles do', () => {
    // Published: torsion of a thin rectangle, any text on elasticity, by another function.
    const clock = { lengthMm: 110, inertiaKgM2: 2e-4, rigidityGPa: 65 };
    const [old, other] = [
      { thicknessMm: 0.1, widthMm: 0.5 },
      { thicknessMm: 0.106, widthMm: 0.56 },
    ];
    const by = beatsOn(other, old, torsionBeats({ ...clock, ...old }), 'equal width');
    expect(by).toBeCloseTo(torsionBeats({ ...clock, ...other }), 9);
    // A wider strip is stronger: who reckons with its thickness alone fits one that gains.
    expect(by).toBeGreaterThan(beatsOn({ ...other, widthMm: null }, old, 8, 'equal width'));
    expect(rankStrips(old, 8, 8, 'equal width', [{ id: 'a', ...other }])[0]!.byWidth).toBe(true);
  });
  it('offers what lies in the stores, the nearest first', () => {
    const stock = [38, 39, 40, 41].map((t) => ({ id: `${t}`, thicknessMm: (t / 10_000) * IN, widthMm: null }));
    // Practice: 0.0038 in at 7.6 a minute wants 0.00393 for 8.
    const ranked = rankStrips(stock[0]!, 7.6, 8, 'equal width', stock);
    expect(ranked.map((s) => s.id)).toEqual(['39', '40', '38', '41']);
    expect(ranked[0]!.rateSecondsPerDay).toBeLessThan(0);
  });
  it('offers no suspension of a pendulum, nor a strip that is too short', () => {
    const item = (id: string, strength_mm: number, width_mm: number, length_mm: number, onHand = 3) => ({
      ...{ id, kind: 'suspension', kept: true, onHand },
      sizes: { strength_mm, width_mm, length_mm },
    });
    const items = [
      item('fits', 0.1, 0.5, 150),
      item('of a pendulum', 0.1, 6, 120),
      item('short', 0.1, 0.5, 100),
      item('none left', 0.1, 0.5, 150, 0),
    ];
    expect(stripsFor(items, 110).map((s) => s.id)).toEqual(['fits']);
  });
  it('does not believe a count of the strip before', () => {
    const of = (...tests: TorsionTest[]) => setUpOf(tests.map((t) => entry(t)));
    expect(of(strip(0.0038, 'as it came'), beats(38, 300)).observed!.perMinute).toBe(7.6);
    expect(of(strip(0.0038, 'as it came'), beats(38, 300), strip(0.0039)).observed).toBeNull();
    expect(of(beats(38, 300)).observed!.perMinute).toBe(7.6);
  });
  it('starts from what was right in this movement, else in one of its type; never from one that was wrong', () => {
    const type = [entry(strip(0.0036), 'type'), entry(beats(40, 300), 'type')];
    expect(setUpOf(type).known).toMatchObject({ of: 'type', strip: { thicknessMm: 0.0036 * IN } });
    const own = [entry(strip(0.0038), 'movement'), entry(beats(40, 300.5), 'movement')];
    expect(setUpOf([...type, ...own]).known).toMatchObject({ of: 'movement', strip: { thicknessMm: 0.0038 * IN } });
    const wrong = [entry(strip(0.0044), 'movement'), entry(beats(45, 300), 'movement')];
    expect(setUpOf([...own, ...wrong]).known!.strip.thicknessMm).toBeCloseTo(0.0038 * IN, 9);
    expect(setUpOf(wrong).known).toBeNull();
  });
  it('turns the top block so that a simulated bob swings on alike, whichever side it rests on', () => {
    for (const rest of [-12, -3, 7, 15]) {
      const found = simulated(rest);
      const turn = blockTurn(found.clockwise, found.anticlockwise);
      const after = simulated(rest + turn);
      expect(Math.abs(found.clockwise - found.anticlockwise), `rest ${rest}`).toBeGreaterThan(4);
      expect(Math.abs(after.clockwise - after.anticlockwise), `rest ${rest}`).toBeLessThan(1);
    }
  });
  it('says what to move', () => {
    const say = (...tests: TorsionTest[]) => sayTorsion(setUpOf(tests.map((t) => entry(t))));
    const what = (name: string, ...tests: TorsionTest[]) => say(...tests).find((s) => s.what === name)!;
    expect(what('Overswing', swing(30, 10))).toMatchObject({
      good: false,
      says: 'Swings on 30° clockwise, 10° anticlockwise: turn the top block 10° anticlockwise, seen from above.',
    });
    expect(what('Overswing', swing(21, 20)).good).toBe(true);
    expect(what('Overswing', swing(2, 2)).says).toContain('but little');
    expect(what('Lock', { ...swing(1, 1), lockPercent: 0 } as TorsionTest).says).toContain('teeth may skip');
    const heights = (when: 'as it came' | 'set', forkMm: number): TorsionTest => ({
      kind: 'torsion heights',
      ...{ when, forkMm, assemblyMm: null },
    });
    expect(what('Fork', heights('as it came', 12.2), heights('set', 12.5)).good).toBe(true);
    expect(what('Fork', heights('as it came', 12.2), heights('set', 14)).says).toContain('1.8 mm more');
    expect(what('Fork', heights('set', 14)).good).toBeNull();
    expect(what('Beat', strip(0.0038), beats(38, 300))).toMatchObject({ good: false });
    // A hurried count leaves it open, whatever it shows.
    expect(what('Beat', strip(0.0038), beats(4, 30.05))).toMatchObject({ good: null });
    expect(ADJUSTER_S).toBeGreaterThan(beaten({ beats: 40, seconds: 300, wanted: 8 }).halfWidth);
  });
  it('loses when it is warm by as much as its metal says', () => {
    // From memory of handbooks: modulus of spring steel −2.6·10⁻⁴, of phosphor bronze −4·10⁻⁴ a degree.
    // Half of it shows in the rate.
    expect(-PER_DEGREE['not compensated']!).toBeGreaterThan(43_200 * 2.6e-4);
    expect(-PER_DEGREE['not compensated']!).toBeLessThan(43_200 * 4e-4);
    // Practice: three degrees of a room are the 5 minutes a week that an old strip is allowed.
    expect((-PER_DEGREE['not compensated']! * 3 * 7) / 60).toBeCloseTo(5, 0);
  });
  it('knows a strip that was fitted from the shelf, once', () => {
    const part = (mm: number) => ({
      kind: 'suspension',
      sizes: { strength_mm: mm },
      by: 'Ines',
      at: '2032-01-01T09:00:00Z',
    });
    const tried = [entry(strip(0.0038)), entry(beats(40, 300))];
    expect(setUpOf(withFitted(tried, [part(0.0038 * IN)])).observed!.perMinute).toBe(8);
    expect(setUpOf(withFitted(tried, [part(0.1)])).strip!.strip).toBe('fitted');
    expect(setUpOf(withFitted(tried, [part(0.1)])).observed).toBeNull();
  });
});
