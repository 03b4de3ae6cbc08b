import {
  aheadOfUtcS,
  dayOf,
  daysFrom,
  momentAt,
  showDay,
  showSeconds,
  showTime,
  type Day,
  type Moment,
} from '@eclat/core/days';
import { formatDistanceStrict } from 'date-fns';
import { serverNow, useAppState } from '../data/app-state.ts';

/** All days and times on the screen are those of the shop's wall clock, wherever this device is. */
const zone = () => useAppState.getState().zone;
const isDay = (at: Moment): at is Day => typeof at === 'string' && /^\d{4}-\d\d-\d\d$/.test(at);

/** The day it is in the shop, or was at a moment. */
export const shopDay = (at: Moment = serverNow()): Day => dayOf(at, zone());

/** `29 Nov`: of a day as it is, of a moment where the shop is. */
export const day = (at: Moment): string => showDay(isDay(at) ? at : shopDay(at), shopDay());
export const dayTime = (at: Moment): string => `${day(at)}, ${showTime(at, zone())}`;
export const clockTime = (at: Moment): string => showSeconds(at, zone());
export const daysUntil = (date: Day, now: number): number => daysFrom(shopDay(now), date);
/** What was typed as the time on the shop's wall, `2026-11-29T09:30`, as it is sent. */
export const sentMoment = (wall: string): string => momentAt(wall, zone()).toISOString();
export const shopAheadOfUtcS = (at: number): number => aheadOfUtcS(at, zone());
export const ago = (at: string | number, now: number): string =>
  formatDistanceStrict(new Date(at), new Date(now), { addSuffix: true });

/** 7:05 or 1:02:09 */
export function countdown(ms: number): string {
  const s = Math.max(0, Math.ceil(ms / 1000));
  const [h, m] = [Math.floor(s / 3600), Math.floor(s / 60) % 60];
  const two = (n: number) => String(n).padStart(2, '0');
  return h > 0 ? `${h}:${two(m)}:${two(s % 60)}` : `${m}:${two(s % 60)}`;
}
