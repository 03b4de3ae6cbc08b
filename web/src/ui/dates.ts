import { differenceInCalendarDays, format, formatDistanceStrict, isThisYear } from 'date-fns';

export const day = (at: string | number): string =>
  format(new Date(at), isThisYear(new Date(at)) ? 'd MMM' : 'd MMM yyyy');
export const dayTime = (at: string | number): string => `${day(at)}, ${format(new Date(at), 'HH:mm')}`;
export const clockTime = (at: Date | string | number): string => format(new Date(at), 'HH:mm:ss');
export const daysUntil = (date: string, now: number): number => differenceInCalendarDays(new Date(date), new Date(now));
export const ago = (at: string | number, now: number): string =>
  formatDistanceStrict(new Date(at), new Date(now), { addSuffix: true });

/** 7:05 or 1:02:09 */
export function countdown(ms: number): string {
  const s = Math.max(0, Math.ceil(ms / 1000));
  const [h, m] = [Math.floor(s / 3600), Math.floor(s / 60) % 60];
  const two = (n: number) => String(n).padStart(2, '0');
  return h > 0 ? `${h}:${two(m)}:${two(s % 60)}` : `${m}:${two(s % 60)}`;
}
