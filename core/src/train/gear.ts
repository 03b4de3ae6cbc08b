import { ensure } from '../units/index.ts';

/**
 * Diameters of cycloidal clock gearing over a module m: wheel over N + 2.76, pinion over n + 1.71 up to 10 leaves and
 * n + 1.61 above. From memory, after BS 978-2; makers rounded up and down, so it cross-checks and does not prove.
 */
const WHEEL_OVER = 2.76;
const pinionOver = (leaves: number) => (leaves <= 10 ? 1.71 : 1.61);

const positive = (value: number, field: string) =>
  ensure(value > 0 && Number.isFinite(value), field, 'More than nothing is needed here.');

/** Module in mm from the outside diameter of a wheel. */
export function moduleOfWheel(outsideMm: number, teeth: number): number {
  positive(outsideMm, 'wheelMm');
  positive(teeth, 'wheel');
  return outsideMm / (teeth + WHEEL_OVER);
}

/** Module in mm from the outside diameter of a pinion. */
export function moduleOfPinion(outsideMm: number, leaves: number): number {
  positive(outsideMm, 'pinionMm');
  positive(leaves, 'pinion');
  return outsideMm / (leaves + pinionOver(leaves));
}

/** Outside diameter of a wheel, mm: its pitch circle and two addenda. Practice: 2.76 modules over the teeth. */
export const wheelDiameterMm = (moduleMm: number, teeth: number): number => moduleMm * (teeth + WHEEL_OVER);
/** Outside diameter of a pinion, mm; up to ten leaves stand out a little more. Practice. */
export const pinionDiameterMm = (moduleMm: number, leaves: number): number => moduleMm * (leaves + pinionOver(leaves));

/** Distance of the two arbors at right depth: the pitch circles touch. */
export const centreDistanceMm = (moduleMm: number, teeth: number, leaves: number): number =>
  (moduleMm * (teeth + leaves)) / 2;
/** Module in mm from the distance of two arbors that mesh at right depth. */
export const moduleOfCentres = (centresMm: number, teeth: number, leaves: number): number =>
  (2 * centresMm) / (teeth + leaves);
