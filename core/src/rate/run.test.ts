import { describe, expect, it } from 'vitest';
import { familyById } from '../movement/index.ts';
import { judgeRun, type RunLog } from './run.ts';

const DAY = 86_400_000;
const T0 = Date.UTC(2031, 4, 2, 9);
const iso = (days: number) => new Date(T0 + days * DAY).toISOString();
const { traits } = familyById('mantel-barrels');
const reading = (d: number, errorS: number) => ({ readAt: iso(d), errorS });
const at = (log: Partial<RunLog>, day: number) =>
  judgeRun(traits, { startedAt: iso(0), readBy: 'seconds hand', readings: [], events: [], ...log }, T0 + day * DAY);

describe('a test run', () => {
  it('has no rate before its second reading, and says when to read', () => {
    const { fit, verdict } = at({ readings: [reading(0, 2)] }, 0.2);
    expect(fit).toBeNull();
    expect(verdict).toMatchObject({ kind: 'not yet', readAgainAt: T0 + DAY });
  });

  // Practice: the rate is a slope through the readings since the last adjustment.
  it('begins anew when it is adjusted, set, moved or stops, and goes on when it is wound', () => {
    const readings = [0, 1, 2, 3, 4, 5].map((d) => reading(d, d < 2.5 ? 100 * d : 3 * d));
    for (const kind of ['adjusted', 'set', 'moved', 'stopped']) {
      const { fit, segment } = at({ readings, events: [{ kind, happenedAt: iso(2.5) }] }, 5);
      expect(segment).toHaveLength(3);
      expect(fit!.rateSecondsPerDay).toBeCloseTo(3, 6);
    }
    expect(at({ readings, events: [{ kind: 'wound', happenedAt: iso(2.5) }] }, 5).segment).toHaveLength(6);
  });

  it('counts the days it was watched, not the days it was left alone', () => {
    const readings = [reading(0, 0), reading(1, 5), reading(2, 10), reading(3, 15)];
    const judged = at({ readings }, 30);
    expect(judged.days).toBeCloseTo(3, 9);
    expect(judged.verdict.kind).toBe('not yet');
  });

  it('is judged anew for a figure that was put right, and by another rule of the house', () => {
    const log = {
      startedAt: iso(0),
      readBy: 'seconds hand' as const,
      events: [],
      readings: [0, 1, 2].map((d) => reading(d, 5 * d)),
    };
    const rate = (now = 2) => judgeRun(traits, log, T0 + now * DAY).fit!.rateSecondsPerDay;
    expect(rate()).toBeCloseTo(5, 6);
    log.readings = log.readings.map((r) => ({ ...r, errorS: 2 * r.errorS }));
    expect(rate()).toBeCloseTo(10, 6);
    log.readings[2]!.errorS = 10; // in place, as no caller should
    expect(rate()).toBeLessThan(10);
    const days = (choices: Record<string, string>) =>
      judgeRun(traits, log, T0 + 2 * DAY, choices).protocol.shortestDays;
    expect([days({}), days({ 'run-length': 'weeks' })]).toEqual([8, 14]);
  });

  it('is wider in doubt with the minute hand alone', () => {
    const readings = [0, 1, 2, 3].map((d) => reading(d, 5 * d));
    const by = (readBy: RunLog['readBy']) => at({ readings, readBy }, 3).fit!.halfWidthSecondsPerDay;
    expect(by('minute hand')).toBeGreaterThan(3 * by('seconds hand'));
  });
});
