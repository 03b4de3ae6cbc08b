import { MM_PER_INCH, ensure } from '../units/index.ts';

/** How the frequency goes with the thickness: equal width, or a width that grew with it. T goes as 1/√(b t³). */
export const STRIP_LAWS = { 'equal width': 1.5, 'width grows with strength': 2 } as const;
export type StripLaw = keyof typeof STRIP_LAWS;

/** Strips are sold in steps of a ten-thousandth of an inch. Practice. */
export const STRIP_STEP_MM = 0.0001 * MM_PER_INCH;

const check = (thicknessMm: number, beats: number) => {
  ensure(thicknessMm >= 0.03 && thicknessMm <= 0.5, 'thicknessMm', 'A strip is between 0.03 and 0.5 mm thick.');
  ensure(beats > 0 && beats <= 60, 'beatsPerMinute', 'More than none and at most 60 beats a minute.');
};

/**
 * Thickness in mm that turns `observed` beats a minute into `wanted`: t₂ = t₁ (wanted/observed)^(1/law). Same length.
 */
export function thicknessFor(thicknessMm: number, observed: number, wanted: number, law: StripLaw): number {
  check(thicknessMm, observed);
  check(thicknessMm, wanted);
  return thicknessMm * (wanted / observed) ** (1 / STRIP_LAWS[law]);
}

/** Beats a minute that a strip of another thickness would give in the same clock. */
export function beatsWith(newThicknessMm: number, thicknessMm: number, observed: number, law: StripLaw): number {
  check(thicknessMm, observed);
  return observed * (newThicknessMm / thicknessMm) ** STRIP_LAWS[law];
}

export interface StripChoice {
  thicknessMm: number;
  beatsPerMinute: number;
  rateSecondsPerDay: number;
}

/**
 * The neighbours of the wanted thickness in the stock (all steps of a ten-thousandth when the list is empty), thinner
 * first.
 */
export function neighbours(
  thicknessMm: number,
  observed: number,
  wanted: number,
  law: StripLaw,
  stockMm: readonly number[] = [],
): StripChoice[] {
  const want = thicknessFor(thicknessMm, observed, wanted, law);
  const below = Math.floor(want / STRIP_STEP_MM + 1e-9) * STRIP_STEP_MM;
  const sizes = stockMm.length > 0 ? [...stockMm].sort((a, b) => a - b) : [below, below + STRIP_STEP_MM];
  const thinner = sizes.filter((t) => t <= want).at(-1);
  const thicker = sizes.find((t) => t > want);
  return [thinner, thicker]
    .filter((t) => t !== undefined)
    .map((t) => {
      const beats = beatsWith(t, thicknessMm, observed, law);
      return { thicknessMm: t, beatsPerMinute: beats, rateSecondsPerDay: 86400 * (beats / wanted - 1) };
    });
}

/** Rate changes by half as much as the free length, the other way: shorter is faster. s/day for each mm shortened. */
export const shorteningEffect = (lengthMm: number): number => 43200 / lengthMm;

export interface Strip {
  thicknessMm: number;
  widthMm: number;
  lengthMm: number;
  /** Moment of inertia of the pendulum, kg m². */
  inertiaKgM2: number;
  /** Modulus of rigidity, GPa. */
  rigidityGPa: number;
}

/**
 * Beats a minute from first principles: T = 2π √(I ℓ/(β G b t³)), β = ⅓(1 − 0.63 t/b), two beats an oscillation.
 * Published: torsion of a thin rectangle, any text on elasticity. Domain: a strip at least three times as wide as
 * thick.
 */
export function torsionBeats({ thicknessMm, widthMm, lengthMm, inertiaKgM2, rigidityGPa }: Strip): number {
  ensure(widthMm >= 3 * thicknessMm, 'widthMm', 'A strip is at least three times as wide as it is thick.');
  const [t, b, l] = [thicknessMm / 1000, widthMm / 1000, lengthMm / 1000];
  const stiffness = ((1 - (0.63 * t) / b) / 3) * rigidityGPa * 1e9 * b * t ** 3;
  return 120 / (2 * Math.PI * Math.sqrt((inertiaKgM2 * l) / stiffness));
}
