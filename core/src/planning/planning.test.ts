import { describe, expect, it } from 'vitest';
import { familyById } from '../movement/index.ts';
import { hoursByStage, hoursSpent, jobOfVisit, paceOf, promiseDays, type Job } from './index.ts';

const job: Job = {
  hoursBest: 5,
  hoursLikely: 8,
  hoursWorst: 17,
  hoursPerWeek: 14,
  hoursAhead: 4,
  waits: [{ what: 'parts', shortDays: 5, likelyDays: 8, longDays: 20 }],
  chanceOfPass: 0.25,
  passHours: 4,
  testDays: 8,
};

describe('a promise date', () => {
  it('has the mean that adding up gives', () => {
    // Published: mean of a triangle (a + b + c)/3; passes of a geometric series cut at five.
    const passes = 0.25 + 0.25 ** 2 + 0.25 ** 3 + 0.25 ** 4 + 0.25 ** 5;
    const mean = (4 + (5 + 8 + 17) / 3 + passes * 4) / 2 + (5 + 8 + 20) / 3 + 8 * (1 + passes);
    expect(promiseDays(job, 3, 100_000).mean).toBeCloseTo(mean, 1);
  });
  it('is the same for the same seed, and nearly so for another', () => {
    expect(promiseDays(job, 5)).toEqual(promiseDays(job, 5));
    expect(promiseDays(job, 6).nineInTen).toBeCloseTo(promiseDays(job, 5).nineInTen, -1);
  });
  it('moves out with more doubt, more hours and more waits', () => {
    const of = (change: Partial<Job>) => promiseDays({ ...job, ...change }, 1).nineInTen;
    const now = of({});
    for (const worse of [
      { hoursWorst: 40 },
      { hoursPerWeek: 7 },
      { chanceOfPass: 0.6 },
      { testDays: 30 },
      { waits: [...job.waits, { what: 'owner', shortDays: 1, likelyDays: 2, longDays: 9 }] },
    ])
      expect(of(worse)).toBeGreaterThan(now);
    expect(promiseDays(job, 1).nineInTen).toBeGreaterThan(promiseDays(job, 1).half);
  });
  it('gives the odds of another date: half by the half date, nine in ten by the other', () => {
    const { half, nineInTen } = promiseDays(job, 1);
    expect(promiseDays(job, 1, 10_000, half).chance).toBeCloseTo(0.5, 2);
    expect(promiseDays(job, 1, 10_000, nineInTen).chance).toBeCloseTo(0.9, 2);
    expect(promiseDays(job, 1, 10_000, 0).chance).toBe(0);
  });
  it('of a visit waits for the owner until the owner has answered, and for what is ordered', () => {
    const line = {
      kind: 'labour' as const,
      what: 'x',
      quantity: '6',
      price: '50',
      routes: [],
      optional: false,
      state: 'accepted' as const,
    };
    const pace = { hoursPerWeek: 20, hoursAhead: 5, signed: 16, takenUpAgain: 4, passes: null, taken: null };
    const { traits } = familyById('fusee');
    expect(jobOfVisit(traits, [], null, pace).job).toMatchObject({
      hoursLikely: 4,
      waits: [{ what: 'the owner’s answer' }],
      chanceOfPass: 0.25,
      testDays: 8,
    });
    const { job: j, reasons } = jobOfVisit(
      traits,
      [line, { ...line, kind: 'part' }, { ...line, kind: 'outside work', state: 'declined' }],
      null,
      pace,
    );
    expect(j.waits.map((w) => w.what)).toEqual(['parts']);
    expect(j.hoursLikely).toBe(6);
    expect(reasons.at(-1)).toContain('25 % (4 of your 16');
    const passed = (counted: number) =>
      jobOfVisit(traits, [line], null, { ...pace, passes: { counted, meanHours: 2.5, usualReason: 'strike runs on' } });
    expect([passed(2).job.passHours, passed(3).job.passHours]).toEqual([0.3 * 6, 2.5]);
    expect(passed(3).reasons.at(-1)).toContain('strike runs on');
    const slower = jobOfVisit(traits, [line], null, { ...pace, taken: { jobs: 5, share: 1.5 } });
    // Nine hours in the mean: so the simulation's mean is nine hours, not nine and a sixth of them more.
    const alone = { ...slower.job, hoursAhead: 0, chanceOfPass: 0, waits: [], testDays: 0, hoursPerWeek: 7 };
    expect(promiseDays(alone, 3, 50_000).mean).toBeCloseTo(9, 1);
    expect(slower.reasons.join()).toContain('your last 5 timed jobs took 1.5 times');
  });
  it('of a visit on which no way is chosen is that of the longest way, not of all ways together', () => {
    const way = (
      route: 'cure' | 'overhaul' | 'replace',
      quantity: string,
      kind: 'labour' | 'outside work' = 'labour',
    ) => ({
      ...{ kind, what: route, quantity, price: '50', routes: [route], optional: false, state: null },
    });
    const lines = [way('cure', '2'), way('overhaul', '12'), way('replace', '4'), way('replace', '1', 'outside work')];
    const pace = { hoursPerWeek: 20, hoursAhead: 0, signed: 0, takenUpAgain: 0, passes: null, taken: null };
    const { job: j, reasons } = jobOfVisit(familyById('fusee').traits, lines, null, pace);
    expect(j.hoursLikely).toBe(12);
    expect(j.waits.map((w) => w.what)).toEqual(['the owner’s answer']);
    expect(reasons[0]).toContain('the longest way on offer');
    expect(jobOfVisit(familyById('fusee').traits, lines, 'replace', pace).job).toMatchObject({ hoursLikely: 4 });
  });
  it('refuses what cannot be planned', () => {
    expect(() => promiseDays({ ...job, hoursPerWeek: 0 }, 1)).toThrow(RangeError);
    expect(() => promiseDays({ ...job, hoursLikely: 30 }, 1)).toThrow(/between the best and the worst/);
    expect(() => promiseDays(job, 1, 1e9)).toThrow(RangeError);
  });
});

describe('bench time', () => {
  const t = (stage: 'strip' | 'clean', from: string, to: string | null) => ({
    stage,
    by: 'Ines',
    startedAt: `2026-05-01T${from}:00Z`,
    endedAt: to && `2026-05-${to}:00Z`,
  });
  it('adds by stage, what runs counts until now, and a clock that nobody stopped is not a day of work', () => {
    const now = Date.parse('2026-05-01T15:30:00Z');
    expect(
      hoursByStage([t('strip', '09:00', '01T10:30'), t('clean', '11:00', '01T11:45'), t('strip', '15:00', null)], now),
    ).toEqual([
      { stage: 'strip', hours: 2 },
      { stage: 'clean', hours: 0.75 },
    ]);
    expect(hoursSpent([t('strip', '09:00', '03T09:00')], now)).toBe(12);
  });
  it('says what a written hour takes once three jobs were timed', () => {
    const job = { writtenH: 4, workedH: 6 };
    expect(paceOf([job, job, { writtenH: 5, workedH: 0 }])).toBeNull();
    expect(paceOf([job, job, { writtenH: 4, workedH: 3 }])).toEqual({ jobs: 3, share: 1.25 });
  });
});
