import { ensure } from '../units/index.ts';

/** A mainspring in its barrel, mm: inside of the barrel, arbor, thickness. */
export interface Barrel {
  barrelMm: number;
  arborMm: number;
  thicknessMm: number;
}

function check({ barrelMm, arborMm, thicknessMm }: Barrel): void {
  ensure(arborMm > 0, 'arborMm', 'An arbor has a diameter.');
  ensure(barrelMm > arborMm, 'arborMm', `The arbor must be smaller than the inside of the barrel (${barrelMm} mm).`);
  ensure(
    thicknessMm > 0 && thicknessMm < (barrelMm - arborMm) / 4,
    'thicknessMm',
    `Under ${((barrelMm - arborMm) / 4).toFixed(2)} mm: at least two coils must fit between arbor and wall.`,
  );
}

/** The longest spring that goes in at all: it fills the barrel solid. */
export const solidLengthMm = ({ barrelMm: D, arborMm: d, thicknessMm: e }: Barrel): number =>
  (Math.PI * (D * D - d * d)) / (4 * e);

export interface Coiled {
  turns: number;
  /** Inside radius of the coils resting against the wall, and outside radius when wound on the arbor, mm. */
  unwoundInnerMm: number;
  woundOuterMm: number;
  /** Share of the free area that the spring fills. */
  fills: number;
}

/**
 * Turns that a spring of this length gives, from lying against the wall to lying on the arbor, ideal coils without
 * gaps. A real one gives about one turn less (practice): this is an upper bound. Source: areas of the coils, any text
 * on springs.
 * @throws Outside for a spring that does not fit
 */
export function coil(b: Barrel, lengthMm: number): Coiled {
  check(b);
  const most = solidLengthMm(b);
  ensure(
    lengthMm > 0 && lengthMm <= most,
    'lengthMm',
    `This spring does not fit: at most ${Math.floor(most)} mm of it go in.`,
  );
  const { barrelMm: D, arborMm: d, thicknessMm: e } = b;
  const inner = Math.sqrt(Math.max(0, (D * D) / 4 - (lengthMm * e) / Math.PI));
  const outer = Math.sqrt((d * d) / 4 + (lengthMm * e) / Math.PI);
  return {
    turns: Math.max(0, (outer - d / 2 - D / 2 + inner) / e),
    unwoundInnerMm: inner,
    woundOuterMm: outer,
    fills: lengthMm / most,
  };
}

/**
 * Length of the spring that lies in the barrel, unwound, mm, from the clear space inside its coils.
 * @param clearMm inside diameter of the coils that rest against the wall
 * @throws Outside when the arbor does not go into it, or nothing lies there
 */
export function lengthFromRest(b: Barrel, clearMm: number): number {
  check(b);
  ensure(
    clearMm >= b.arborMm && clearMm < b.barrelMm,
    'clearMm',
    `Between the arbor (${b.arborMm} mm) and the wall (${b.barrelMm} mm).`,
  );
  return (Math.PI * (b.barrelMm ** 2 - clearMm ** 2)) / (4 * b.thicknessMm);
}

/** The length that gives most turns: half the free area filled. */
export function bestLengthMm(b: Barrel): number {
  check(b);
  return solidLengthMm(b) / 2;
}

/**
 * The two lengths that give these turns, short one first; the short one leaves more room.
 * @throws Outside when no length does
 */
export function lengthsForTurns(b: Barrel, turns: number): [number, number] {
  const best = bestLengthMm(b);
  const most = coil(b, best).turns;
  ensure(
    turns > 0 && turns <= most,
    'turns',
    `No spring of this thickness gives more than ${most.toFixed(2)} turns here.`,
  );
  const at = (from: number, to: number) => {
    // turns rise from `from` to `to`
    for (let i = 0; i < 60; i++) {
      const mid = (from + to) / 2;
      if (coil(b, mid).turns < turns) from = mid;
      else to = mid;
    }
    return (from + to) / 2;
  };
  return [at(1e-6, best), at(solidLengthMm(b), best)];
}
