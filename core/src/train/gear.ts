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

export const wheelDiameterMm = (moduleMm: number, teeth: number): number => moduleMm * (teeth + WHEEL_OVER);
export const pinionDiameterMm = (moduleMm: number, leaves: number): number => moduleMm * (leaves + pinionOver(leaves));

/** Distance of the two arbors at right depth: the pitch circles touch. */
export const centreDistanceMm = (moduleMm: number, teeth: number, leaves: number): number =>
  (moduleMm * (teeth + leaves)) / 2;
export const moduleOfCentres = (centresMm: number, teeth: number, leaves: number): number =>
  (2 * centresMm) / (teeth + leaves);
