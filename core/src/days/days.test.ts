import fc from 'fast-check';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { dueAgain } from '../aftercare/index.ts';
import { familyById } from '../movement/index.ts';
import { runCheck, WORKINGS } from '../workings/index.ts';
import * as days from './index.ts';

const { aheadOfUtcS, dayOf, daysAfter, daysFrom, isZone, momentAt, showDay, startOf, wallTime, yearsAfter } = days;
/** West and east of Greenwich, one whose summer is in January, and one that is no whole hour off. */
const ZONES = ['America/New_York', 'Europe/Berlin', 'Pacific/Auckland', 'Asia/Kathmandu'];
/** Any moment from 1990 to 2060, in whole seconds. */
const moments = fc.integer({ min: 631_152_000, max: 2_840_140_800 }).map((s) => new Date(s * 1000));

afterEach(() => vi.unstubAllEnvs());

describe.each(ZONES)('days in %s', (zone) => {
  it.each(ZONES)('are those of the calendar that the platform carries, on a machine in %s', (machine) => {
    vi.stubEnv('TZ', machine);
    // The machine does stand there.
    expect(-60 * new Date('2026-07-01T12:00Z').getTimezoneOffset()).toBe(aheadOfUtcS('2026-07-01T12:00Z', machine));
    // Checked against ICU: the Swedish way of writing a day is ISO 8601.
    const shown = new Intl.DateTimeFormat('sv-SE', { timeZone: zone, dateStyle: 'short', timeStyle: 'medium' });
    fc.assert(
      fc.property(moments, (at) => {
        const [day, time] = shown.format(at).split(' ') as [string, string];
        expect([dayOf(at, zone), days.showSeconds(at, zone)]).toEqual([day, time]);
        expect(wallTime(at, zone)).toBe(`${day}T${time.slice(0, 5)}`);
        const begins = startOf(day, zone);
        expect(dayOf(begins, zone)).toBe(day);
        expect(dayOf(begins.getTime() - 1, zone)).toBe(daysAfter(day, -1));
        expect(wallTime(momentAt(wallTime(at, zone), zone), zone)).toBe(wallTime(at, zone));
      }),
      { numRuns: 150 },
    );
  });
});

describe('days', () => {
  it('are counted as on paper, whatever the clocks do between them', () => {
    // Fact: in Berlin the clocks went forward on 29 March and back on 25 October 2026.
    expect([daysFrom('2026-03-28', '2026-03-30'), daysFrom('2026-10-26', '2026-10-24')]).toEqual([2, -2]);
    expect([daysAfter('2026-03-28', 1), daysAfter('2028-02-28', 1), daysAfter('2026-01-01', -1)]).toEqual([
      '2026-03-29',
      '2028-02-29',
      '2025-12-31',
    ]);
    expect(yearsAfter('2028-02-29', 3)).toBe('2031-02-28');
    fc.assert(
      fc.property(moments, fc.integer({ min: -20_000, max: 20_000 }), (at, n) => {
        const day = dayOf(at, 'UTC');
        expect(daysFrom(day, daysAfter(day, n))).toBe(n);
      }),
    );
  });

  it('an hour that comes twice is the first, one that is left out is the hour after it', () => {
    // Fact: 02:30 comes twice in Berlin on 25 October 2026, and not at all on 29 March; 01:30 twice in New York on
    // 1 November; Chile’s 6 September 2026 begins at one o’clock.
    expect(momentAt('2026-10-25T02:30', 'Europe/Berlin').toISOString()).toBe('2026-10-25T00:30:00.000Z');
    expect(momentAt('2026-03-29T02:30', 'Europe/Berlin').toISOString()).toBe('2026-03-29T01:30:00.000Z');
    expect(momentAt('2026-11-01T01:30', 'America/New_York').toISOString()).toBe('2026-11-01T05:30:00.000Z');
    expect(startOf('2026-09-06', 'America/Santiago').toISOString()).toBe('2026-09-06T04:00:00.000Z');
    expect([
      aheadOfUtcS('2026-01-15T00:00Z', 'Pacific/Auckland'),
      aheadOfUtcS('2026-07-15T00:00Z', 'Pacific/Auckland'),
    ]).toEqual([13 * 3600, 12 * 3600]);
  });

  it('knows zones by name only', () => {
    expect(['Europe/Berlin', 'UTC', 'Asia/Calcutta', '+02:00', 'Mars/Base', ''].map(isZone)).toEqual([
      true,
      true,
      true,
      false,
      false,
      false,
    ]);
    expect(days.zones()).toEqual(expect.arrayContaining(['UTC', ...ZONES.slice(0, 3)]));
  });

  it('says the year only when it is another one', () =>
    expect([showDay('2026-11-29', '2026-01-02'), showDay('2025-11-29', '2026-01-02')]).toEqual([
      '29 Nov',
      '29 Nov 2025',
    ]));

  it.each(ZONES)('that are worked out do not move with the machine, in %s', (machine) => {
    vi.stubEnv('TZ', machine);
    expect(dueAgain(familyById('mantel-barrels').traits, '2028-02-29')).toEqual({
      oil: '2031-02-28',
      overhaul: '2036-02-29',
    });
    // Promise date and next service, by hand; the sources stand beside each.
    for (const w of WORKINGS.filter((w) => ['promise-date', 'service-due'].includes(w.id)))
      for (const check of w.checks) expect(runCheck(w, check).filter((c) => !c.holds)).toEqual([]);
  });
});
