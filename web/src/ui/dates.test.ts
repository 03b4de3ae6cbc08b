// @vitest-environment jsdom
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { useAppState } from '../data/app-state.ts';
import { promiseWords } from '../features/bench/BenchRow.tsx';
import { day, daysUntil, dayTime, sentMoment, shopDay } from './dates.ts';

const MACHINES = ['America/New_York', 'Europe/Berlin', 'Pacific/Auckland'];
/** Half past midnight UTC, on the day the clocks of Berlin go forward. */
const NOW = Date.parse('2026-03-29T00:30:00Z');

beforeEach(() => vi.setSystemTime(NOW));
afterEach(() => {
  vi.unstubAllEnvs();
  vi.useRealTimers();
});

describe.each([
  ['America/New_York', '2026-03-28', '28 Mar, 20:30'],
  ['Europe/Berlin', '2026-03-29', '29 Mar, 01:30'],
  ['Pacific/Auckland', '2026-03-29', '29 Mar, 13:30'],
])('a shop in %s', (zone, today, moment) => {
  it.each(MACHINES)('shows its own days on a device in %s', (machine) => {
    vi.stubEnv('TZ', machine);
    useAppState.getState().set({ zone });
    expect([shopDay(), dayTime(NOW), day(today), day('2025-12-31')]).toEqual([
      today,
      moment,
      moment.split(',')[0],
      '31 Dec 2025',
    ]);
    expect(promiseWords(daysUntil(today, NOW))).toBe('promised for today');
    expect(promiseWords(daysUntil('2026-03-31', NOW))).toBe(`promised in ${today.endsWith('28') ? 3 : 2} days`);
    // What is typed is the clock on the shop’s wall: it comes back as it was typed.
    expect(dayTime(sentMoment('2026-03-28T09:15'))).toBe('28 Mar, 09:15');
  });
});
