import { readWithUnit, type Read } from './read.ts';

/** Grams in an avoirdupois pound, exact. Published: international yard and pound agreement, 1959. */
export const G_PER_POUND = 453.59237;
export const G_PER_OUNCE = G_PER_POUND / 16;

export const MASS_UNITS: Record<string, number> = {
  g: 1,
  gr: 1,
  gram: 1,
  grams: 1,
  kg: 1000,
  oz: G_PER_OUNCE,
  ounce: G_PER_OUNCE,
  ounces: G_PER_OUNCE,
  lb: G_PER_POUND,
  lbs: G_PER_POUND,
  pound: G_PER_POUND,
  pounds: G_PER_POUND,
};

/** Reads a mass as a person or a scale types it: "3,63 kg", "8 lb", "120". A bare number is in `bare`. Grams out. */
export const readMass = (text: string, plausibleG: readonly [number, number], bare: 'g' | 'kg' = 'g'): Read =>
  readWithUnit(text, {
    units: MASS_UNITS,
    bare,
    plausible: plausibleG,
    canonical: 'g',
    example: '120 g, 3.6 kg, 8 lb',
    use: 'g, kg, oz or lb',
  });
