import { describe, expect, it } from 'vitest';
import { AS_HEARD, seeded, SimulatedClock } from '../simulated/index.ts';
import { BlowFinder } from '../sound/index.ts';
import { fromSound, repeatOf, ringOf, type HeardBlow } from './index.ts';

const random = seeded(41);
const about = (x: number, share: number) => x * (1 + share * (2 * random() - 1));
const at = (times: readonly number[], db = -15): HeardBlow[] => times.map((atS) => ({ atS, db }));
/** Blows so many seconds after each other. */
const gaps = (...all: number[]) => at(all.reduce<number[]>((t, g) => [...t, t.at(-1)! + g], [1]));

describe('a repeat that was heard', () => {
  /** As common practice has it: hours even, a pause, then each quarter on two gongs; some strike quarters first. */
  const struck = (hours: number, quarters: number, { pairs = true, first = false } = {}) => {
    let t = 1;
    const h = Array.from({ length: hours }, () => (t += about(0.72, 0.05)));
    t += 0.55;
    const q = Array.from({ length: quarters }, () => {
      t += about(0.75, 0.05);
      return pairs ? [t, (t += about(0.24, 0.05))] : [t];
    }).flat();
    const end = t + 1;
    return at(first ? [...q.map((x) => x - h.at(-1)!), ...h.map((x) => x + end)] : [...h, ...q]);
  };
  const every = Array.from({ length: 12 }, (_, h) => [0, 1, 2, 3].map((q) => [h + 1, q] as const)).flat();

  it('tells hours from quarters at every hour and quarter of the dial', () => {
    for (const first of [false, true])
      for (const [h, q] of every) {
        const r = repeatOf(struck(h, q, { first: first && q > 0 }))!;
        expect([h, q, r.hours, r.quarters ?? 0]).toEqual([h, q, h, q]);
        expect(r.blows).toBe('even');
      }
  });
  it('tells single quarters by the one pause, where there are enough hours to know a pause', () => {
    for (const [h, q] of every.filter(([hours]) => hours > 2)) {
      const r = repeatOf(struck(h, q, { pairs: false }))!;
      expect([h, q, r.hours, r.quarters ?? 0]).toEqual([h, q, h, q]);
    }
  });
  it('counts a hammer that bounces once, and says so', () => {
    const blows = gaps(0.7, 0.7, 0.08, 0.62, 0.7).map((b, i) => (i === 3 ? { ...b, db: -27 } : b));
    expect(repeatOf(blows)).toMatchObject({ hours: 5, quarters: null, blows: 'a second one bounces' });
  });
  it('names a weak blow; takes no lame strike for quarters', () => {
    const weak = gaps(0.7, 0.7, 0.7, 0.7).map((b, i) => (i === 2 ? { ...b, db: -23 } : b));
    expect(repeatOf(weak)).toMatchObject({ hours: 5, blows: 'uneven' });
    expect(repeatOf(weak)!.says).toContain('Blow 3 is weak.');
    expect(repeatOf(gaps(1, 1.5, 1, 1.5, 1))).toMatchObject({ hours: 6, quarters: null, blows: 'uneven' });
    expect(repeatOf([])).toBeNull();
  });
  it('fills what its form asks, and no verdict on too few', () => {
    expect(fromSound('repeat', struck(4, 0))!.fields).toEqual({ hours: '4', quarters: '0' });
    expect(fromSound('even', struck(2, 0))).toBeNull();
    expect(fromSound('even', struck(7, 2))!.fields).toEqual({ even: 'even' });
  });
});

describe('an alarm that was heard', () => {
  /** Its sound, over the ticking of its own lever, is made and listened to. */
  const ring = (seed: number, every: (t: number) => number, untilS: number) => {
    const blows: { atS: number; hz: number; db: number }[] = [];
    for (let atS = 1.5; atS < untilS; atS += every(atS)) blows.push({ atS, hz: 1100, db: 14 + about(1, 1) });
    const clock = new SimulatedClock({ ...AS_HEARD, sampleRate: 44_100, beats: 14_400 }, seeded(seed), { blows });
    const finder = new BlowFinder(44_100);
    for (let s = 0; s < untilS + 3; s += 0.1) finder.push(clock.give(4410));
    return { of: ringOf(finder.blows())!, seconds: blows.at(-1)!.atS - 1.5 };
  };
  it('gives its length within a tenth of a second or two blows, and how it rings', () => {
    const even = ring(1, () => about(0.14, 0.06), 12);
    expect(Math.abs(Number(even.of.fields['seconds']) - even.seconds)).toBeLessThan(0.3);
    expect(even.of.fields['even']).toBe('evenly');
    const tired = ring(2, (t) => about(0.12, 0.05) * (t > 9 ? 1.7 : 1), 12);
    expect(tired.of.fields['even']).toBe('slower at its end');
    const fits = ring(3, (t) => (Math.abs(t - 5) < 0.1 || Math.abs(t - 8) < 0.1 ? 0.9 : about(0.14, 0.05)), 12);
    expect(fits.of.fields['even']).toBe('in fits');
  });
  it('is no alarm with five blows', () => {
    expect(ringOf(gaps(0.1, 0.1, 0.1, 0.1))).toBeNull();
  });
});
