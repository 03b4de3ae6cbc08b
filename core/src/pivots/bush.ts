import { ensure } from '../units/index.ts';

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
export const STARTING_STOCK: readonly BushStock[] = [
  0.3, 0.4, 0.5, 0.6, 0.8, 1, 1.2, 1.4, 1.6, 1.8, 2, 2.5, 3, 3.5, 4,
].flatMap((boreMm) =>
  [1.5, 2, 2.5, 3, 3.5, 4, 5, 6, 7]
    .filter((outsideMm) => outsideMm - boreMm >= 1 && outsideMm - boreMm <= 3.2)
    .flatMap((outsideMm) => [1.5, 2, 3, 4].map((heightMm) => ({ boreMm, outsideMm, heightMm }))),
);

export interface BushWanted {
  finishedPivotMm: number;
  clearanceMm: number;
  holeLongMm: number;
  holeShortMm: number;
  plateMm: number;
}

export type BushChoice<S extends BushStock = BushStock> = S & {
  /** Finished bore, after broaching from the stock bore. */
  finishedBoreMm: number;
  reamToMm: number;
  /** How far the true centre lies back from the middle of the worn oval, against the direction of wear. */
  centreBackMm: number;
};

/**
 * Bushes that swallow the worn oval round its true centre, leave a wall and are at least as high as the plate; the
 * smallest first. The wear ran one way from a round hole of the short diameter, so from the true centre it reaches long
 * − short/2.
 * @throws Outside naming the length that is not positive, or the long way where short > long
 */
export function bushChoices<S extends BushStock>(w: BushWanted, stock: readonly S[]): BushChoice<S>[] {
  ensure(w.finishedPivotMm > 0, 'finishedPivotMm', 'The pivot has some size.');
  ensure(w.clearanceMm >= 0, 'clearanceMm', 'A clearance is not negative.');
  ensure(w.plateMm > 0, 'plateMm', 'The plate has some height.');
  ensure(w.holeShortMm > 0, 'holeShortMm', 'The hole has some size.');
  ensure(w.holeLongMm >= w.holeShortMm, 'holeLongMm', 'The long way is not less than the short way.');
  const finishedBoreMm = w.finishedPivotMm + w.clearanceMm;
  const swallow = 2 * w.holeLongMm - w.holeShortMm;
  return stock
    .filter(
      (b) =>
        b.boreMm <= finishedBoreMm &&
        b.heightMm >= w.plateMm &&
        b.outsideMm >= swallow &&
        b.outsideMm - finishedBoreMm >= 2 * LEAST_WALL_MM,
    )
    .sort((a, b) => a.outsideMm - b.outsideMm || b.boreMm - a.boreMm || a.heightMm - b.heightMm)
    .map((b) => ({
      ...b,
      finishedBoreMm,
      reamToMm: b.outsideMm - PRESS_MM,
      centreBackMm: (w.holeLongMm - w.holeShortMm) / 2,
    }));
}

/** The first of them, or null when the stock has none. */
export const chooseBush = (w: BushWanted, stock: readonly BushStock[] = STARTING_STOCK): BushChoice | null =>
  bushChoices(w, stock)[0] ?? null;
