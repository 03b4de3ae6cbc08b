import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { familyById } from '../movement/index.ts';
import { normal, seeded } from '../simulated/index.ts';
import { adviseRun, judgeRun, missedReadings, triedIn, wantOf, type SetRun } from './index.ts';

const DAY = 86_400_000,
  START = Date.UTC(2031, 4, 2, 9);
const iso = (days: number) => new Date(START + days * DAY).toISOString();
const conditions = { setter: 'rating nut' as const, lengthMm: 200, pitchMm: 0.5 };
type Log = Omit<SetRun, 'readings' | 'events'> & {
  readings: { readAt: string; errorS: number }[];
  events: { kind: string; happenedAt: string; detail: { setter?: 'rating nut'; amount?: number } | null }[];
};
const run = (): Log => ({ startedAt: iso(0), readBy: 'seconds hand', conditions, readings: [], events: [] });

/**
 * A clock that answers to the turns of its nut, not quite as theory says; its hands are set right when it is turned.
 */
function regulate(seed: number): { adjustments: number; verdict: string; rate: number } {
  const chance = seeded(seed),
    gauss = normal(chance);
  const { traits } = familyById('mantel-barrels');
  // Mechanics: a millimetre of 200 is 216 s a day, so half a millimetre of pitch 108 a turn; pitch and true length are
  // off by up to a third.
  const aTurn = 108 * (1 + 0.16 * gauss());
  let rate = 400 * (2 * chance() - 1),
    error = 0,
    adjustments = 0;
  const log = run();
  for (let d = 0; d <= 60; d++) {
    log.readings.push({ readAt: iso(d), errorS: error + gauss() });
    const judged = judgeRun(traits, log, START + d * DAY);
    if (judged.verdict.kind === 'inside') return { adjustments, verdict: 'inside', rate };
    const { fit, protocol } = judged;
    if (judged.verdict.kind === 'outside' && fit) {
      const advice = adviseRun(log, fit.rateSecondsPerDay, fit.halfWidthSecondsPerDay, protocol.toleranceSecondsPerDay);
      if (advice.kind === 'set') {
        adjustments++;
        rate += aTurn * advice.amount * (1 + 0.03 * gauss());
        error = 0;
        log.events.push({
          kind: 'adjusted',
          happenedAt: iso(d + 0.01),
          detail: { setter: 'rating nut', amount: advice.amount },
        });
        log.readings.push({ readAt: iso(d + 0.02), errorS: gauss() });
      }
    }
    error += rate + 2 * gauss();
  }
  return { adjustments, verdict: 'never', rate };
}

describe('what to turn', () => {
  // Oracle: the simulated clock's own rate, which the advice never sees.
  it('brings a clock inside tolerance in at most three adjustments, 45 times of 50', () => {
    const all = Array.from({ length: 50 }, (_, seed) => regulate(seed + 1));
    expect(
      all.filter((r) => r.verdict === 'inside' && r.adjustments <= 3 && Math.abs(r.rate) <= 60).length,
    ).toBeGreaterThanOrEqual(45);
    expect(all.some((r) => r.adjustments > 0)).toBe(true);
  });
  it('learns from what the clock did, over setting of the hands and a stop between', () => {
    const log = run();
    log.readings = [
      [0, 0],
      [1, -60],
      [2, -120],
      [2.1, 0],
      [3.1, -10],
      [4.1, -20],
    ].map(([d, errorS]) => ({ readAt: iso(d!), errorS: errorS! }));
    log.events = [
      { kind: 'adjusted', happenedAt: iso(2.01), detail: { setter: 'rating nut', amount: 1 } },
      { kind: 'set', happenedAt: iso(2.05), detail: null },
    ];
    expect(triedIn(log, 'rating nut')).toMatchObject([{ amount: 1 }]);
    const [t] = triedIn(log, 'rating nut');
    expect([t!.before, t!.after].map(Math.round)).toEqual([-60, -10]);
    // Practice: a turn made 50 s a day, ten are left: a fifth of a turn, said in eighths.
    const advice = adviseRun({ ...log, conditions: { ...conditions, lengthMm: null } }, -10, 0.6, 8.6);
    expect(advice).toMatchObject({ kind: 'set', amount: 0.25 });
    expect(advice.words).toMatch(/^Rating nut ¼ turn up: one turn has made 50 s a day so far/);
  });
  it('says what it lacks, and when to leave it', () => {
    expect(adviseRun({ ...run(), conditions: null }, 30, 1, 10).words).toContain('Say what sets');
    expect(
      adviseRun({ ...run(), conditions: { setter: 'regulator', lengthMm: null, pitchMm: null } }, 30, 1, 10).words,
    ).toBe('Regulator one division towards slow, and log it: from the next rate on it is said how far.');
    expect(adviseRun(run(), 2, 1, 60).kind).toBe('leave');
  });
  it('does not take a setting that is told in another unit for its own', () => {
    const log = run();
    log.readings = [
      [0, 0],
      [1, -60],
      [2.1, 0],
      [3.1, -10],
    ].map(([d, errorS]) => ({ readAt: iso(d!), errorS: errorS! }));
    log.events = [{ kind: 'adjusted', happenedAt: iso(2), detail: null }];
    expect(triedIn(log, 'rating nut')).toEqual([]);
  });
});

