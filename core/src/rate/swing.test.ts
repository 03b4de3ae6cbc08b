import { describe, expect, it } from 'vitest';
import { normal, seeded } from '../simulated/index.ts';
import { judgeSwing, type SwingRead, type SwingRun } from './index.ts';

const DAY = 86_400_000;
const T0 = Date.UTC(2031, 4, 1, 9);
const iso = (days: number) => new Date(T0 + days * DAY).toISOString();
const read = (days: number, deg: number, more: Partial<SwingRead> = {}): SwingRead => ({
  at: T0 + days * DAY,
  deg,
  dropsDeg: null,
  stops: false,
  ...more,
});
const week: SwingRun = {
  swings: 'pendulum',
  windHours: 192,
  byWeight: false,
  events: [{ kind: 'wound', happenedAt: iso(0) }],
  earlier: [],
};
const says = (reads: readonly SwingRead[], run: Partial<SwingRun> = {}) =>
  judgeSwing(reads, { ...week, ...run }).said.map((s) => `${s.what}: ${s.says}`);

describe('the swing over the run', () => {
  it('tells a failing spring days before it stops, as a simulated one does', () => {
    // Oracle: a swing that falls by a tenth of a degree a day, read to a tenth, stops at 1.5° on the sixth day.
    const gauss = normal(seeded(31));
    let [kept, warned] = [0, 0];
    const trials = 400;
    for (let i = 0; i < trials; i++) {
      const reads = [0.1, 1, 2, 3].map((d) => read(d, 2.1 - 0.1 * d + 0.1 * gauss(), { dropsDeg: 1.5 }));
      const { reaches, said } = judgeSwing(reads, week);
      const over = said.find((s) => s.what === 'Over the run')!;
      if (over.good !== true) warned++;
      // What is not known is said as such: the true day lies within what it names, or it names none.
      if (!reaches) kept++;
      else if (reaches.soonest <= T0 + 6 * DAY && (reaches.latest ?? Infinity) >= T0 + 6 * DAY) kept++;
    }
    expect(kept / trials).toBeGreaterThan(0.95);
    expect(warned / trials).toBeGreaterThan(0.3);
    const clear = [0.1, 1, 2, 3].map((d) => read(d, 2.6 - 0.25 * d, { dropsDeg: 1.5 }));
    expect(says(clear).join()).toMatch(
      /Swing falls by 0.25° a day: at 1.5°, where a tooth drops, in 1 day, before its wind/,
    );
  });

  it('is not alarmed by a spring that runs down as springs do, nor by the noise of reading', () => {
    const gentle = [0.1, 2, 4, 6].map((d) => read(d, 2.6 - 0.08 * d, { dropsDeg: 1.5 }));
    expect(says(gentle).join()).toMatch(/as a spring does: its wind is out before/);
    const gauss = normal(seeded(5));
    let alarms = 0;
    for (let i = 0; i < 400; i++) {
      const { said } = judgeSwing(
        [0, 1, 2, 3, 4].map((d) => read(d + 0.1, 2.4 + 0.1 * gauss(), { dropsDeg: 1.5 })),
        week,
      );
      if (said.some((s) => s.what === 'Over the run' && s.good === false)) alarms++;
    }
    expect(alarms / 400).toBeLessThan(0.03);
  });

  it('does not lay to a spring what a weight does', () => {
    const down = [0.1, 1, 2, 3].map((d) => read(d, 2.6 - 0.25 * d, { dropsDeg: 1.2 }));
    expect(says(down, { byWeight: true }).join()).toMatch(/a weight pulls alike to its end/);
  });

  it('learns where this clock stops, and never under its drops', () => {
    const events = [...week.events, { kind: 'stopped', happenedAt: iso(5) }, { kind: 'wound', happenedAt: iso(6) }];
    const before = [0.1, 1, 2, 3, 4].map((d) => read(d, 2.5 - 0.15 * d));
    const limit = judgeSwing([...before, read(6.1, 2.5)], { ...week, events }).limit!;
    expect(limit).toEqual({ deg: expect.closeTo(1.75, 1), from: 'where it stopped' });
    expect(judgeSwing([read(0, 2, { dropsDeg: 1.9 })], { ...week, events: [] }).limit!.deg).toBe(1.9);
    // Let run down at an earlier visit: it is known from the first day.
    expect(judgeSwing([read(0, 2.4)], { ...week, earlier: [read(-900, 1.4, { stops: true })] }).limit!.deg).toBe(1.4);
  });

  it('says when a stop was not for want of swing', () => {
    const events = [...week.events, { kind: 'stopped', happenedAt: iso(3) }];
    const reads = [read(0.1, 1.8), read(1, 1.8), read(2, 2.6), read(2.5, 2.6)];
    expect(says(reads, { events }).join()).toMatch(/stopped at about 2.6°, and has run with 1.8°: not because/);
  });

  it('tells friction from the spring by what each winding gives', () => {
    const events = [...week.events, { kind: 'wound', happenedAt: iso(7) }];
    expect(says([read(0.2, 2.6), read(7.2, 2.1)], { events }).join()).toMatch(/friction grows/);
    expect(says([read(0.2, 2.6), read(7.2, 2.5)], { events }).join()).not.toMatch(/friction/);
  });

  it('does not laugh at itself: a swing under its own drop, one reading, three within an hour', () => {
    expect(says([read(0, 1.4, { dropsDeg: 1.5 })]).join()).toMatch(/read wrong/);
    expect(says([read(0, 2)]).join()).toMatch(/Read it three times/);
    expect(says([read(0, 2.2), read(0.02, 2.1), read(0.04, 1.9)]).join()).toMatch(/Read it three times/);
  });
});
