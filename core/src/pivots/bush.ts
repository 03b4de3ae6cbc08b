/** One row of the shop's bush stock: bore, outside and height, mm. */
export interface BushStock {
  boreMm: number;
  outsideMm: number;
  heightMm: number;
}

/** Left round the bore so that a bush stands being pressed. House rule (practice). */
const LEAST_WALL_MM = 0.4;
/** A pressed bush is this much over its hole. Practice: 0.01 to 0.02 mm. */
const PRESS_MM = 0.015;

/** A plain graded stock to start from; the shop's own list takes its place. Invented sizes in even steps. */
export const STARTING_STOCK: readonly BushStock[] = [0.3, 0.4, 0.5, 0.6, 0.8, 1, 1.2, 1.4, 1.6, 1.8, 2, 2.5, 3, 3.5, 4].flatMap((boreMm) =>
  [1.5, 2, 2.5, 3, 3.5, 4, 5, 6, 7].filter((outsideMm) => outsideMm - boreMm >= 1 && outsideMm - boreMm <= 3.2)
    .flatMap((outsideMm) => [1.5, 2, 3, 4].map((heightMm) => ({ boreMm, outsideMm, heightMm }))),
);

export interface BushWanted {
  finishedPivotMm: number;
  clearanceMm: number;
  holeLongMm: number;
  holeShortMm: number;
  plateMm: number;
}

export interface BushChoice extends BushStock {
  /** Finished bore, after broaching from the stock bore. */
  finishedBoreMm: number;
  reamToMm: number;
  /** How far the true centre lies back from the middle of the worn oval, against the direction of wear. */
  centreBackMm: number;
}

/**
 * The smallest bush that swallows the worn oval round its true centre, leaves a wall and is at least as high as the plate.
 * The wear ran one way from a round hole of the short diameter, so from the true centre it reaches long − short/2.
 * Returns null when the stock has none. @throws RangeError for lengths that are not positive or short > long
 */
export function chooseBush(w: BushWanted, stock: readonly BushStock[] = STARTING_STOCK): BushChoice | null {
  if (!(w.finishedPivotMm > 0 && w.clearanceMm >= 0 && w.plateMm > 0 && w.holeShortMm > 0 && w.holeLongMm >= w.holeShortMm))
    throw new RangeError(`not a hole that can be bushed: ${JSON.stringify(w)}`);
  const finishedBoreMm = w.finishedPivotMm + w.clearanceMm;
  const swallow = 2 * w.holeLongMm - w.holeShortMm;
  const fits = stock.filter((b) =>
    b.boreMm <= finishedBoreMm && b.heightMm >= w.plateMm && b.outsideMm >= swallow && b.outsideMm - finishedBoreMm >= 2 * LEAST_WALL_MM);
  const best = fits.sort((a, b) => a.outsideMm - b.outsideMm || b.boreMm - a.boreMm || a.heightMm - b.heightMm)[0];
  return best
    ? { ...best, finishedBoreMm, reamToMm: best.outsideMm - PRESS_MM, centreBackMm: (w.holeLongMm - w.holeShortMm) / 2 }
    : null;
}
