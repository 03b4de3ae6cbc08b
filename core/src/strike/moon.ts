import { ensure } from '../units/index.ts';

/** Mean month from new moon to new moon, days. Published: Astronomical Almanac, epoch 2000. */
export const LUNATION_DAYS = 29.530588853;
/**
 * A mean new moon to count from: 6 January 2000, 14:20 (JDE 2451550.09766). Published: Meeus, Astronomical Algorithms,
 * 1991, chapter 47.
 */
const NEW_MOON = Date.UTC(2000, 0, 6, 14, 20);

/** Age of the mean moon in days at a moment (ms since 1970). The true moon is up to 14 hours to either side. */
export function moonAgeDays(at: number): number {
  ensure(Number.isFinite(at), 'date', 'A date is needed.');
  const age = ((at - NEW_MOON) / 86_400_000) % LUNATION_DAYS;
  return age < 0 ? age + LUNATION_DAYS : age;
}

/** Clicks from new moon for an age, on a wheel with so many for two moons (118 is usual). */
export function clicksForAge(ageDays: number, clicksForTwo: number): number {
  ensure(ageDays >= 0 && ageDays < 30, 'ageDays', 'An age of 0 to 30 days.');
  ensure(
    Number.isInteger(clicksForTwo) && clicksForTwo >= 20 && clicksForTwo <= 400,
    'clicksForTwo',
    'Clicks of the whole disc, two moons: usually 118.',
  );
  return Math.round((ageDays / LUNATION_DAYS) * (clicksForTwo / 2)) % (clicksForTwo / 2);
}

/** Years until a moon work of this period is a day wrong. */
export function yearsToADayWrong(periodDays: number): number {
  const perLunation = Math.abs(periodDays - LUNATION_DAYS);
  return perLunation === 0 ? Infinity : LUNATION_DAYS / perLunation / 365.25;
}