describe('what a clock on test wants', () => {
  const traits = familyById('mantel-barrels').traits;
  const on = (readings: [number, number][], days: number, events: Log['events'] = [], failed = 0) => {
    const log = { ...run(), events, readings: readings.map(([d, errorS]) => ({ readAt: iso(d), errorS })) };
    return wantOf(
      { run: log, judged: judgeRun(traits, log, START + days * DAY), failed, weak: false },
      START + days * DAY,
    ).want;
  };
  it('is said the most urgent first', () => {
    expect(
      on(
        [
          [0, 0],
          [1, 5],
        ],
        1.5,
      ),
    ).toBe('running');
    expect(
      on(
        [
          [0, 0],
          [1, 5],
        ],
        2.5,
      ),
    ).toBe('reading due');
    expect(
      on(
        [
          [0, 0],
          [1, 300],
          [2, 600],
        ],
        2.1,
      ),
    ).toBe('to be set');
    expect(
      on(
        [0, 1, 2, 3, 4, 5, 6, 7, 8].map((d) => [d, 5 * d]),
        8.1,
      ),
    ).toBe('decided');
    expect(
      on(
        [
          [0, 0],
          [1, 300],
          [2, 600],
        ],
        2.1,
        [],
        1,
      ),
    ).toBe('failed check');
    expect(on([[0, 0]], 0.1, [{ kind: 'stopped', happenedAt: iso(0.05), detail: null }], 1)).toBe('stopped');
  });
  // Read daily: a day and a half without is late, two and a half is one missed.
  it.each([
    [[1, 2, 3], 3.4, 0],
    [[1, 3.6], 4, 2],
    [[], 3, 2],
  ] as const)('counts the readings not taken: read on days %j, now day %d', (days, now, missed) =>
    expect(
      missedReadings(
        days.map((d) => START + d * DAY),
        START,
        24,
        START + now * DAY,
      ),
    ).toBe(missed),
  );
});

describe('whatever the clock', () => {
  const days = fc.double({ min: 0.6, max: 5, noNaN: true });

  it('what is turned goes against the rate, and never further than theory and the clock allow', () => {
    fc.assert(
      fc.property(
        fc.double({ min: -900, max: 900, noNaN: true }),
        fc.double({ min: 0.2, max: 20, noNaN: true }),
        (rate, half) => {
          const advice = adviseRun(run(), rate, half, 60);
          if (advice.kind !== 'set') return;
          expect(Math.sign(advice.amount)).toBe(-Math.sign(rate));
          // Mechanics: 108 s a day a turn; the least step is an eighth.
          expect(Math.abs(advice.amount * 108 + rate)).toBeLessThan(108 / 16 + 1e-6);
        },
      ),
    );
  });

  it('the words carry the way and the unit of each setter', () => {
    const words = (setter: 'regulator' | 'hairspring' | 'bob weights', rate: number) =>
      adviseRun({ ...run(), conditions: { setter, lengthMm: null, pitchMm: null } }, rate, 1, 10).words;
    expect(words('regulator', -40)).toContain('one division towards fast');
    expect(words('hairspring', 40)).toContain('one mm longer');
    expect(words('bob weights', -40)).toContain('one g added');
  });

  it('readings in time are never missed, however they are spread', () => {
    fc.assert(
      fc.property(fc.array(days, { maxLength: 20 }), (gaps) => {
        const read = gaps.map(
          (
            (at) => (gap: number) =>
              (at += Math.min(gap, 1.4))
          )(0),
        );
        const now = (read.at(-1) ?? 0) + 0.5;
        expect(
          missedReadings(
            read.map((d) => START + d * DAY),
            START,
            24,
            START + now * DAY,
          ),
        ).toBe(0);
      }),
    );
  });
});
