import { tz, TZDate } from '@date-fns/tz';
import { addDays, addYears, differenceInCalendarDays, format, parseISO } from 'date-fns';

/**
 * Days and times of day, of one shop. A day is written `2026-11-29` (ISO 8601) and belongs to no zone; a moment belongs
 * to a day only in a zone (IANA names, `Europe/Berlin`). Everything in Eclat that turns one into the other asks here,
 * never the zone of the machine it runs on.
 */
export type Day = string;
export type Zone = string;
export type Moment = Date | string | number;

const DAY_MS = 86_400_000;
const ZONELESS = tz('UTC');
const asDate = (day: Day): Date => parseISO(day, { in: ZONELESS });
const written = (d: Date): Day => format(d, 'yyyy-MM-dd', { in: ZONELESS });

/** The zone of the device or server it runs on: offered for a new shop. */
export const ownZone = (): Zone => new Intl.DateTimeFormat().resolvedOptions().timeZone || 'UTC';

/** Zones that can be chosen, by name. UTC is always one. */
export const zones = (): Zone[] => [...new Set(['UTC', ...Intl.supportedValuesOf('timeZone')])];

/** Whether this machine knows such a zone; an offset such as `+02:00` is none, since it has no summer time. */
export function isZone(name: string): boolean {
  if (!/^[A-Za-z]/.test(name)) return false;
  try {
    new Intl.DateTimeFormat('en', { timeZone: name });
    return true;
  } catch {
    return false;
  }
}

/** The day on which a moment falls in a zone. */
export const dayOf = (at: Moment, zone: Zone): Day => format(new Date(at), 'yyyy-MM-dd', { in: tz(zone) });

/** So many days later, or earlier. */
export const daysAfter = (day: Day, days: number): Day => written(addDays(asDate(day), days));

/** So many years later; of 29 February in a common year, 28 February. */
export const yearsAfter = (day: Day, years: number): Day => written(addYears(asDate(day), years));

/** Days from one to another: 1 for the next day, less than 0 for one before. */
export const daysFrom = (from: Day, to: Day): number => differenceInCalendarDays(asDate(to), asDate(from));

/** The moment at which a day begins in a zone: its first, where summer time leaves midnight out. */
export const startOf = (day: Day, zone: Zone): Date => momentAt(`${day}T00:00`, zone);

/**
 * What the clock on the wall of a zone shows, as a moment. An hour that summer time leaves out is taken as the hour
 * after it; one that comes twice as the first of the two.
 * @param wall as a form gives it, `2026-11-29T09:30`
 */
export function momentAt(wall: string, zone: Zone): Date {
  const utc = parseISO(wall, { in: ZONELESS }).getTime();
  const [before, after] = [-DAY_MS, DAY_MS].map((away) => utc - 1000 * aheadOfUtcS(utc + away, zone));
  const shows = [before!, after!].filter((at) => at + 1000 * aheadOfUtcS(at, zone) === utc);
  return new Date(shows.length > 0 ? Math.min(...shows) : before!);
}

/** A moment as a form wants it, `2026-11-29T09:30`, by the clock on the wall of a zone. */
export const wallTime = (at: Moment, zone: Zone): string =>
  format(new Date(at), "yyyy-MM-dd'T'HH:mm", { in: tz(zone) });

/** Seconds by which the clock on the wall of a zone is ahead of UTC at a moment. */
export const aheadOfUtcS = (at: Moment, zone: Zone): number =>
  -60 * new TZDate(new Date(at).getTime(), zone).getTimezoneOffset();

/** `29 Nov`, with its year when that is not this one. */
export const showDay = (day: Day, today: Day): string =>
  format(asDate(day), day.slice(0, 4) === today.slice(0, 4) ? 'd MMM' : 'd MMM yyyy', { in: ZONELESS });

/** `29 Nov 2026`, as on a letter: the month in letters, since no two countries order the figures alike. */
export const letterDay = (day: Day): string => format(asDate(day), 'd MMM yyyy', { in: ZONELESS });

/** `Nov 2026`, as on a letter. */
export const letterMonth = (day: Day): string => format(asDate(day), 'MMM yyyy', { in: ZONELESS });

/** `09:30` by the clock on the wall. */
export const showTime = (at: Moment, zone: Zone): string => format(new Date(at), 'HH:mm', { in: tz(zone) });

/** `09:30:12` by the clock on the wall. */
export const showSeconds = (at: Moment, zone: Zone): string => format(new Date(at), 'HH:mm:ss', { in: tz(zone) });
